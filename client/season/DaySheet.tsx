import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import type { SeasonChange } from '@core/season/changes';
import { CHOOSABLE_KINDS } from '@core/season/changes';
import { isToRun } from '@core/season/load';
import type { DayKind, SeasonDay } from '@core/season/season';
import type { SquadMember } from '@core/squad/athlete';
import type { LaidSeason } from '../data/useSeasons';
import { today } from '../ui/days';
import { ModalSheet } from '../ui/ModalSheet';
import { PrimaryButton } from '../ui/PrimaryButton';
import { RadioRow } from '../ui/RadioRow';
import { Select } from '../ui/Select';
import { SmallButton } from '../ui/SmallButton';
import { SPACE } from '../ui/theme';
import { TextField } from '../ui/TextField';
import { WhenField } from '../ui/WhenField';
import { Text } from '../ui/Text';
import { ChangeAsked } from './ChangeAsked';
import { DayDone } from './DayDone';
import { athletesIn } from './seasonChecks';
import { KIND_CHOICES } from './seasonText';
import { useOpenDay } from './useOpenDay';
import { useSeasonEdit } from '../data/useSeasonEdit';
import { wentText, type DayEntry } from './weekView';

const MISSED = {
  next: 'Run it on the next hard day',
  slide: 'Leave it to the next turn of its thread',
  skip: 'Let it go',
} as const;

/** A hard day that is over and was not run: what becomes of its session. */
function Missed({ date, change }: { date: string; change: (change: SeasonChange, noticeText: string) => void }) {
  return (
    <View style={{ gap: SPACE.xs }}>
      <Text as="strong">It was not run</Text>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        {(['next', 'slide', 'skip'] as const).map((how) => (
          <SmallButton key={how} onPress={() => change({ kind: 'miss', date, how }, 'That is settled.')}>
            {MISSED[how]}
          </SmallButton>
        ))}
      </View>
    </View>
  );
}

type Props = {
  entry: DayEntry;
  /** Sessions of that day written outside the season. */
  also: readonly DayEntry[];
  date: string;
  laid: LaidSeason;
  athletes: readonly SquadMember[];
  close: () => void;
};

/** One day of a season: what is run, and everything a coach can change about it. */
export function DaySheet({ entry, also, date, laid, athletes, close }: Props) {
  const { season } = laid;
  const day: SeasonDay = entry.day ?? { date, kind: entry.kind };
  const edit = useSeasonEdit(laid);
  const { open, isWriting } = useOpenDay();
  const [to, setTo] = useState(date);
  const [note, setNote] = useState(day.note ?? '');
  const isPast = date < today();
  const { run, session, shorthand, detail, trouble } = entry;
  const isRun = run !== undefined;
  const { change } = edit;
  const setKind = (kind: DayKind) =>
    change({ kind: 'setDay', date, day: { kind } }, `${format(parseISO(date), 'EEEE')} is changed.`);
  const threads = season.threads;
  return (
    <ModalSheet title={format(parseISO(date), 'EEEE d MMMM')} close={close}>
      <View style={{ gap: SPACE.xs }}>
        <Text as="heading" level={3}>
          {entry.title}
        </Text>
        {run ? <Text>{wentText(run)}</Text> : detail !== undefined && !entry.done && <Text>{detail}</Text>}
        {trouble !== undefined && <Text>{trouble}</Text>}
        {day.because === 'pinned' && <Text quiet>Pinned: it stays here when the rest is laid out again.</Text>}
        {day.missed && <Text quiet>It was not run.</Text>}
      </View>
      {also.map(({ key, title, session: written, run: ran }) => (
        <View key={key} style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s }}>
          <Text style={{ flex: 1 }}>{`${title}${ran ? `: ${wentText(ran)}` : ''}`}</Text>
          <SmallButton
            label={`${ran ? 'Read' : 'Plan'} ${title}`}
            onPress={() => router.push(ran ? `/results/${ran.id}` : `/sessions/plan/${written?.id ?? ''}`)}
          >
            {ran ? 'Read it' : 'Plan'}
          </SmallButton>
        </View>
      ))}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        {run && (
          <PrimaryButton main onPress={() => router.push(`/results/${run.id}`)}>
            Read it
          </PrimaryButton>
        )}
        {!isRun && shorthand !== undefined && (
          <>
            <PrimaryButton main icon="track" disabled={isWriting} onPress={() => void open(entry, date, 'track')}>
              To the track
            </PrimaryButton>
            <PrimaryButton disabled={isWriting} onPress={() => void open(entry, date, 'plan')}>
              Plan
            </PrimaryButton>
            <PrimaryButton disabled={isWriting} onPress={() => void open(entry, date, 'write')}>
              {session ? 'Change the text' : 'Write it out'}
            </PrimaryButton>
          </>
        )}
      </View>
      {edit.proposed ? (
        <ChangeAsked proposed={edit.proposed} season={season} take={edit.take} leave={edit.leave} />
      ) : (
        <>
          {date <= today() && !isRun && !also.some(({ run: ran }) => ran) && isToRun(day) && (
            <DayDone
              key={JSON.stringify(entry.done)}
              day={day}
              done={entry.done}
              season={season}
              athletes={athletesIn(laid, athletes)}
              change={change}
            />
          )}
          {isPast && entry.kind === 'hard' && !isRun && !entry.done && !day.missed && (
            <Missed date={date} change={change} />
          )}
          {!isRun && entry.kind !== 'race' && (
            <View role="radiogroup" aria-label="What the day is for" style={{ gap: 0 }}>
              <Text as="strong">What the day is for</Text>
              <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.l }}>
                {CHOOSABLE_KINDS.map((kind) => (
                  <View key={kind} style={{ width: '46%' }}>
                    <RadioRow label={KIND_CHOICES[kind]} chosen={day.kind === kind} onChoose={() => setKind(kind)} />
                  </View>
                ))}
              </View>
            </View>
          )}
          {!isRun && day.kind === 'hard' && !session && threads.length > 0 && (
            <Select
              label="Thread"
              value={day.thread?.id ?? ''}
              options={[
                ...(day.thread ? [] : [{ value: '', text: day.special ? 'A session of its own' : 'None' }]),
                ...threads.map(({ id, name }) => ({ value: id, text: name })),
              ]}
              onChange={(threadId) =>
                threadId !== '' &&
                change({ kind: 'setDay', date, day: { kind: 'hard', threadId } }, 'The thread is changed.')
              }
            />
          )}
          {entry.kind !== 'race' && !session && (
            <View style={{ flexDirection: 'row', alignItems: 'flex-end', gap: SPACE.s }}>
              <View style={{ flex: 1 }}>
                <TextField
                  label="Note"
                  value={note}
                  onChange={(text) => setNote(text.slice(0, 200))}
                  placeholder="strength, mobility, bike"
                />
              </View>
              <PrimaryButton
                disabled={note.trim() === (day.note ?? '')}
                onPress={() =>
                  change(
                    {
                      kind: 'setDay',
                      date,
                      day: {
                        kind: day.kind,
                        ...(day.thread ? { threadId: day.thread.id } : {}),
                        ...(note.trim() === '' ? {} : { note: note.trim() }),
                      },
                    },
                    'The note is kept.',
                  )
                }
              >
                Keep
              </PrimaryButton>
            </View>
          )}
          {!isRun && entry.kind !== 'race' && (
            <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'flex-end', gap: SPACE.s }}>
              <View style={{ minWidth: 170, flexGrow: 1 }}>
                <WhenField type="date" label="Change places with" value={to} onChange={setTo} />
              </View>
              <PrimaryButton
                disabled={to === date || to === ''}
                onPress={() => change({ kind: 'swap', from: date, to }, 'The days have changed places.')}
              >
                Move
              </PrimaryButton>
              {day.because === 'pinned' ? (
                <PrimaryButton icon="pin" onPress={() => change({ kind: 'unpin', date }, 'The pin is gone.')}>
                  Let go of the pin
                </PrimaryButton>
              ) : (
                !day.because && (
                  <PrimaryButton icon="pin" onPress={() => change({ kind: 'pin', date }, 'The day is pinned.')}>
                    Pin
                  </PrimaryButton>
                )
              )}
            </View>
          )}
        </>
      )}
    </ModalSheet>
  );
}
