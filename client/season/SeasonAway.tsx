import { useState } from 'react';
import { View } from 'react-native';
import { EXCEPTION_WORDS } from '@core/season/exceptions';
import type { SquadMember } from '@core/squad/athlete';
import type { LaidSeason } from '../data/useSeasons';
import { capitalised } from '@core/units/capitalised';
import { dayInText } from '../ui/days';
import { PrimaryButton } from '../ui/PrimaryButton';
import { SPACE } from '../ui/theme';
import { TextButton } from '../ui/TextButton';
import { Text } from '../ui/Text';
import { ExceptionForm, OffForm } from './AwayForms';
import type { SpanFields } from './seasonForms';
import type { SeasonEdit } from '../data/useSeasonEdit';

const spanText = ({ from, to }: SpanFields) =>
  from === to ? dayInText(from) : `${dayInText(from)} to ${dayInText(to)}`;

function Line({ text, label, remove }: { text: string; label: string; remove: () => void }) {
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s, minHeight: 44 }}>
      <Text style={{ flex: 1 }}>{text}</Text>
      <TextButton label={label} onPress={remove}>
        Take out
      </TextButton>
    </View>
  );
}

type Props = { laid: LaidSeason; edit: SeasonEdit; athletes: readonly SquadMember[] };

/** Days on which nobody trains, and athletes who are not as the others for some days. */
export function SeasonAway({ laid, edit, athletes }: Props) {
  const { season } = laid;
  const [form, setForm] = useState<'off' | 'exception'>();
  const nameOf = (id: string) => athletes.find((athlete) => athlete.id === id)?.name ?? 'Somebody who has left';
  return (
    <View role="region" aria-label="Away" style={{ gap: SPACE.m }}>
      <Text as="heading" level={2}>
        Days off for all
      </Text>
      {season.daysOff.map((off) => (
        <Line
          key={off.id}
          text={`${capitalised(spanText(off))}: ${off.reason}`}
          label={`Take out ${off.reason}`}
          remove={() => edit.change({ kind: 'removeDaysOff', id: off.id }, `${capitalised(off.reason)}: taken out.`)}
        />
      ))}
      {form === 'off' ? (
        <OffForm
          save={(off) => {
            setForm(undefined);
            edit.change({ kind: 'putDaysOff', off }, `${capitalised(off.reason)}: marked off.`);
          }}
          cancel={() => setForm(undefined)}
        />
      ) : (
        <View style={{ flexDirection: 'row' }}>
          <PrimaryButton icon="plus" onPress={() => setForm('off')}>
            Holidays or exams
          </PrimaryButton>
        </View>
      )}
      <Text as="heading" level={2}>
        Not as usual
      </Text>
      {season.exceptions.map((exception) => (
        <Line
          key={exception.id}
          text={`${nameOf(exception.athleteId)}: ${EXCEPTION_WORDS[exception.kind]}, ${spanText(exception)}`}
          label={`Take out ${nameOf(exception.athleteId)}`}
          remove={() => void edit.apply({ kind: 'removeException', id: exception.id }, 'As usual again.')}
        />
      ))}
      {form === 'exception' ? (
        <ExceptionForm
          athletes={athletes}
          save={(exception) => {
            setForm(undefined);
            void edit.apply({ kind: 'putException', exception }, `${nameOf(exception.athleteId)}: noted.`);
          }}
          cancel={() => setForm(undefined)}
        />
      ) : (
        <View style={{ flexDirection: 'row' }}>
          <PrimaryButton icon="plus" disabled={athletes.length === 0} onPress={() => setForm('exception')}>
            Somebody is away or ill
          </PrimaryButton>
        </View>
      )}
      <Text as="small" quiet>
        Roll call and plan start from it: who is away, ill or injured is not ticked, and whoever was ill eases back.
      </Text>
    </View>
  );
}
