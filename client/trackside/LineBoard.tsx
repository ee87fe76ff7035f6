import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { View, type LayoutChangeEvent } from 'react-native';
import { IconButton } from 'react-native-paper';
import { repLabel } from '@core/trackside/plan';
import { nextRepIndex, type RunState } from '@core/trackside/replay';
import { tileFor, type Tile } from '@core/trackside/tile';
import { formatClock, formatTime } from '@core/units/time';
import { useAppSelector } from '../store/store';
import { Empty } from '../ui/Empty';
import { Icon } from '../ui/icons/Icon';
import { Loading } from '../ui/Loading';
import { Page } from '../ui/Page';
import { SPACE, usePalette } from '../ui/theme';
import { Words } from '../ui/Words';
import { AthleteTile } from './AthleteTile';
import { TapButton } from './TapButton';
import { faceOf } from './tileFace';
import { useNow } from './useNow';
import { useRun, type Run } from './useRun';
import type { TapMoment } from './useTap';

const GAP = 8;
const TILE = { least: 72, most: 132, mostWide: 176 };

/** Columns and tile size so that everyone is in sight at once, each big enough for a cold thumb. */
function gridFor(count: number, width: number, height: number): { tileWidth: number; tileHeight: number } {
  const phone = width < 600;
  let columns = phone
    ? count > 8
      ? 3
      : 2
    : Math.max(3, Math.round(Math.sqrt((count * width) / Math.max(1, height) / 1.4)));
  const fits = () => (height + GAP) / Math.ceil(count / columns) - GAP >= TILE.least;
  while (!fits() && (width + GAP) / (columns + 1) - GAP >= 80) columns++;
  const rows = Math.ceil(count / columns);
  const share = Math.floor((height + GAP) / rows - GAP);
  const tileHeight = Math.min(phone ? TILE.most : TILE.mostWide, Math.max(TILE.least, share));
  return { tileWidth: Math.floor((width + GAP) / columns - GAP), tileHeight };
}

/** What the last thing done was, for the undo button. */
function lastDone({ plan, state }: Run): { eventId: string; words: string } | undefined {
  const event = state.active.at(-1);
  if (!event) return undefined;
  if (event.type === 'started') return { eventId: event.id, words: `start of rep ${event.repIndex + 1}` };
  if (event.type === 'ended') return { eventId: event.id, words: 'end' };
  const name = plan.athletes.find(({ athleteId }) => athleteId === event.athleteId)?.tileName ?? '';
  const pass = state.athletes[event.athleteId]?.[event.repIndex]?.passes.find(({ eventId }) => eventId === event.id);
  return { eventId: event.id, words: `${name} ${pass ? formatTime(pass.elapsedS, 1) : ''}`.trim() };
}

/** Seconds until the last athlete has recovered; undefined while anyone still runs or rests without a clock. */
function recoveredIn(tiles: readonly Tile[]): number | undefined {
  if (!tiles.some((tile) => tile.phase === 'recovering')) return undefined;
  const left = tiles.map((tile) => (tile.phase === 'recovering' ? tile.leftS : undefined));
  return left.every((seconds): seconds is number => seconds !== undefined) ? Math.max(...left) : undefined;
}

type Step = { text: string; main: boolean; moment: TapMoment; act: (timeStamp: number) => void };

/** What the board's big button is for now. */
function nextStep(run: Run, tiles: readonly Tile[]): Step {
  const { plan, state } = run;
  const next = nextRepIndex(plan, state);
  if (state.endedAtMs !== undefined)
    return { text: 'See the results', main: true, moment: 'release', act: () => router.replace(`/results/${plan.id}`) };
  const allIn = tiles.every((tile) => tile.phase !== 'running');
  if (next === undefined) return { text: 'End the session', main: allIn, moment: 'release', act: run.end };
  const rep = plan.reps[next];
  const label = rep ? repLabel(rep) : '';
  if (state.lastRepIndex < 0)
    return { text: `Start: ${label}`, main: true, moment: 'down', act: (at) => run.start(next, at) };
  const left = recoveredIn(tiles);
  const wait = left !== undefined && left > 0 ? ` in ${formatClock(Math.ceil(left))}` : '';
  return { text: `Start rep ${next + 1}${wait}`, main: allIn, moment: 'down', act: (at) => run.start(next, at) };
}

function repClock(state: RunState, now: number): string {
  const starts = Object.values(state.athletes).flatMap((runs) => runs[state.lastRepIndex]?.startedAtMs ?? []);
  if (starts.length === 0) return '0:00';
  const ended = state.endedAtMs ?? now;
  return formatClock(Math.floor((ended - Math.min(...starts)) / 1000));
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

function Board({ run }: { run: Run }) {
  const palette = usePalette();
  const now = useNow();
  const [area, setArea] = useState({ width: 0, height: 0 });
  const { plan, state } = run;
  const rep = plan.reps[Math.max(0, state.lastRepIndex)];
  const { tileWidth, tileHeight } = useMemo(
    () => gridFor(plan.athletes.length, area.width, area.height),
    [plan.athletes.length, area],
  );
  // Worked out once a tick, for the tiles and for the button.
  const tiles = plan.athletes.map((athlete) => ({ athlete, tile: tileFor(plan, state, athlete.athleteId, now) }));
  const step = nextStep(
    run,
    tiles.map(({ tile }) => tile),
  );
  const done = lastDone(run);
  const ended = state.endedAtMs !== undefined;
  const measure = (event: LayoutChangeEvent) =>
    setArea({ width: event.nativeEvent.layout.width, height: event.nativeEvent.layout.height });
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
            {ended
              ? 'Session ended'
              : rep
                ? `${Math.max(0, state.lastRepIndex) + 1} of ${plan.reps.length}: ${repLabel(rep)}`
                : plan.title}
          </Words>
          <View style={{ flexDirection: 'row', gap: SPACE.m, alignItems: 'center' }}>
            {rep?.recovery !== undefined && <Words as="label" quiet>{`then ${rep.recovery}`}</Words>}
            <Kept />
          </View>
        </View>
        <View role="timer" aria-label="Time since the start of the rep" style={{ paddingRight: SPACE.m }}>
          <Words as="clock">{repClock(state, now)}</Words>
        </View>
      </View>
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
            tiles.map(({ athlete: { athleteId, tileName }, tile }) => {
              const on = 'repIndex' in tile ? plan.reps[tile.repIndex] : undefined;
              return (
                <AthleteTile
                  key={athleteId}
                  athleteId={athleteId}
                  name={tileName}
                  face={faceOf(tile, on?.distanceM)}
                  resting={tile.phase === 'done'}
                  width={tileWidth}
                  height={tileHeight}
                  onTap={run.tap}
                />
              );
            })}
        </View>
      </View>
      <View
        style={{
          flexDirection: 'row',
          gap: SPACE.s,
          padding: SPACE.m,
          borderTopWidth: 1,
          borderTopColor: palette.line,
        }}
      >
        <TapButton
          icon="undo"
          grow={2}
          disabled={!done}
          label={done ? `Undo ${done.words}` : 'Nothing to undo'}
          onTap={(at) => done && run.undo(done.eventId, at)}
        >
          {done?.words ?? 'Undo'}
        </TapButton>
        <TapButton main={step.main} grow={4} moment={step.moment} onTap={step.act}>
          {step.text}
        </TapButton>
        {state.lastRepIndex >= 0 && !ended && nextRepIndex(plan, state) !== undefined && (
          <TapButton icon="stop" label="End the session now" moment="release" onTap={run.end} />
        )}
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
