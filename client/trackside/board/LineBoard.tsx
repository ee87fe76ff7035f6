import { router } from 'expo-router';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { View, type LayoutChangeEvent } from 'react-native';
import { IconButton } from 'react-native-paper';
import { markTapped } from '@core/trackside/arrivals';
import { isByTheClock } from '@core/trackside/calls';
import { proposalsFor, type Proposal } from '@core/trackside/proposals';
import { groupOf, type AthleteState, type RunState } from '@core/trackside/runState';
import { tileFor } from '@core/trackside/tile';
import { formatClock } from '@core/units/time';
import { useAppSelector } from '../../store/store';
import { Empty } from '../../ui/Empty';
import { Icon } from '../../ui/icons/Icon';
import { Loading } from '../../ui/Loading';
import { Page } from '../../ui/Page';
import { SPACE, usePalette } from '../../ui/theme';
import { useWide } from '../../ui/useWide';
import { Words } from '../../ui/Words';
import { AthleteSheet } from '../sheets/AthleteSheet';
import { HistorySheet } from '../sheets/HistorySheet';
import { KeysSheet } from '../sheets/KeysSheet';
import { MoreSheet, saveRun } from '../sheets/MoreSheet';
import { NamesSheet } from '../sheets/NamesSheet';
import { PeopleSheet } from '../sheets/PeopleSheet';
import { answer, ProposalSheet } from '../sheets/ProposalSheet';
import { SecondPhoneSheet } from '../sheets/SecondPhoneSheet';
import { useCalls } from '../sound/useCalls';
import { wakeSound } from '../sound/sound';
import { useWakeLock } from '../sound/useWakeLock';
import { eventWords, lastDone, lastUndone } from '../undoing';
import { useRun, type Run } from '../useRun';
import { AthleteTile } from './AthleteTile';
import { CallerView } from './CallerView';
import { GAP, gridFor } from './grid';
import { GroupStrip } from './GroupStrip';
import { InfoRow } from './InfoRow';
import { nextStep, shownIds, whereText, type Shown, type Step } from './steps';
import { TapButton } from './TapButton';
import { faceOf } from './tileFace';
import { ATHLETE_KEYS, useKeys } from './useKeys';
import { useNow } from './useNow';
import { useStarts } from './useStarts';

/** What lies over the tiles. */
type Open =
  | { kind: 'athlete'; athleteId: string }
  | { kind: 'why'; proposal: Proposal }
  | { kind: 'names' | 'history' | 'more' | 'keys' | 'people' | 'phone' };

/** A tile that has just been tapped at the finish is not to open anything: cold thumbs bounce. */
const BOUNCE_MS = 2000;

function repClock(state: RunState, shown: ReadonlySet<string>, now: number): string {
  const groups = state.groups.filter(({ id }) => shown.has(id));
  const latest = groups.map((group) => {
    const repIndex = group.slots[group.lastAt]?.repIndex;
    const starts = Object.values(state.athletes).flatMap(({ runs, groupId }) =>
      groupId === group.id ? runs.flatMap((run) => (run.repIndex === repIndex ? run.startedAtMs : [])) : [],
    );
    return Math.min(...starts);
  });
  const begun = latest.filter(Number.isFinite);
  if (begun.length === 0) return '0:00';
  const ended = state.endedAtMs ?? now;
  return formatClock(Math.max(0, Math.floor((ended - Math.max(...begun)) / 1000)));
}

/** Where the times are: on this phone, and whether the server has them too. */
function Kept() {
  const palette = usePalette();
  const { waiting, refused } = useAppSelector((state) => state.trackside.outbox);
  const words =
    refused.length > 0
      ? `${refused.length} not taken by the server`
      : waiting > 0
        ? `${waiting} on this phone only`
        : 'on the server';
  return (
    <View
      style={{ flexDirection: 'row', alignItems: 'center', gap: 4 }}
      role="status"
      aria-label={`Times kept: ${words}`}
    >
      <Icon name={waiting > 0 ? 'waiting' : 'saved'} size={18} color={palette.ink} />
      <Words as="label">{words}</Words>
    </View>
  );
}

/** Everyone who is here or still expected, in the order of the groups: always in the same place. */
function inOrder(state: RunState, shown: ReadonlySet<string>): AthleteState[] {
  const everyone = Object.values(state.athletes).filter(({ presence }) => presence !== 'absent');
  return state.groups
    .filter(({ id }) => shown.has(id))
    .flatMap(({ id }) => everyone.filter(({ groupId }) => groupId === id));
}

function Board({ run }: { run: Run }) {
  const palette = usePalette();
  const wide = useWide();
  const [area, setArea] = useState({ width: 0, height: 0 });
  const [choice, show] = useState<Shown>('mine');
  const [open, setOpen] = useState<Open>();
  const [asCaller, setAsCaller] = useState<boolean>();
  const calls = useAppSelector((state) => state.settings.calls);
  const inMemory = useAppSelector((state) => state.trackside.inMemory);
  const { plan, state, device, happen } = run;
  const now = useNow(run.now);
  const shown = useMemo(() => shownIds(state, choice, device), [state, choice, device]);
  const started = state.startedAtMs !== undefined;
  const ended = state.endedAtMs !== undefined;
  useStarts(run);
  useCalls(run, calls && started && !ended);
  const awake = useWakeLock(!ended);
  const close = useCallback(() => setOpen(undefined), []);

  const athletes = useMemo(() => inOrder(state, shown), [state, shown]);
  const { tileWidth, tileHeight } = useMemo(
    () => gridFor(athletes.length, area.width, area.height),
    [athletes.length, area],
  );
  const proposals = useMemo(() => proposalsFor(plan, state), [plan, state]);
  const toAsk = useMemo(
    () =>
      athletes.flatMap(({ athleteId, runs, stoppedAtMs }) => {
        const last = runs.at(-1);
        return last?.finishedAtMs !== undefined && last.effort === undefined && stoppedAtMs === undefined
          ? [{ athleteId, atMs: last.finishedAtMs }]
          : [];
      }),
    [athletes],
  );
  const finished = toAsk.filter(({ atMs }) => atMs <= now).map(({ athleteId }) => athleteId);
  const tiles = athletes.map((athlete) => ({ athlete, tile: tileFor(state, athlete.athleteId, now) }));
  const step = nextStep(plan, state, shown, now);
  const undoable = lastDone(state, device);
  const undone = lastUndone(state, device);

  // What a tap means is looked up when it comes, so that the tiles need not be drawn anew for it.
  const latest = useRef(run);
  useEffect(() => {
    latest.current = run;
  });
  const tapAthlete = useCallback((athleteId: string, timeStamp: number) => {
    const taken = markTapped(latest.current.state, athleteId, latest.current.atOf(timeStamp));
    if (!taken) return false;
    const { repIndex, atM } = taken;
    latest.current.happen({ type: 'passed', athleteId, repIndex, atM }, timeStamp);
    return true;
  }, []);
  const openAthlete = useCallback((athleteId: string) => {
    const last = latest.current.state.athletes[athleteId]?.runs.at(-1);
    const lastMs = last?.passes.at(-1)?.atMs;
    if (lastMs === undefined || Math.abs(latest.current.now() - lastMs) > BOUNCE_MS)
      setOpen({ kind: 'athlete', athleteId });
  }, []);
  const line = (timeStamp: number) => happen({ type: 'crossed' }, timeStamp);
  const undo = (timeStamp: number) => undoable && happen({ type: 'undone', eventId: undoable.id }, timeStamp);
  const redo = (timeStamp: number) => undone && happen({ type: 'undone', eventId: undone.id }, timeStamp);
  const act = (timeStamp: number) => {
    if (step.kind === 'results') return router.replace(`/results/${plan.id}`);
    if (step.kind === 'end') return happen({ type: 'ended' }, timeStamp);
    wakeSound();
    for (const start of step.starts) happen(start, timeStamp);
  };
  useKeys({
    athlete: (index, timeStamp) => {
      const athleteId = athletes[index]?.athleteId;
      if (athleteId !== undefined && !tapAthlete(athleteId, timeStamp)) openAthlete(athleteId);
    },
    line,
    undo,
    redo,
    start: (timeStamp) => step.kind !== 'results' && act(timeStamp),
    help: () => setOpen({ kind: 'keys' }),
    close,
  });

  const group = groupOf(state, choice) ?? (state.groups.length === 1 ? state.groups[0] : undefined);
  const canCall = group !== undefined && (isByTheClock(state, group.id) || group.plan.reps.some(({ free }) => free));
  const isCaller = canCall && (asCaller ?? false);
  const title = ended ? 'Session ended' : (whereText(state, shown) ?? plan.title);
  const current = group?.slots[Math.max(0, group.lastAt)];
  const recovery = group && current ? group.plan.reps[current.planIndex]?.recovery : undefined;
  const measure = (event: LayoutChangeEvent) =>
    setArea({ width: event.nativeEvent.layout.width, height: event.nativeEvent.layout.height });
  const afterEffort = (athleteId: string) => {
    const next = finished.find((id) => id !== athleteId);
    setOpen(next === undefined ? undefined : { kind: 'athlete', athleteId: next });
  };
  return (
    <View style={{ flex: 1, backgroundColor: palette.ground }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', paddingHorizontal: SPACE.xs, paddingTop: SPACE.s }}>
        <IconButton
          icon="back"
          accessibilityLabel="Leave the line board; the session stays open"
          onPress={() => router.replace('/track')}
          style={{ margin: 0, width: 44, height: 44 }}
        />
        <View style={{ flex: 1 }}>
          <Words as="heading" level={1} numberOfLines={1}>
            {title}
          </Words>
          <View style={{ flexDirection: 'row', gap: SPACE.m, alignItems: 'center' }}>
            {recovery !== undefined && !ended && <Words as="label" quiet>{`then ${recovery}`}</Words>}
            <Kept />
          </View>
        </View>
        {canCall && (
          <IconButton
            icon="caller"
            accessibilityLabel={isCaller ? 'Show the tiles' : 'Show the caller'}
            onPress={() => setAsCaller(!isCaller)}
            style={{ margin: 0, width: 44, height: 44 }}
          />
        )}
        <View role="timer" aria-label="Time since the start of the rep" style={{ paddingRight: SPACE.m }}>
          <Words as="clock" style={{ fontSize: wide ? 56 : 44 }}>
            {repClock(state, shown, now)}
          </Words>
        </View>
      </View>
      {state.groups.length > 1 && <GroupStrip state={state} now={now} device={device} shown={choice} show={show} />}
      <View style={{ flex: 1 }}>
        {isCaller && group ? (
          <CallerView run={run} group={group} now={now} />
        ) : (
          <View style={{ flex: 1, paddingHorizontal: SPACE.m, paddingVertical: SPACE.s, overflow: 'hidden' }}>
            <View
              onLayout={measure}
              role="group"
              aria-label="Line board"
              style={{
                flex: 1,
                flexDirection: 'row',
                flexWrap: 'wrap',
                gap: GAP,
                alignContent: 'flex-end',
                overflow: 'scroll',
              }}
            >
              {area.width > 0 &&
                tiles.map(({ athlete: { athleteId, tileName }, tile }, i) => (
                  <AthleteTile
                    key={athleteId}
                    athleteId={athleteId}
                    name={tileName}
                    face={faceOf(tile)}
                    resting={tile.phase === 'done'}
                    corner={wide ? ATHLETE_KEYS[i]?.toUpperCase() : undefined}
                    width={tileWidth}
                    height={tileHeight}
                    onTap={tapAthlete}
                    onOpen={openAthlete}
                  />
                ))}
            </View>
          </View>
        )}
        <InfoRow
          state={state}
          now={now}
          inMemory={inMemory}
          proposal={proposals[0]}
          toAsk={finished}
          onNames={() => setOpen({ kind: 'names' })}
          onFile={() => saveRun(run)}
          onWhy={(proposal) => setOpen({ kind: 'why', proposal })}
          onAnswer={(proposal, yes) => answer(run, proposal, yes ? proposal.options[0] : undefined)}
          onAsk={(athleteId) => setOpen({ kind: 'athlete', athleteId })}
        />
        {open?.kind === 'athlete' && (
          <AthleteSheet
            key={open.athleteId}
            run={run}
            athleteId={open.athleteId}
            close={close}
            next={() => afterEffort(open.athleteId)}
          />
        )}
        {open?.kind === 'why' && <ProposalSheet run={run} proposal={open.proposal} close={close} />}
        {open?.kind === 'names' && <NamesSheet run={run} close={close} />}
        {open?.kind === 'history' && (
          <HistorySheet run={run} close={close} open={(athleteId) => setOpen({ kind: 'athlete', athleteId })} />
        )}
        {open?.kind === 'people' && <PeopleSheet run={run} close={close} />}
        {open?.kind === 'phone' && <SecondPhoneSheet run={run} close={close} />}
        {open?.kind === 'keys' && <KeysSheet athletes={athletes} close={close} />}
        {open?.kind === 'more' && (
          <MoreSheet run={run} awake={awake} close={close} open={(kind) => setOpen({ kind })} />
        )}
      </View>
      <Foot
        step={step}
        undoWords={undoable && eventWords(state, undoable)}
        canRedo={undone !== undefined}
        ended={ended}
        unnamed={state.unnamed.length}
        onLine={line}
        onUndo={undo}
        onRedo={redo}
        onStep={act}
        onMore={() => setOpen((before) => (before?.kind === 'more' ? undefined : { kind: 'more' }))}
      />
    </View>
  );
}

type FootProps = {
  step: Step;
  undoWords: string | undefined;
  canRedo: boolean;
  ended: boolean;
  unnamed: number;
  onLine: (timeStamp: number) => void;
  onUndo: (timeStamp: number) => void;
  onRedo: (timeStamp: number) => void;
  onStep: (timeStamp: number) => void;
  onMore: () => void;
};

const stepText = (step: Step): string =>
  step.kind === 'results' ? 'See the results' : step.kind === 'end' ? 'End the session' : step.text;

/** Under the thumb: the line, undo, the next step, and everything else. */
function Foot(props: FootProps) {
  const { step, undoWords, canRedo, ended, unnamed, onLine, onUndo, onRedo, onStep, onMore } = props;
  const palette = usePalette();
  const isMain = step.kind === 'results' || step.ready;
  return (
    <View style={{ gap: SPACE.s, padding: SPACE.m, borderTopWidth: 1, borderTopColor: palette.line }}>
      {!ended && (
        <TapButton onTap={onLine} label="Line: take a time without a name">
          {unnamed > 0 ? `Line · ${unnamed} without a name` : 'Line'}
        </TapButton>
      )}
      <View style={{ flexDirection: 'row', gap: SPACE.s }}>
        <TapButton
          icon="undo"
          grow={2}
          disabled={undoWords === undefined}
          label={undoWords === undefined ? 'Nothing to undo' : `Undo ${undoWords}`}
          onTap={onUndo}
        >
          {undoWords ?? 'Undo'}
        </TapButton>
        {canRedo && <TapButton icon="redo" label="Do again what was undone" onTap={onRedo} />}
        <TapButton main={isMain} grow={4} moment={step.kind === 'start' ? 'down' : 'release'} onTap={onStep}>
          {stepText(step)}
        </TapButton>
        <TapButton icon="menu" label="More" moment="release" onTap={onMore} />
      </View>
    </View>
  );
}

/** The screen at the track: a tile for everyone, the clock, and the next step under the thumb. */
export function LineBoard({ runId }: { runId: string }) {
  const run = useRun(runId);
  const back = () => router.replace('/track');
  if (typeof run === 'object') return <Board run={run} />;
  return (
    <Page title="Track" onBack={back} backLabel="Back to the track">
      {run === 'loading' ? (
        <Loading />
      ) : (
        <Empty title="Not found" action={{ label: 'Go to the track', onPress: back }}>
          Neither this phone nor the server has a session at this address.
        </Empty>
      )}
    </Page>
  );
}
