import { memo, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { View } from 'react-native';
import { canBeCalled, isByTheClock } from '@core/trackside/caller';
import { liveProposals } from '@core/trackside/proposals';
import { groupOf, peopledGroups } from '@core/run/runState';
import type { Source } from '../../store/source';
import { useAppSelector } from '../../store/store';
import { SPACE, usePalette } from '../../ui/theme';
import { useLow } from '../../ui/useLow';
import { stillOut } from '../sheets/EndSheet';
import { stillOutOf } from '../sheets/StillOutSheet';
import { useCalls } from '../sound/useCalls';
import { wakeSound } from '../sound/sound';
import { useWakeLock } from '../sound/useWakeLock';
import { watchClock } from '../../log/trackClock';
import { eventWords, lastDone, lastUndone } from '../../log/undoing';
import type { Run } from '../../log/useRun';
import { BoardHead, repClock } from './BoardHead';
import { CallerView } from './CallerView';
import { Foot } from './Foot';
import { GroupStrip, stripOptions } from './GroupStrip';
import { infoFor, toAsk } from './info';
import { InfoRow } from './InfoRow';
import { momentsOf } from './moment';
import { OpenSheet, type Open } from './OpenSheet';
import { inOrder } from './order';
import { nextStep, shownIds, type Shown } from './steps';
import { startText, toGoText, whereText } from './stepText';
import { Tiles } from './tiles/Tiles';
import { END, useEnding } from './useEnding';
import { useKeys } from './useKeys';
import { useThrottledSource } from './useThrottledSource';
import { useStarts } from './useStarts';
import { useTimes } from './useTimes';

/** How often the phone's clock is checked: see watchClock. */
const WATCHED_EVERY_MS = 250;

/** A tile just tapped at the finish must not open anything: cold thumbs bounce. */
const BOUNCE_MS = 2000;

type BoardProps = {
  runs: Source<Run>;
  /** No calls, whatever the settings say. */
  silent?: boolean;
  /** Where the last step leads, and its label. */
  onResults: () => void;
  resultsText?: string;
  onLeave: () => void;
  /** Something above the tiles. */
  top?: React.ReactNode;
};

/**
 * The board at the track: a tile for everyone, the clock, and the next step under the thumb. Tiles show the current state; everything
 * around them renders a moment later, so that a tap need not wait, and a press is interpreted when it happens.
 */
export const Board = memo(function Board(props: BoardProps) {
  const { runs, silent = false, onResults, resultsText = 'See the results', onLeave, top } = props;
  const palette = usePalette();
  const [choice, choose] = useState<Shown>('mine');
  const [open, setOpen] = useState<Open>();
  const [asCaller, setAsCaller] = useState<boolean>();
  const inMemory = useAppSelector((state) => state.trackside.inMemory);
  const moments = useMemo(() => momentsOf(runs), [runs]);
  const { run, now, outbox } = useThrottledSource(moments);
  const runNow = runs.getSnapshot;
  const { plan, state, device } = run;
  const shown = useMemo(() => shownIds(state, choice, device), [state, choice, device]);
  const calls = useAppSelector(({ settings }) => settings.calls);
  const askEfforts = useCallback(() => setOpen({ kind: 'efforts' }), []);
  const { ended, endsWhenIn, endWhenIn } = useEnding(runs, run, askEfforts);
  const { remark, tapAthlete, line, undo, redo } = useTimes(runs);
  useEffect(() => {
    const timer = setInterval(watchClock, WATCHED_EVERY_MS);
    return () => clearInterval(timer);
  }, []);
  useStarts(runs);
  useCalls(runs, calls && !silent && state.startedAtMs !== undefined && !ended);
  const awake = useWakeLock(!ended);
  const close = useCallback(() => setOpen(undefined), []);

  const proposals = useMemo(() => liveProposals(plan, state), [plan, state]);
  const step = nextStep(plan, state, shown, now);
  const undoable = useMemo(() => lastDone(state, device), [state, device]);
  const undone = useMemo(() => lastUndone(state, device), [state, device]);
  const undoWords = useMemo(() => undoable && eventWords(state, undoable), [state, undoable]);

  const group = groupOf(state, choice) ?? (state.groups.length === 1 ? state.groups[0] : undefined);
  const shownPlans = peopledGroups(state, shown).map((group) => group.plan);
  const canCall = shownPlans.length > 0 && shownPlans.every(canBeCalled);
  const isCalledAtFirst = canCall && shownPlans.every(isByTheClock);
  const isCaller = canCall && (asCaller ?? isCalledAtFirst);

  const openAthlete = useCallback(
    (athleteId: string) => {
      const last = runNow().state.athletes[athleteId]?.runs.at(-1);
      const lastMs = last?.passes.at(-1)?.atMs;
      if (lastMs === undefined || Math.abs(runNow().now() - lastMs) > BOUNCE_MS)
        setOpen({ kind: 'athlete', athleteId });
    },
    [runNow],
  );
  // Stable for as long as the board is open, so that what depends on them does not re-render with every tap.
  const acts = useRef({ step, onResults });
  useEffect(() => {
    acts.current = { step, onResults };
  });
  const act = useCallback(
    (timeStamp: number) => {
      const { step: next, onResults: leave } = acts.current;
      if (next.kind === 'results') return leave();
      if (next.kind === 'end') {
        if (!runNow().may(END)) return undefined;
        return stillOut(runNow()).length > 0 ? setOpen({ kind: 'end' }) : runNow().happen(END, timeStamp);
      }
      wakeSound();
      // Somebody of them has no finish yet: started again, they would lose it without a word.
      if (stillOutOf(runNow(), next.starts).length > 0) return setOpen({ kind: 'stillOut', starts: next.starts });
      for (const start of next.starts) runNow().happen(start, timeStamp);
    },
    [runNow],
  );
  const openMore = useCallback(() => setOpen((before) => (before?.kind === 'more' ? undefined : { kind: 'more' })), []);
  const openRefused = useCallback(() => setOpen({ kind: 'notTaken' }), []);
  const openStop = useCallback(() => setOpen((before) => (before?.kind === 'stop' ? undefined : { kind: 'stop' })), []);
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

  const stepTexts = {
    results: resultsText,
    end: endsWhenIn ? 'Ends when all are in' : run.may(END) ? 'End the session' : 'Done; the coach ends it',
  };
  const stepText = step.kind === 'start' ? startText(step.facts) : stepTexts[step.kind];
  const waitText = step.kind === 'start' ? toGoText(step.facts) : undefined;
  const title = ended ? 'Session ended' : (whereText(state, shown) ?? plan.title);
  const current = group?.slots[Math.max(0, group.lastAt)];
  // Held sideways: tiles at the left, what is pressed most under the right thumb.
  const low = useLow();
  const recovery = group && current ? group.plan.reps[current.planIndex]?.recovery : undefined;
  return (
    <View style={{ flex: 1, flexDirection: low ? 'row' : 'column', backgroundColor: palette.ground }}>
      <View style={{ flex: 1, minWidth: 0, minHeight: 0 }}>
        <BoardHead
          title={title}
          outbox={outbox}
          recovery={ended || isCaller ? undefined : recovery}
          clock={repClock(state, shown, now)}
          isRehearsal={run.isRehearsal}
          isCaller={canCall ? isCaller : undefined}
          toggleCaller={toggleCaller}
          onLeave={onLeave}
          onRefused={openRefused}
        />
        {top}
        {state.groups.length > 1 && (
          <GroupStrip options={stripOptions(state, now, device)} shown={choice} show={choose} />
        )}
        <View style={{ flex: 1 }}>
          {isCaller ? (
            <CallerView run={run} groupIds={shown} now={now} />
          ) : (
            <View style={{ flex: 1, paddingHorizontal: SPACE.m, paddingVertical: SPACE.s, overflow: 'hidden' }}>
              <Tiles runs={runs} choice={choice} now={now} tap={tapAthlete} open={openAthlete} />
            </View>
          )}
          <InfoRow
            info={infoFor(state, now, inMemory, proposals[0], toAsk(state, shown, now), remark)}
            runs={runs}
            show={setOpen}
          />
          {open && (
            <OpenSheet
              runs={runs}
              open={open}
              show={setOpen}
              close={close}
              choice={choice}
              awake={awake}
              endWhenIn={endWhenIn}
            />
          )}
        </View>
      </View>
      <Foot
        stepText={stepText}
        waitText={waitText}
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
        onStop={state.startedAtMs === undefined ? undefined : openStop}
        onMore={openMore}
      />
    </View>
  );
});
