import { counted } from '@core/units/counted';
import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import type { PaceMetres, RanRep } from '@core/review/history';
import { kindsText } from '@core/review/sameSession';
import { weeksOf, type SessionOfWeek } from '@core/review/story';
import { daysAfter } from '@core/units/dayNumber';
import { FitnessChart } from '../parts/FitnessChart';
import { calibrationText } from '../data/tellingText';
import { memberOf, pacesOf, useSquad } from '../data/useSquad';
import { useTellings } from '../data/useTellings';
import { troubleText, useAthleteHistoryQuery } from '../store/api';
import { DateLines } from '../ui/charts/Charts';
import { dayName, today } from '../ui/days';
import { Loading } from '../ui/Loading';
import { Press } from '../ui/Press';
import { SPACE, usePalette } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { Text } from '../ui/Text';
import { Later } from '../ui/Later';
import { LoadPart } from './LoadPart';
import { evennessText } from './reviewText';
import { SaveRows } from './SaveRows';
import { reachOf, SpreadStrip } from './SpreadStrip';
import { EFFORT_AXIS, weeksBack, type Weeks } from './weeks';
import { WeeksPicker } from './WeeksPicker';

/** Where somebody was missing, and why as far as that was noted. */
function missingText({ part }: SessionOfWeek): string {
  return part?.presence === 'late' ? 'came late' : 'not there';
}

type SessionProps = { session: SessionOfWeek; athleteId: string; reps: readonly RanRep[]; reach: number };

/** A session in one row: its spread, how even, and how hard. */
function Session({ session, athleteId, reps, reach }: SessionProps) {
  const palette = usePalette();
  const { run, part } = session;
  const ownReps = reps.filter(({ runId }) => runId === run.runId);
  const effort = part?.sessionEffort ?? part?.lastEffort;
  const text = part
    ? [
        `${part.finished} of ${counted(part.planned, 'rep')}`,
        ...(part.evennessPercent === undefined ? [] : [evennessText(part)]),
        ...(effort === undefined ? [] : [`effort ${effort}`]),
        ...(part.isStopped ? ['stopped'] : []),
      ].join(' · ')
    : missingText(session);
  return (
    <Press
      role="link"
      aria-label={`${run.title}, ${dayName(run.date)}: ${text}`}
      onPress={() => router.push(part ? `/results/${run.runId}/${athleteId}` : `/results/${run.runId}`)}
      style={{
        minHeight: 48,
        paddingVertical: SPACE.xs,
        gap: 2,
        borderBottomWidth: 1,
        borderBottomColor: palette.line,
      }}
    >
      <View style={{ flexDirection: 'row', gap: SPACE.s, alignItems: 'center' }}>
        <View style={{ flex: 1 }}>
          <Text as="strong" quiet={!part}>
            {run.title}
          </Text>
          <Text as="small" quiet>
            {`${dayName(run.date)} · ${text}`}
          </Text>
        </View>
        {ownReps.some(({ percent }) => percent !== undefined) && (
          <View style={{ width: 112 }}>
            <SpreadStrip
              description={`Spread of ${run.title}`}
              reps={ownReps}
              columns={Math.max(...ownReps.map(({ place }) => place + 1))}
              reach={reach}
              height={36}
            />
          </View>
        )}
      </View>
    </Press>
  );
}

/** Metres by pace on each day, of the reps of one athlete. */
const metresOf = (reps: readonly RanRep[], dates: ReadonlyMap<string, string>): PaceMetres[] =>
  reps.map(({ athleteId, runId, pace = '', distanceM, coveredM = 0 }) => ({
    athleteId,
    pace,
    date: dates.get(runId) ?? '',
    distanceM: distanceM ?? coveredM,
  }));

/** One athlete's sessions over some weeks: attended by week, evenness and effort over time, load, and what was noted. */
export function AthleteStory({ athleteId }: { athleteId: string }) {
  const [weeks, setWeeks] = useState<Weeks>('14');
  const window = useMemo(() => weeksBack(Number(weeks)), [weeks]);
  const { data, error, refetch } = useAthleteHistoryQuery({ athleteId, ...window });
  const calibration = useTellings(daysAfter(today(), 1))?.[athleteId];
  const { squad } = useSquad();
  const athlete = squad && memberOf(squad, athleteId);
  const name = athlete?.name ?? 'Athlete';
  const members = useMemo(() => (athlete ? [athlete] : []), [athlete]);
  const metres = useMemo(
    () => (data ? metresOf(data.reps, new Map(data.runs.map(({ runId, date }) => [runId, date]))) : []),
    [data],
  );
  if (error) return <Trouble retry={() => void refetch()}>{troubleText(error)}</Trouble>;
  if (!data) return <Loading />;
  const story = weeksOf(data, window).filter(({ sessions }) => sessions.length > 0);
  const dates = new Map(data.runs.map(({ runId, date }) => [runId, date]));
  const parts = [...data.athletes].filter(({ isThere, runId }) => isThere && dates.has(runId));
  parts.sort((a, b) => (dates.get(a.runId) ?? '').localeCompare(dates.get(b.runId) ?? ''));
  const over = (of: (part: (typeof parts)[number]) => number | undefined) =>
    parts.flatMap((part) => {
      const value = of(part);
      return value === undefined ? [] : [{ date: dates.get(part.runId) ?? '', value }];
    });
  const even = over((part) => part.evennessPercent);
  const efforts = over((part) => part.sessionEffort ?? part.lastEffort);
  const reach = reachOf(data.reps);
  const kinds = new Map<string, number>();
  for (const { runId } of parts) {
    const run = data.runs.find((head) => head.runId === runId);
    if (run) kinds.set(kindsText(run.kinds), (kinds.get(kindsText(run.kinds)) ?? 0) + 1);
  }
  return (
    <View style={{ gap: SPACE.l }}>
      <WeeksPicker value={weeks} onChange={setWeeks} />
      <View>
        <Text>{`${parts.length} of ${counted(data.runs.length, 'session')}.`}</Text>
        {calibration && <Text as="small">{calibrationText(calibration)}</Text>}
      </View>
      {even.length > 1 && (
        <View style={{ gap: SPACE.xs }}>
          <Text as="heading" level={2}>
            Unevenness from rep to rep, in %
          </Text>
          <DateLines
            description={`${name}, unevenness: ${even.map(({ date, value }) => `${value.toFixed(1)} % on ${dayName(date)}`).join(', ')}.`}
            lines={[{ points: even, kind: 'main' }]}
            text={(value, digits) => value.toFixed(digits)}
            steps={[0.2, 0.5, 1, 2]}
          />
        </View>
      )}
      {efforts.length > 1 && (
        <View style={{ gap: SPACE.xs }}>
          <Text as="heading" level={2}>
            Effort of the session
          </Text>
          <DateLines
            description={`${name}, effort: ${efforts.map(({ date, value }) => `${value} on ${dayName(date)}`).join(', ')}.`}
            lines={[{ points: efforts, kind: 'main' }]}
            text={(value, digits) => value.toFixed(digits)}
            steps={[]}
            axis={EFFORT_AXIS}
          />
        </View>
      )}
      <Later>
        {athlete && <FitnessChart athlete={athlete} paces={pacesOf(athlete, squad, today())} />}
        <LoadPart
          name={name}
          runs={data.runs}
          athletes={data.athletes}
          metres={metres}
          window={window}
          members={members}
        />
      </Later>
      <View role="list" aria-label="Sessions by week" style={{ gap: SPACE.m }}>
        {story.map(({ from, sessions, attended }) => (
          <View role="listitem" key={from}>
            <Text as="label" quiet>{`Week of ${dayName(from)} · ${attended} of ${sessions.length}`}</Text>
            {sessions.map((session) => (
              <Session key={session.run.runId} session={session} athleteId={athleteId} reps={data.reps} reach={reach} />
            ))}
          </View>
        ))}
      </View>
      {kinds.size > 0 && (
        <View style={{ gap: 2 }}>
          <Text as="heading" level={2}>
            What it was
          </Text>
          {[...kinds].map(([text, times]) => (
            <Text as="small" key={text}>{`${times} × ${text}`}</Text>
          ))}
        </View>
      )}
      {data.notes.length > 0 && (
        <View style={{ gap: 2 }}>
          <Text as="heading" level={2}>
            Noted
          </Text>
          {data.notes.map(({ runId, date, text }, i) => (
            <Text key={`${runId} ${i}`}>{`${dayName(date)}: ${text}`}</Text>
          ))}
          <Text as="small" quiet>
            Pain, dizziness or illness: stop. Medical advice comes first.
          </Text>
        </View>
      )}
      <View style={{ alignItems: 'flex-start' }}>
        <SaveRows name={name} window={window} athleteId={athleteId} />
      </View>
    </View>
  );
}
