import { memo, useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { View } from 'react-native';
import { markTapped } from '@core/trackside/arrivals';
import { isByTheClock } from '@core/trackside/calls';
import { proposalsFor, type Proposal } from '@core/trackside/proposals';
import { groupOf } from '@core/trackside/runState';
import { useAppSelector } from '../../store/store';
import { SPACE, usePalette } from '../../ui/theme';
import { saveRun } from '../sheets/MoreSheet';
import { answer } from '../sheets/ProposalSheet';
import { useCalls } from '../sound/useCalls';
import { wakeSound } from '../sound/sound';
import { useWakeLock } from '../sound/useWakeLock';
import { eventWords, lastDone, lastUndone } from '../undoing';
import type { Run } from '../useRun';
import { BoardHead, repClock } from './BoardHead';
import { CallerView } from './CallerView';
import { Foot } from './Foot';
import { GroupStrip, stripOptions } from './GroupStrip';
import { infoFor, toAsk } from './info';
import { InfoRow } from './InfoRow';
import { OpenSheet, type Open } from './OpenSheet';
import { inOrder } from './order';
import { RunNow } from './runNow';
import { nextStep, shownIds, whereText, type Shown } from './steps';
import { Tiles } from './tiles/Tiles';
import { useKeys } from './useKeys';
import { useCalmly, type Calm } from './useCalmly';
import { useStarts } from './useStarts';

/** How often a second the board is drawn anew without a tap: clocks show seconds. */
const DRAWN_PER_S = 5;

/** A tile that has just been tapped at the finish is not to open anything: cold thumbs bounce. */
const BOUNCE_MS = 2000;

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
export function Board(props: BoardProps) {
  const { run, silent = false } = props;
  const { startedAtMs, endedAtMs } = run.state;
  const calls = useAppSelector((state) => state.settings.calls);
  useStarts(run);
  useCalls(run, calls && !silent && startedAtMs !== undefined && endedAtMs === undefined);
  // What a press means is looked up when it comes, so that nothing needs to be drawn anew for it.
  const latest = useRef(run);
  useLayoutEffect(() => {
    latest.current = run;
  });
  const runNow = useCallback(() => latest.current, []);
  const drawn = useCalmly(props, DRAWN_PER_S);
  return (
    <RunNow.Provider value={run}>
      <AroundTiles {...drawn} runNow={runNow} />
    </RunNow.Provider>
  );
}

type AroundProps = Calm<BoardProps> & { runNow: () => Run };

/** The board as it was a moment ago: a tap need not wait until all of it is drawn. The tiles in it show what is now. */
const AroundTiles = memo(function AroundTiles(props: AroundProps) {
  const { run, now, runNow, onResults, resultsText = 'See the results', onLeave, top } = props;
  const palette = usePalette();
  const [choice, show] = useState<Shown>('mine');
  const [open, setOpen] = useState<Open>();
  const [asCaller, setAsCaller] = useState<boolean>();
  const inMemory = useAppSelector((state) => state.trackside.inMemory);
  const { plan, state, device } = run;
  const shown = useMemo(() => shownIds(state, choice, device), [state, choice, device]);
  const ended = state.endedAtMs !== undefined;
  const awake = useWakeLock(!ended);
  const close = useCallback(() => setOpen(undefined), []);

  const proposals = useMemo(() => proposalsFor(plan, state), [plan, state]);
  const step = nextStep(plan, state, shown, now);
  const undoable = useMemo(() => lastDone(state, device), [state, device]);
  const undone = useMemo(() => lastUndone(state, device), [state, device]);
  const undoWords = useMemo(() => undoable && eventWords(state, undoable), [state, undoable]);

  const group = groupOf(state, choice) ?? (state.groups.length === 1 ? state.groups[0] : undefined);
  const canCall = group !== undefined && (isByTheClock(group.plan) || group.plan.reps.some(({ free }) => free));
  const isCalledAtFirst = group !== undefined && state.groups.length === 1 && isByTheClock(group.plan);
  const isCaller = canCall && (asCaller ?? isCalledAtFirst);

  const tapAthlete = useCallback(
    (athleteId: string, timeStamp: number) => {
      const taken = markTapped(runNow().state, athleteId, runNow().atOf(timeStamp));
      if (!taken) return false;
      const { repIndex, atM } = taken;
      runNow().happen({ type: 'passed', athleteId, repIndex, atM }, timeStamp);
      return true;
    },
    [runNow],
  );
  const openAthlete = useCallback(
    (athleteId: string) => {
      const last = runNow().state.athletes[athleteId]?.runs.at(-1);
      const lastMs = last?.passes.at(-1)?.atMs;
      if (lastMs === undefined || Math.abs(runNow().now() - lastMs) > BOUNCE_MS)
        setOpen({ kind: 'athlete', athleteId });
    },
    [runNow],
  );
  // The same for as long as the board is open, so that what hangs on them is not drawn again with every tap.
  const acts = useRef({ step, onResults });
  useEffect(() => {
    acts.current = { step, onResults };
  });
  const line = useCallback((timeStamp: number) => runNow().happen({ type: 'crossed' }, timeStamp), [runNow]);
  const takeBack = useCallback(
    (last: typeof lastDone, timeStamp: number) => {
      const event = last(runNow().state, runNow().device);
      if (event) runNow().happen({ type: 'undone', eventId: event.id }, timeStamp);
    },
    [runNow],
  );
  const undo = useCallback((timeStamp: number) => takeBack(lastDone, timeStamp), [takeBack]);
  const redo = useCallback((timeStamp: number) => takeBack(lastUndone, timeStamp), [takeBack]);
  const act = useCallback(
    (timeStamp: number) => {
      const { step: next, onResults: leave } = acts.current;
      if (next.kind === 'results') return leave();
      if (next.kind === 'end') return runNow().happen({ type: 'ended' }, timeStamp);
      wakeSound();
      for (const start of next.starts) runNow().happen(start, timeStamp);
    },
    [runNow],
  );
  const openMore = useCallback(() => setOpen((before) => (before?.kind === 'more' ? undefined : { kind: 'more' })), []);
  const openNames = useCallback(() => setOpen({ kind: 'names' }), []);
  const openWhy = useCallback((proposal: Proposal) => setOpen({ kind: 'why', proposal }), []);
  const ask = useCallback((athleteId: string) => setOpen({ kind: 'athlete', athleteId }), []);
  const file = useCallback(() => saveRun(runNow()), [runNow]);
  const answerIt = useCallback(
    (proposal: Proposal, yes: boolean) => answer(runNow(), proposal, yes ? proposal.options[0] : undefined),
    [runNow],
  );
  const toggleCaller = useCallback(() => setAsCaller((before) => !(before ?? isCalledAtFirst)), [isCalledAtFirst]);
  useKeys({
    athlete: (index, timeStamp) => {
      const athleteId = inOrder(runNow().state, shown)[index]?.athleteId;
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
            <Tiles shown={shown} now={now} tap={tapAthlete} open={openAthlete} />
          </View>
        )}
        <InfoRow
          info={infoFor(state, now, inMemory, proposals[0], toAsk(state, shown, now))}
          onNames={openNames}
          onFile={file}
          onWhy={openWhy}
          onAnswer={answerIt}
          onAsk={ask}
        />
        {open && <OpenSheet open={open} show={setOpen} close={close} shown={shown} awake={awake} />}
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
});
