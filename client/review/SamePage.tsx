import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { Divider } from 'react-native-paper';
import type { SameSessions } from '@core/review/history';
import { kindsText } from '@core/review/sameSession';
import { bothRuns, chainedMeans, sideBySide, type RunTotals, type SideRun } from '@core/review/sideBySide';
import { counted } from '@core/units/counted';
import { formatRest, formatTime } from '@core/units/time';
import { everyoneIn, useSquad } from '../data/useSquad';
import { troubleText, useResultsInfiniteQuery, useSameSessionsQuery } from '../store/api';
import { DateLines } from '../ui/charts/Charts';
import { dayName } from '../ui/days';
import { Loading } from '../ui/Loading';
import { Page } from '../ui/Page';
import { Select } from '../ui/Select';
import { Table } from '../ui/Table';
import { TextButton } from '../ui/TextButton';
import { SPACE } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { Text } from '../ui/Text';
import { changeText, conditionsText, sideText } from './reviewText';
import { reachOf, SpreadStrip } from './SpreadStrip';
import { EFFORT_AXIS } from './weeks';

const EVERYONE = 'all';
const THE_SAME = 'same';

/** One run: when, the spread of it, what it came to, and what has changed since the one before. */
function Run({ side, same, reach, columns }: { side: SideRun; same: SameSessions; reach: number; columns: number }) {
  const { run, change } = side;
  const reps = same.reps.filter(({ runId }) => runId === run.runId);
  const conditions = conditionsText(run.conditions);
  return (
    <View role="listitem" style={{ gap: SPACE.xs }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s }}>
        <View style={{ flex: 1 }}>
          <Text as="strong">{dayName(run.date)}</Text>
          <Text as="small" quiet>
            {[run.step === undefined ? run.title : `step ${run.step}`, kindsText(run.kinds)].join(' · ')}
          </Text>
        </View>
        <TextButton
          label={`Open ${run.title} of ${dayName(run.date)}`}
          onPress={() => router.push(`/results/${run.runId}`)}
        >
          Open
        </TextButton>
      </View>
      {reps.some(({ percent }) => percent !== undefined) && (
        <SpreadStrip
          description={`Spread around the targets on ${dayName(run.date)}`}
          reps={reps}
          columns={columns}
          reach={reach}
        />
      )}
      <Text>{sideText(side)}</Text>
      {conditions !== undefined && <Text as="small">{`${conditions}.`}</Text>}
      {change && <Text as="small">{changeText(change)}</Text>}
      <Divider />
    </View>
  );
}

/** Rep for rep: a line a run, a column a rep. */
function RepForRep({ sides }: { sides: readonly SideRun[] }) {
  const columns = Math.max(...sides.map(({ reps }) => Math.max(0, ...reps.map(({ place }) => place + 1))));
  return (
    <Table
      label="Rep for rep"
      nameTitle="Day"
      columns={Array.from({ length: columns }, (_, i) => ({ key: String(i), title: `${i + 1}`, width: 72 }))}
      rows={sides.map(({ run, reps }) => ({
        key: run.runId,
        name: dayName(run.date),
        cells: Array.from({ length: columns }, (_, place) => {
          const rep = reps.find((candidate) => candidate.place === place);
          return (
            <View key={place} style={{ alignItems: 'flex-end' }}>
              <Text as="strong" quiet={!rep}>
                {rep ? formatTime(rep.timeS, 1) : '–'}
              </Text>
              {rep?.effort !== undefined && (
                <Text as="label" quiet>
                  {`effort ${rep.effort.toFixed(rep.effort % 1 === 0 ? 0 : 1)}`}
                </Text>
              )}
            </View>
          );
        }),
      }))}
    />
  );
}

/** The kind of rep that most runs have, as a chain of those who ran both of two in a row. */
function meansOver(same: SameSessions, sides: readonly SideRun[]) {
  const label = sides[0]?.kinds[0]?.label;
  if (label === undefined) return undefined;
  const chain = chainedMeans(same, label);
  const points = chain.map(({ date, meanS }) => ({ date, value: meanS }));
  const least = Math.min(...chain.slice(1).map(({ people }) => people));
  return points.length > 1 ? { label, points, least } : undefined;
}

const amount = (distanceM: number) => `${(distanceM / 1000).toFixed(1)} km`;

/** Two sessions athlete by athlete, of those who ran both: pace over 400 m, metres, effort. */
function Both({ same, nameOf }: { same: SameSessions; nameOf: (athleteId: string) => string }) {
  const rows = useMemo(() => bothRuns(same), [same]);
  const [now, before] = same.runs;
  if (!now || !before) return null;
  const cells = (part: RunTotals) => [
    <View key="pace" style={{ alignItems: 'flex-end' }}>
      <Text as="strong">{part.lapS === undefined ? '–' : formatTime(part.lapS, 1)}</Text>
      <Text as="label" quiet>
        {[amount(part.distanceM), ...(part.effort === undefined ? [] : [`effort ${part.effort}`])].join(', ')}
      </Text>
    </View>,
  ];
  return (
    <View style={{ gap: SPACE.xs }}>
      <Text as="heading" level={2}>
        {rows.length === 0 ? 'Nobody ran both' : `${counted(rows.length, 'athlete')} ran both`}
      </Text>
      {rows.length > 0 && (
        <Table
          label="Those who ran both"
          nameTitle="Athlete"
          columns={[before, now].map(({ runId, title, date }) => ({
            key: runId,
            title: dayName(date),
            under: title.slice(0, 22),
            width: 150,
          }))}
          rows={rows.map(({ athleteId, now: nowPart, before: beforePart }) => ({
            key: athleteId,
            name: nameOf(athleteId),
            cells: [...cells(beforePart), ...cells(nowPart)],
          }))}
        />
      )}
      <Text as="small" quiet>
        Mean pace over 400 m of what was run, metres, and effort.
      </Text>
    </View>
  );
}

type SidesProps = { same: SameSessions; name: string; nameOf: (athleteId: string) => string };

function Sides({ same, name, nameOf }: SidesProps) {
  const sides = useMemo(() => sideBySide(same), [same]);
  const reach = reachOf(same.reps);
  const columns = Math.max(1, ...same.reps.map(({ place }) => place + 1));
  const means = meansOver(same, sides);
  const efforts = [...sides]
    .reverse()
    .flatMap(({ run, effort }) => (effort === undefined ? [] : [{ date: run.date, value: effort }]));
  if (sides.length < 2) return <Text quiet>It was run once so far. The next time it stands here beside this one.</Text>;
  return (
    <View style={{ gap: SPACE.l }}>
      {means && (
        <View style={{ gap: SPACE.xs }}>
          <Text as="heading" level={2}>{`${means.label}, on average`}</Text>
          <DateLines
            description={`${name}, ${means.label} on average: ${means.points.map(({ date, value }) => `${formatTime(value, 1)} on ${dayName(date)}`).join(', ')}.`}
            lines={[{ points: means.points, kind: 'main' }]}
            text={formatTime}
            steps={[0.2, 0.5, 1, 2, 5, 10, 15, 30, 60]}
            isUpsideDown
          />
          <Text as="small" quiet>
            {`From each time to the next by those who ran both: ${counted(means.least, 'athlete')} at least.`}
          </Text>
        </View>
      )}
      {efforts.length > 1 && (
        <View style={{ gap: SPACE.xs }}>
          <Text as="heading" level={2}>
            Effort
          </Text>
          <DateLines
            description={`${name}, effort: ${efforts.map(({ date, value }) => `${value.toFixed(1)} on ${dayName(date)}`).join(', ')}.`}
            lines={[{ points: efforts, kind: 'main' }]}
            text={(value, digits) => value.toFixed(digits)}
            steps={[]}
            axis={EFFORT_AXIS}
          />
        </View>
      )}
      {same.runs[0]?.relation === 'chosen' && <Both same={same} nameOf={nameOf} />}
      <View role="list" style={{ gap: SPACE.m }}>
        {sides.map((side) => (
          <Run key={side.run.runId} side={side} same={same} reach={reach} columns={columns} />
        ))}
      </View>
      <View style={{ gap: SPACE.xs }}>
        <Text as="heading" level={2}>
          Rep for rep
        </Text>
        <RepForRep sides={sides} />
      </View>
      <Text as="small" quiet>
        {`Rests as they were taken: ${sides.map(({ run, restS }) => `${dayName(run.date)} ${restS === undefined ? 'not known' : formatRest(restS)}`).join(', ')}.`}
      </Text>
    </View>
  );
}

/** The same session over the weeks, or the steps of a progression, for the squad or for one. */
export function SamePage({ runId, athleteId: asked }: { runId: string; athleteId?: string | undefined }) {
  const [athleteId, setAthleteId] = useState(asked ?? EVERYONE);
  const [beside, setBeside] = useState(THE_SAME);
  const others = useResultsInfiniteQuery({}).data?.pages.flatMap(({ rows }) => rows) ?? [];
  const other = beside === THE_SAME ? {} : { beside };
  const { squad } = useSquad();
  const { data, error, refetch } = useSameSessionsQuery({
    runId,
    ...other,
    ...(athleteId === EVERYONE ? {} : { athleteId }),
  });
  const whole = useSameSessionsQuery({ runId, ...other }).data;
  const ran = new Set(whole?.athletes.flatMap((part) => (part.isThere ? [part.athleteId] : [])));
  const people = squad ? everyoneIn(squad).filter(({ id }) => ran.has(id)) : [];
  const nameOf = (id: string) => people.find((athlete) => athlete.id === id)?.name ?? 'Athlete';
  const name = people.find(({ id }) => id === athleteId)?.name ?? 'Everyone';
  return (
    <Page
      title={data?.progression ?? 'The same session'}
      subtitle={data?.progression === undefined ? data?.runs.find((run) => run.runId === runId)?.title : 'step by step'}
      onBack={() => router.replace(`/results/${runId}`)}
      backLabel="Back to the session"
    >
      <Select
        label="Beside"
        options={[
          { value: THE_SAME, text: 'The same session' },
          ...others
            .filter(({ id }) => id !== runId)
            .map(({ id, title, date }) => ({ value: id, text: `${dayName(date)}: ${title}` })),
        ]}
        value={beside}
        onChange={setBeside}
      />
      {people.length > 0 && (
        <Select
          label="Whose"
          options={[
            { value: EVERYONE, text: 'Everyone' },
            ...people.map(({ id, name: text }) => ({ value: id, text })),
          ]}
          value={athleteId}
          onChange={setAthleteId}
        />
      )}
      {error ? (
        <Trouble retry={() => void refetch()}>{troubleText(error)}</Trouble>
      ) : data ? (
        <Sides same={data} name={name} nameOf={nameOf} />
      ) : (
        <Loading />
      )}
    </Page>
  );
}
