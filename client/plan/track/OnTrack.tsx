import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { ulid } from 'ulid';
import { changeOf } from '@core/planning/changes';
import { USUAL_WINDOW_S, withStartGaps, type DayGroup } from '@core/planning/dayPlan';
import { legsOfRun, trafficOf, type GroupRun } from '@core/planning/groupTargets';
import { itemRows } from '@core/planning/itemRows';
import { isWork } from '@core/targets/targetsFor';
import { busySpans, clockAt, mainStartS } from '@core/track/busy';
import { markedJogs } from '@core/venue/recoveryDistance';
import { repPlaces } from '@core/track/repPlaces';
import { standingPlace } from '@core/track/standing';
import { EXACT_UP_TO, solveStartGaps } from '@core/track/startGaps';
import { clashesOf, type StartGaps } from '@core/track/traffic';
import { formatItem } from '@core/session/formatSession';
import { drawingOf } from '../../data/sessionView';
import { Choice } from '../../ui/Choice';
import { Empty } from '../../ui/Empty';
import { LapSheet } from '../../ui/LapSheet';
import { PrimaryButton } from '../../ui/PrimaryButton';
import { SmallButton } from '../../ui/SmallButton';
import { Stepper } from '../../ui/Stepper';
import { SPACE } from '../../ui/theme';
import { useWide } from '../../ui/useWide';
import { Words } from '../../ui/Words';
import type { Planning } from '../../data/usePlanning';
import { BusyTimes } from './BusyTimes';
import { GapSlider } from './GapSlider';
import { clashText, jogText, laneText, placesText, standingText, walkText } from './trackWords';
import { letterOf } from './trafficPlaces';
import { TrafficView } from './TrafficView';

const gapsOf = (groups: readonly DayGroup[]): StartGaps =>
  Object.fromEntries(groups.map(({ id, startGapS = 0 }) => [id, startGapS]));

const clashesSay = (n: number) => (n === 0 ? 'Nobody comes in together' : n === 1 ? '1 clash' : `${n} clashes`);
/** More than this need not be read one by one. */
const MOST_SHOWN = 8;

/** Who is where when, and by how much to start the groups apart. */
function Traffic({ planning, lineM }: { planning: Planning; lineM: number }) {
  const { runs, groups, venue, plan, decide, session } = planning;
  const windowS = plan.windowS ?? USUAL_WINDOW_S;
  // Where a start is being dragged to, until it is let go.
  const [moved, setMoved] = useState<StartGaps>();
  const kept = useMemo(() => gapsOf(groups), [groups]);
  const gaps = moved ?? kept;
  const traffic = useMemo(
    () => runs.filter(({ members }) => members.length > 0).map((run) => trafficOf(run, venue)),
    [runs, venue],
  );
  const startTime = session.startTime ?? '00:00';
  const leadS = Math.max(0, ...runs.map((run) => mainStartS(legsOfRun(run))));
  const busy = useMemo(
    () => (session.startTime === undefined ? [] : busySpans(plan.busy ?? [], startTime, leadS)),
    [plan.busy, session.startTime, startTime, leadS],
  );
  const clashes = clashesOf(traffic, gaps, windowS);
  const nameOf = (id: string) => groups.find((group) => group.id === id)?.name ?? '';
  const put = (next: StartGaps, says?: string) => {
    decide({ groups: withStartGaps(groups, next, ulid()) }, says);
  };
  const solve = () => {
    const { gaps: best, cost, isExact } = solveStartGaps(traffic, { windowS, busy });
    setMoved(undefined);
    put(
      best,
      `${cost.clashes === 0 ? 'No clashes left' : `${clashesSay(cost.clashes)} left`}: ${isExact ? 'there is no better way in steps of 5 s up to 2 minutes' : `found by trying, as there are more than ${EXACT_UP_TO} groups`}.`,
    );
  };
  if (traffic.length === 0) return null;
  return (
    <View role="region" aria-label="Traffic" style={{ gap: SPACE.m }}>
      <View>
        <Words as="heading" level={2}>
          Who is where when
        </Words>
        {session.startTime !== undefined && (
          <Words as="small" quiet>
            {`The main part should begin about ${clockAt(session.startTime, leadS)}.`}
          </Words>
        )}
      </View>
      <TrafficView
        traffic={traffic}
        names={traffic.map(({ id }) => nameOf(id))}
        gaps={gaps}
        clashes={clashes}
        busy={busy}
        venue={venue}
        lineM={lineM}
      />
      <View>
        {traffic.map(({ id }, i) => (
          <GapSlider
            key={id}
            letter={letterOf(i)}
            name={nameOf(id)}
            gapS={gaps[id] ?? 0}
            onMove={(gapS) => setMoved({ ...gaps, [id]: gapS })}
            onDone={() => {
              if (!moved) return;
              setMoved(undefined);
              if ((moved[id] ?? 0) !== (kept[id] ?? 0)) put(moved);
            }}
          />
        ))}
      </View>
      <View style={{ gap: SPACE.xs }}>
        <Words as="strong" live="polite">
          {clashesSay(clashes.length)}
        </Words>
        {clashes.slice(0, MOST_SHOWN).map((clash, i) => (
          <Words as="small" key={i}>
            {clashText(clash, nameOf)}
          </Words>
        ))}
        {clashes.length > MOST_SHOWN && <Words as="small" quiet>{`and ${clashes.length - MOST_SHOWN} more.`}</Words>}
      </View>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m, alignItems: 'flex-end' }}>
        {traffic.length > 1 && <PrimaryButton onPress={solve}>Find the best starts</PrimaryButton>}
        <Stepper
          label="One person can time"
          value={windowS}
          text={`${windowS.toFixed(1)} s apart`}
          step={0.5}
          min={0.5}
          max={15}
          onChange={(to) => decide({ windowS: to })}
        />
      </View>
      <BusyTimes planning={planning} />
    </View>
  );
}

/** Jogs that end on a mark, for every recovery of the group. */
function Jogs({ planning, groupId }: { planning: Planning; groupId: string }) {
  const { runs, venue, change } = planning;
  const run = runs.find(({ group }) => group.id === groupId);
  const own = run?.members[0];
  if (!run || !own) return null;
  const legs = legsOfRun(run);
  const whom = { kind: 'group' as const, groupId };
  const rows = itemRows(own.session).flatMap(({ path, item }) => {
    const at = legs.findIndex((leg) => leg.kind === 'recovery' && leg.path.join() === path.join());
    const rest = legs[at];
    const rep = legs[at - 1];
    if (!rest || rep?.kind !== 'rep' || rep.distanceM === undefined || rep.startM === undefined) return [];
    const wantedM = rest.distanceM ?? (rest.targetS ?? 60) * 2.3;
    const jogs = markedJogs(venue, { startM: rep.startM, distanceM: rep.distanceM }, wantedM);
    const others = jogs.filter(({ distanceM }) => Math.abs(distanceM - (rest.distanceM ?? -1)) > 1);
    return others.length > 0 ? [{ path, says: formatItem(item), jogs: others }] : [];
  });
  if (rows.length === 0) return null;
  return (
    <View style={{ gap: SPACE.s }}>
      <Words as="heading" level={3}>
        Recoveries that end on a mark
      </Words>
      {rows.map(({ path, says, jogs }) => (
        <View key={path.join()} role="group" aria-label={says} style={{ gap: SPACE.xs }}>
          <Words as="small" quiet>
            {says}
          </Words>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
            {jogs.map((jog) => (
              <SmallButton
                key={jog.distanceM}
                onPress={() =>
                  change(
                    [changeOf(own.written, path, whom, { kind: 'jog', distanceM: jog.distanceM })],
                    `${run.group.name} jog ${Math.round(jog.distanceM)} m.`,
                  )
                }
              >
                {jogText(jog)}
              </SmallButton>
            ))}
          </View>
        </View>
      ))}
    </View>
  );
}

/** Where one group starts and finishes, rep by rep, and its lap sheet. */
function Starts({ planning: { venue }, run }: { planning: Planning; run: GroupRun }) {
  const sheet = useMemo(() => {
    const legs = legsOfRun(run);
    return { legs, drawing: drawingOf(legs, venue) };
  }, [run, venue]);
  const places = repPlaces(sheet.legs, venue, run.group.lane);
  const withoutPlace = sheet.legs.filter((leg) => leg.kind === 'rep' && isWork(leg) && leg.finishM === undefined);
  return (
    <>
      <View style={{ gap: SPACE.xs }}>
        {places.map((place) => (
          <View key={place.from}>
            <Words>{placesText(place)}</Words>
            {place.marks && <Words as="small">{laneText(place) ?? ''}</Words>}
            {place.walk && (
              <Words as="small" quiet={place.walk.takesS <= place.walk.hasS}>
                {walkText(place) ?? ''}
              </Words>
            )}
          </View>
        ))}
        {withoutPlace.length > 0 && (
          <Words as="small" quiet>
            {`${withoutPlace.length} of the reps go by the clock or by effort: where they end is for the legs to say.`}
          </Words>
        )}
      </View>
      <LapSheet {...sheet.drawing} about={`The session of ${run.group.name} lap by lap on the ${venue.name}`} />
    </>
  );
}

/** Where each group starts and finishes, where to stand, and who is where when. */
export function OnTrack({ planning }: { planning: Planning }) {
  const wide = useWide();
  const { runs, venue } = planning;
  const peopled = runs.filter(({ members }) => members.length > 0);
  const [chosenId, setChosenId] = useState<string>();
  const run = peopled.find(({ group }) => group.id === chosenId) ?? peopled[0];
  const standing = useMemo(() => standingPlace(venue, runs.map(legsOfRun)), [venue, runs]);
  if (!run) return <Empty title="Nobody on the track">Tick who takes part, under Groups.</Empty>;
  const starts = (
    <View role="region" aria-label="Starts and finishes" style={{ gap: SPACE.m }}>
      {standing && <Words as="strong">{standingText(standing)}</Words>}
      {peopled.length > 1 && (
        <Choice
          label="Group"
          options={peopled.map(({ group }) => ({ value: group.id, text: group.name }))}
          value={run.group.id}
          onChange={setChosenId}
        />
      )}
      <Starts planning={planning} run={run} />
      <Jogs planning={planning} groupId={run.group.id} />
    </View>
  );
  const traffic = <Traffic planning={planning} lineM={standing?.atM ?? 0} />;
  if (!wide)
    return (
      <View style={{ gap: SPACE.xl }}>
        {traffic}
        {starts}
      </View>
    );
  return (
    <View style={{ flexDirection: 'row', gap: SPACE.xl }}>
      <View style={{ flex: 11, minWidth: 0 }}>{traffic}</View>
      <View style={{ flex: 8, minWidth: 0 }}>{starts}</View>
    </View>
  );
}
