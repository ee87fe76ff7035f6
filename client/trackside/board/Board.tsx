import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { View, type LayoutChangeEvent } from 'react-native';
import { markTapped } from '@core/trackside/arrivals';
import { isByTheClock } from '@core/trackside/calls';
import type { RunEvent } from '@core/trackside/events';
import { proposalsFor, type Proposal } from '@core/trackside/proposals';
import { groupOf, type AthleteState, type RunState } from '@core/trackside/runState';
import { tileFor } from '@core/trackside/tile';
import { useAppSelector } from '../../store/store';
import { SPACE, usePalette } from '../../ui/theme';
import { useWide } from '../../ui/useWide';
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
import type { Run } from '../useRun';
import { AthleteTile } from './AthleteTile';
import { BoardHead, repClock } from './BoardHead';
import { CallerView } from './CallerView';
import { Foot } from './Foot';
import { GAP, gridFor } from './grid';
import { GroupStrip, stripOptions } from './GroupStrip';
import { infoFor } from './info';
import { InfoRow } from './InfoRow';
import { nextStep, shownIds, whereText, type Shown } from './steps';
import { faceOf } from './tileFace';
import { ATHLETE_KEYS, useKeys } from './useKeys';
import { useNow } from './useNow';
import { useStarts } from './useStarts';

/** What lies over the tiles. */
type Open =
  | { kind: 'athlete'; athleteId: string }
  | { kind: 'why'; proposal: Proposal }
  | { kind: 'names' | 'history' | 'more' | 'keys' | 'people' | 'phone' };

/** How often a second the board is drawn anew without a tap: clocks show seconds, tiles fill slowly. */
const DRAWN_PER_S = 5;

/** A tile that has just been tapped at the finish is not to open anything: cold thumbs bounce. */
const BOUNCE_MS = 2000;

/** Everyone who is here or still expected, in the order of the groups: always in the same place. */
function inOrder(state: RunState, shown: ReadonlySet<string>): AthleteState[] {
  const everyone = Object.values(state.athletes).filter(({ presence }) => presence !== 'absent');
  return state.groups
    .filter(({ id }) => shown.has(id))
    .flatMap(({ id }) => everyone.filter(({ groupId }) => groupId === id));
}

type BoardProps = {
  run: Run;
  /** No calls, whatever the settings say. */
  silent?: boolean;
  /** Where the last step leads, and what it says. */
  onResults: () => void;
  resultsText?: string;
  onLeave: () => void;
  /** Something above the tiles. */
  top?: React.ReactNode;
};

/** The board at the track: a tile for everyone, the clock, and the next step under the thumb. */
export function Board({ run, silent = false, onResults, resultsText = 'See the results', onLeave, top }: BoardProps) {
  const palette = usePalette();
  const wide = useWide();
  const [area, setArea] = useState({ width: 0, height: 0 });
  const [choice, show] = useState<Shown>('mine');
  const [open, setOpen] = useState<Open>();
  const [asCaller, setAsCaller] = useState<boolean>();
  const calls = useAppSelector((state) => state.settings.calls);
  const inMemory = useAppSelector((state) => state.trackside.inMemory);
  const { plan, state, device } = run;
  const now = useNow(run.now, DRAWN_PER_S);
  const shown = useMemo(() => shownIds(state, choice, device), [state, choice, device]);
  const started = state.startedAtMs !== undefined;
  const ended = state.endedAtMs !== undefined;
  useStarts(run);
  useCalls(run, calls && !silent && started && !ended);
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
  const undoable = useMemo(() => lastDone(state, device), [state, device]);
  const undone = useMemo(() => lastUndone(state, device), [state, device]);
  const undoWords = useMemo(() => undoable && eventWords(state, undoable), [state, undoable]);

  const group = groupOf(state, choice) ?? (state.groups.length === 1 ? state.groups[0] : undefined);
  const canCall = group !== undefined && (isByTheClock(group.plan) || group.plan.reps.some(({ free }) => free));
  const isCalledAtFirst = group !== undefined && state.groups.length === 1 && isByTheClock(group.plan);
  const isCaller = canCall && (asCaller ?? isCalledAtFirst);

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
  // The same for as long as the board is open, so that what hangs on them is not drawn again with every tap.
  const acts = useRef({ step, undoable, undone, onResults });
  useEffect(() => {
    acts.current = { step, undoable, undone, onResults };
  });
  const line = useCallback((timeStamp: number) => latest.current.happen({ type: 'crossed' }, timeStamp), []);
  const takeBack = useCallback((event: RunEvent | undefined, timeStamp: number) => {
    if (event) latest.current.happen({ type: 'undone', eventId: event.id }, timeStamp);
  }, []);
  const undo = useCallback((timeStamp: number) => takeBack(acts.current.undoable, timeStamp), [takeBack]);
  const redo = useCallback((timeStamp: number) => takeBack(acts.current.undone, timeStamp), [takeBack]);
  const act = useCallback((timeStamp: number) => {
    const { step: next, onResults: leave } = acts.current;
    if (next.kind === 'results') return leave();
    if (next.kind === 'end') return latest.current.happen({ type: 'ended' }, timeStamp);
    wakeSound();
    for (const start of next.starts) latest.current.happen(start, timeStamp);
  }, []);
  const openMore = useCallback(() => setOpen((before) => (before?.kind === 'more' ? undefined : { kind: 'more' })), []);
  const openNames = useCallback(() => setOpen({ kind: 'names' }), []);
  const openWhy = useCallback((proposal: Proposal) => setOpen({ kind: 'why', proposal }), []);
  const ask = useCallback((athleteId: string) => setOpen({ kind: 'athlete', athleteId }), []);
  const file = useCallback(() => saveRun(latest.current), []);
  const answerIt = useCallback(
    (proposal: Proposal, yes: boolean) => answer(latest.current, proposal, yes ? proposal.options[0] : undefined),
    [],
  );
  const toggleCaller = useCallback(() => setAsCaller((before) => !(before ?? isCalledAtFirst)), [isCalledAtFirst]);
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
      <BoardHead
        title={title}
        recovery={ended ? undefined : recovery}
        clock={repClock(state, shown, now)}
        isRehearsal={run.isRehearsal}
        isCaller={canCall ? isCaller : undefined}
        toggleCaller={toggleCaller}
        onLeave={onLeave}
      />
      {top}
      {state.groups.length > 1 && <GroupStrip options={stripOptions(state, now, device)} shown={choice} show={show} />}
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
          info={infoFor(state, now, inMemory, proposals[0], finished)}
          onNames={openNames}
          onFile={file}
          onWhy={openWhy}
          onAnswer={answerIt}
          onAsk={ask}
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
        {open?.kind === 'people' && <PeopleSheet run={run} close={close} open={ask} />}
        {open?.kind === 'phone' && <SecondPhoneSheet run={run} close={close} />}
        {open?.kind === 'keys' && <KeysSheet athletes={athletes} close={close} />}
        {open?.kind === 'more' && (
          <MoreSheet run={run} awake={awake} close={close} open={(kind) => setOpen({ kind })} />
        )}
      </View>
      <Foot
        stepText={step.kind === 'results' ? resultsText : step.kind === 'end' ? 'End the session' : step.text}
        isStepMain={step.kind === 'results' || step.ready}
        stepMoment={step.kind === 'start' ? 'down' : 'release'}
        undoWords={undoWords}
        canRedo={undone !== undefined}
        ended={ended}
        unnamed={state.unnamed.length}
        onLine={line}
        onUndo={undo}
        onRedo={redo}
        onStep={act}
        onMore={openMore}
      />
    </View>
  );
}
