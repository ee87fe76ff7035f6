import { parseISO } from 'date-fns/parseISO';
import { router } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import type { DayPlan } from '@core/planning/dayPlan';
import { cellKey, columnsOf, enteredRun, readCell, type Typed } from '@core/run/entered';
import type { Placed } from '@core/run/pasteTimes';
import type { Plan, PlannedGroup } from '@core/run/plan';
import { formatExactTime } from '@core/units/time';
import { mainPart } from '../../data/sessionView';
import { WithSession } from '../../parts/WithSession';
import type { SquadView } from '../../data/useSquad';
import type { ScheduledSession } from '@core/api/answers';
import { dayName } from '../../ui/days';
import { Empty } from '../../ui/Empty';
import { FilePicker, type PickedFile } from '../../ui/FilePicker';
import { Page } from '../../ui/Page';
import { PrimaryButton } from '../../ui/PrimaryButton';
import { Select } from '../../ui/Select';
import { SmallButton } from '../../ui/SmallButton';
import { SPACE } from '../../ui/theme';
import { TickRow } from '../../ui/TickRow';
import { Trouble } from '../../ui/Trouble';
import { Text } from '../../ui/Text';
import { presenceOf } from '../before/rollCall';
import { keptSaid } from '../before/rollMemory';
import { NotTaken, takeToTrack } from '../../log/recorder';
import { nowMs } from '../../log/trackClock';
import { useTodaysPlan } from '../useTodaysPlan';
import { Grid } from './Grid';
import { matchLaps, readWatchLaps } from '@core/formats/watchLaps';

const NOTHING: DayPlan = {};
const draftKey = (sessionId: string) => `zest-lap-typed-${sessionId}`;

/** What has been typed, kept in this tab until it is saved. */
function useDraftCells(sessionId: string) {
  const [typed, setTyped] = useState<Typed>(() => {
    try {
      return JSON.parse(sessionStorage.getItem(draftKey(sessionId)) ?? '{}') as Typed;
    } catch {
      return {};
    }
  });
  useEffect(() => {
    try {
      sessionStorage.setItem(draftKey(sessionId), JSON.stringify(typed));
    } catch {
      // Without storage it lasts for as long as the page is open.
    }
  }, [sessionId, typed]);
  return [typed, setTyped] as const;
}

type Remark = { key: string; text: string; isWrong: boolean };

/** Everything that cannot be read, and what is hardly believable. */
function remarksOn({ groups }: Plan, typed: Typed): Remark[] {
  return groups.flatMap((group) =>
    group.athletes.flatMap(({ athleteId, name, targets }) =>
      columnsOf(group, typed).flatMap((column, i): Remark[] => {
        const rep = group.reps[column.repIndex];
        if (!rep) return [];
        const key = cellKey(athleteId, column.key);
        const cell = readCell(typed[key] ?? '', rep, targets[column.repIndex]);
        const where = `${name}, rep ${i + 1}`;
        if (cell.kind === 'problem') return [{ key, text: `${where}: ${cell.message}`, isWrong: true }];
        if (cell.kind !== 'time') return [];
        if (cell.doubt) return [{ key, text: `${where}: really? ${cell.doubt}`, isWrong: false }];
        return cell.readAs ? [{ key, text: `${where}: ${cell.readAs}`, isWrong: false }] : [];
      }),
    ),
  );
}

/** One athlete's row from the laps of their watch. */
function FromWatch({ groups, onType }: { groups: readonly PlannedGroup[]; onType: (cells: Typed) => void }) {
  const everyone = groups.flatMap(({ athletes }) => athletes);
  const [athleteId, choose] = useState(everyone[0]?.athleteId ?? '');
  const [text, setText] = useState<string>();
  const take = ({ bytes }: PickedFile) => {
    const read = readWatchLaps(bytes);
    if (!read.ok) return setText(read.message);
    const group = groups.find(({ athletes }) => athletes.some((athlete) => athlete.athleteId === athleteId));
    const athlete = group?.athletes.find((athlete) => athlete.athleteId === athleteId);
    if (!group || !athlete) return;
    const reps = group.reps.map(({ distanceM }, i) => {
      const { targetS } = athlete.targets[i] ?? {};
      return { ...(distanceM === undefined ? {} : { distanceM }), ...(targetS === undefined ? {} : { targetS }) };
    });
    const laps = matchLaps(read.laps, reps);
    onType(
      Object.fromEntries(
        laps.flatMap((lap, i) => (lap ? [[cellKey(athleteId, i), formatExactTime(lap.timeS)] as const] : [])),
      ),
    );
    const found = laps.filter(Boolean).length;
    setText(`${found} of ${reps.length} reps found among ${read.laps.length} laps. Look them over above.`);
  };
  return (
    <View style={{ gap: SPACE.s, maxWidth: 480 }}>
      <Select
        label="Laps are those of"
        options={everyone.map((athlete) => ({ value: athlete.athleteId, text: athlete.name }))}
        value={athleteId}
        onChange={choose}
      />
      <FilePicker title="Laps from a watch" accept=".csv,.txt,text/csv,text/plain" onPick={take}>
        A CSV with one lap a row. Recoveries among the laps are left out by their length.
      </FilePicker>
      {text !== undefined && (
        <View role="status">
          <Text as="small">{text}</Text>
        </View>
      )}
    </View>
  );
}

function Enter({ session, squad }: { session: ScheduledSession; squad: SquadView }) {
  const { plan: decided = NOTHING, id: sessionId, date, startTime } = session;
  const { athletes } = squad;
  const [isAll, setAll] = useState(false);
  // Who was ticked off at roll call was not there to run it.
  const today = useMemo(() => {
    const presences = isAll ? {} : keptSaid(sessionId).presences;
    const taking = Object.fromEntries(
      athletes.map((athlete) => [athlete.id, presenceOf(decided, presences, athlete) !== 'absent']),
    );
    return { ...decided, taking };
  }, [decided, athletes, sessionId, isAll]);
  const away = Object.entries(keptSaid(sessionId).presences).filter(([, presence]) => presence === 'absent').length;
  const { tree, plan } = useTodaysPlan(session, squad, today);
  const [typed, setTyped] = useDraftCells(sessionId);
  const [pasted, setPasted] = useState<{ before: Typed; count: number; doubts: string[] }>();
  const [trouble, setTrouble] = useState<string>();
  const back = () => router.replace('/track');
  if (!tree || plan.groups.every(({ reps, athletes }) => reps.length === 0 || athletes.length === 0))
    return (
      <Page title={session.title} onBack={back} backLabel="Back to the track">
        <Empty
          title="Nothing to enter"
          action={{ label: 'Go to the session', onPress: () => router.replace(`/sessions/${sessionId}`) }}
        >
          A session that can be read, with reps to time and somebody to run them, can be entered.
        </Empty>
      </Page>
    );
  const remarks = remarksOn(plan, typed);
  const wrong = remarks.filter(({ isWrong }) => isWrong).length;
  const filled = Object.values(typed).filter((text) => text.trim() !== '').length;
  const onType = (cells: Typed) => {
    setPasted(undefined);
    setTyped((before) => ({ ...before, ...cells }));
  };
  const onPaste = ({ cells, doubts }: Placed) => {
    setPasted({ before: typed, count: Object.keys(cells).length, doubts });
    setTyped((before) => ({ ...before, ...cells }));
  };
  const save = async () => {
    const startAtMs = parseISO(`${date}T${startTime ?? '17:00'}`).getTime();
    const { plan: laidOut, happened } = enteredRun(plan, typed, startAtMs, nowMs());
    try {
      await takeToTrack(laidOut, happened);
      setTyped({});
      sessionStorage.removeItem(draftKey(sessionId));
      router.replace(`/results/${laidOut.id}`);
    } catch (error) {
      setTrouble(
        error instanceof NotTaken
          ? `These times cannot be kept: ${error.message} Your typing is still here.`
          : 'This phone would not keep the times: its storage is full or switched off. Your typing is still here.',
      );
    }
  };
  return (
    <Page
      title={session.title}
      subtitle={`${dayName(date)} · ${mainPart(tree)}`}
      onBack={back}
      backLabel="Back to the track"
      footer={
        <>
          {trouble !== undefined && <Trouble>{trouble}</Trouble>}
          {wrong > 0 && (
            <Text as="small">{`${wrong} ${wrong === 1 ? 'time' : 'times'} cannot be read yet: see under the grid.`}</Text>
          )}
          <PrimaryButton main disabled={filled === 0 || wrong > 0} onPress={() => void save()}>
            Save these times
          </PrimaryButton>
        </>
      }
    >
      <Text as="small" quiet>
        Times as you write them: 1:28.4, 88.4, 1.28. A dash or nothing for a rep not run. Enter goes down; a block from
        a spreadsheet can be pasted.
      </Text>
      {plan.groups.map((group) => (
        <View key={group.id} style={{ gap: SPACE.xs }}>
          {plan.groups.length > 1 && (
            <Text as="heading" level={2}>
              {group.name}
            </Text>
          )}
          <Grid group={group} typed={typed} onType={onType} onPaste={onPaste} />
        </View>
      ))}
      {pasted && (
        <View role="status" style={{ gap: SPACE.xs }}>
          <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.m }}>
            <Text style={{ flexShrink: 1 }}>
              {pasted.count === 1 ? '1 time pasted.' : `${pasted.count} times pasted.`}
            </Text>
            <SmallButton
              onPress={() => {
                setTyped(pasted.before);
                setPasted(undefined);
              }}
            >
              Undo the paste
            </SmallButton>
          </View>
          {pasted.doubts.map((doubt) => (
            <Text as="small" key={doubt}>
              {doubt}
            </Text>
          ))}
        </View>
      )}
      {away > 0 && (
        <TickRow
          label={away === 1 ? 'Show also the one who was ticked off' : `Show also the ${away} who were ticked off`}
          checked={isAll}
          onChange={setAll}
        />
      )}
      {remarks.length > 0 && (
        <View role="list" aria-label="What to look at" style={{ gap: SPACE.xs }}>
          {remarks.slice(0, 20).map(({ key, text }) => (
            <View role="listitem" key={key}>
              <Text as="small">{text}</Text>
            </View>
          ))}
        </View>
      )}
      <FromWatch groups={plan.groups} onType={onType} />
    </Page>
  );
}

/** A session entered afterwards, from a clipboard or from watches. */
export function EnterPage({ sessionId }: { sessionId: string }) {
  return (
    <WithSession id={sessionId} title="Enter times" backTo="the track" back={() => router.replace('/track')}>
      {(session, squad) => <Enter session={session} squad={squad} />}
    </WithSession>
  );
}
