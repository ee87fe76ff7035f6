import { useLayoutEffect, useRef, useState } from 'react';
import { View, type LayoutChangeEvent, type ViewStyle } from 'react-native';
import type { RunEvent } from '@core/run/events';
import { tileFor } from '@core/run/tile';
import type { Source } from '../../../store/source';
import { usePalette } from '../../../ui/theme';
import { useWide } from '../../../ui/useWide';
import type { Run } from '../../../log/useRun';
import { inOrder } from '../order';
import { shownIds, type Shown } from '../steps';
import { ATHLETE_KEYS } from '../useKeys';
import { GAP, gridFor } from './grid';
import type { TileActs } from './presses';
import { faceOf } from './tileFace';
import { TileWall, type Faces } from './TileWall';

/** Room around the tiles for the ring of the one that has the focus, in px. */
const RING = 5;

/** How everyone stands now. */
const facesOf =
  ({ state, now }: Run): Faces =>
  (athleteId) => {
    const tile = tileFor(state, athleteId, now());
    return { face: faceOf(tile), isResting: tile.phase === 'done' };
  };

/** Who is concerned by what is new, if it is times only; undefined is everyone. */
function whoseNews(knownEvents: readonly RunEvent[], events: readonly RunEvent[]): string[] | undefined {
  const added = events.slice(knownEvents.length);
  const isGrown = knownEvents.length > 0 && events[knownEvents.length - 1] === knownEvents.at(-1);
  const whose = added.flatMap((event) => (event.type === 'passed' ? event.athleteId : []));
  return isGrown && whose.length === added.length ? whose : undefined;
}

type Props = TileActs & {
  runs: Source<Run>;
  /** Whose tiles. */
  choice: Shown;
  /** When the board around was drawn: then recoveries show another second, and tiles are a little fuller. */
  now: number;
};

/** A tile for everyone of the groups shown. What stands on them follows the session at once, past React: see TileView. */
export function Tiles({ runs, choice, now, tap, open }: Props) {
  const palette = usePalette();
  const wide = useWide();
  const [area, setArea] = useState({ width: 0, height: 0 });
  const host = useRef<View>(null);
  const wall = useRef<TileWall>(undefined);

  useLayoutEffect(() => {
    // On the web a view is an element of the page.
    const made = new TileWall(host.current as unknown as HTMLElement, { tap, open });
    wall.current = made;
    return () => made.remove();
  }, [tap, open]);

  useLayoutEffect(() => {
    const { current: tiles } = wall;
    if (area.width === 0 || !tiles) return;
    let knownEvents: readonly RunEvent[] = [];
    const lay = ({ state, device }: Run) => {
      const owners = inOrder(state, shownIds(state, choice, device)).map(({ athleteId, tileName }, i) => ({
        athleteId,
        name: tileName,
        corner: wide ? ATHLETE_KEYS[i]?.toUpperCase() : undefined,
      }));
      const { tileWidth, tileHeight } = gridFor(owners.length, area.width, area.height);
      tiles.lay(owners, { width: tileWidth, height: tileHeight, palette });
    };
    const follow = () => {
      const run = runs.getSnapshot();
      const whose = whoseNews(knownEvents, run.events);
      knownEvents = run.events;
      // Times move nobody's tile.
      if (!whose) lay(run);
      tiles.show(facesOf(run), whose);
      // What was pressed has become part of the session.
      tiles.releaseAll();
    };
    follow();
    return runs.subscribe(follow);
  }, [runs, choice, wide, area, palette, tap, open]);

  useLayoutEffect(() => wall.current?.show(facesOf(runs.getSnapshot())), [runs, now]);
  const measure = ({ nativeEvent: { layout } }: LayoutChangeEvent) =>
    setArea({ width: layout.width - 2 * RING, height: layout.height - 2 * RING });
  return <View ref={host} onLayout={measure} role="group" aria-label="Line board" style={WALL_STYLE} />;
}

const WALL_STYLE = {
  margin: -RING,
  padding: RING,
  flex: 1,
  flexDirection: 'row',
  flexWrap: 'wrap',
  gap: GAP,
  // Near the thumb; where they are more than the room, the first ones are still reached.
  alignContent: 'safe flex-end',
  overflow: 'scroll',
  fontFamily: 'Zest',
} as unknown as ViewStyle;
