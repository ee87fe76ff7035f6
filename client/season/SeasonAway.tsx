import { useState } from 'react';
import { View } from 'react-native';
import { FormFoot } from '../ui/FormFoot';
import { ulid } from 'ulid';
import { easingDays, EXCEPTION_WORDS } from '@core/season/exceptions';
import { EXCEPTION_KINDS, type AthleteException } from '@core/season/season';
import type { SquadMember } from '@core/squad/athlete';
import { isDate } from '@core/units/dayNumber';
import type { LaidSeason } from '../data/useSeasons';
import { capitalised } from '../ui/capitalised';
import { dayName, today } from '../ui/days';
import { PrimaryButton } from '../ui/PrimaryButton';
import { Select } from '../ui/Select';
import { SPACE } from '../ui/theme';
import { TextButton } from '../ui/TextButton';
import { TextField } from '../ui/TextField';
import { WhenField } from '../ui/WhenField';
import { Text } from '../ui/Text';
import { SideBySide } from '../ui/SideBySide';
import type { SeasonEdit } from '../data/useSeasonEdit';

type Span = { from: string; to: string };

const spanText = ({ from, to }: Span) => (from === to ? dayName(from) : `${dayName(from)} to ${dayName(to)}`);

function spanProblem({ from, to }: Span): string | undefined {
  if (!isDate(from) || !isDate(to)) return 'Both days are needed.';
  return to < from ? 'The last day is before the first one.' : undefined;
}

function SpanFields({
  span,
  onChange,
  error,
}: {
  span: Span;
  onChange: (span: Span) => void;
  error: string | undefined;
}) {
  return (
    <SideBySide>
      <WhenField
        type="date"
        label="From"
        value={span.from}
        onChange={(from) => onChange({ from, to: span.to < from ? from : span.to })}
        error={error}
      />
      <WhenField type="date" label="To and with" value={span.to} onChange={(to) => onChange({ ...span, to })} />
    </SideBySide>
  );
}

function OffForm({ save, cancel }: { save: (span: Span, reason: string) => void; cancel: () => void }) {
  const [span, setSpan] = useState<Span>({ from: '', to: '' });
  const [reason, setReason] = useState('');
  const [error, setError] = useState<string>();
  const submit = () => {
    const problem = spanProblem(span);
    setError(problem);
    if (problem === undefined) save(span, reason.trim() || 'days off');
  };
  return (
    <View style={{ gap: SPACE.m }}>
      <SpanFields span={span} onChange={setSpan} error={error} />
      <TextField label="What for" value={reason} onChange={setReason} placeholder="holidays, exams" />
      <FormFoot save="Mark them off" onSave={submit} onCancel={cancel} />
    </View>
  );
}

type ExceptionProps = {
  athletes: readonly SquadMember[];
  save: (exception: AthleteException) => void;
  cancel: () => void;
};

function ExceptionForm({ athletes, save, cancel }: ExceptionProps) {
  const [athleteId, setAthleteId] = useState(athletes[0]?.id ?? '');
  const [kind, setKind] = useState<AthleteException['kind']>('away');
  const [span, setSpan] = useState<Span>({ from: today(), to: today() });
  const [error, setError] = useState<string>();
  const easing = spanProblem(span) === undefined ? easingDays({ kind, ...span }) : 0;
  const submit = () => {
    const problem = spanProblem(span);
    setError(problem);
    if (problem === undefined && athleteId !== '') save({ id: ulid(), athleteId, kind, ...span });
  };
  return (
    <View style={{ gap: SPACE.m }}>
      <Select
        label="Who"
        value={athleteId}
        options={athletes.map(({ id, name }) => ({ value: id, text: name }))}
        onChange={setAthleteId}
      />
      <Select
        label="What it is"
        value={kind}
        options={EXCEPTION_KINDS.map((value) => ({ value, text: capitalised(EXCEPTION_WORDS[value]) }))}
        onChange={setKind}
      />
      <SpanFields span={span} onChange={setSpan} error={error} />
      {easing > 0 && (
        <Text as="small" quiet>
          {`Then easing back for ${easing === 1 ? 'a day' : `${easing} days`}: less, at the pace of now. What a doctor says goes before it.`}
        </Text>
      )}
      <FormFoot save="Note it" onSave={submit} onCancel={cancel} />
    </View>
  );
}

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
          text={`${spanText(off)}: ${off.reason}`}
          label={`Take out ${off.reason}`}
          remove={() => edit.change({ kind: 'removeDaysOff', id: off.id }, `${capitalised(off.reason)}: taken out.`)}
        />
      ))}
      {form === 'off' ? (
        <OffForm
          save={(span, reason) => {
            setForm(undefined);
            edit.change(
              { kind: 'putDaysOff', off: { id: ulid(), ...span, reason } },
              `${capitalised(reason)}: marked off.`,
            );
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
