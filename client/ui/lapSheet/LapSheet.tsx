import { Fragment, useState, type KeyboardEvent, type MouseEvent } from 'react';
import { unstable_createElement } from 'react-native-web';
import { View } from 'react-native';
import type { Gap, LapRow, LapSection } from '@core/track/lapSheet';
import { Bands, type Drawing, type Sheet } from './Bands';
import { AXIS, gapText, legAt, placeRows, ROW } from './lapSheetPlaces';
import type { Palette } from '../palette';
import { usePalette } from '../theme';
import { Text } from '../Text';

const PART_NAME = { warm: 'Warm-up', main: 'Main part', finish: 'Fast finish', cool: 'Cool-down' } as const;

/** Room for a folded row's “4 laps”, and for half a gap mark at the right end. */
const MARGIN = { left: 2, right: 46 };

/** Words over a band; left out where the one before has not ended yet. */
function rowWords(row: LapRow, x: Drawing['x']): { at: number; text: string; end: boolean }[] {
  const wide = (text: string) => text.length * 6.2;
  const gaps = row.gaps.map((gap) => ({ at: x(gap.atM), text: gapText(gap), end: true }));
  let free = -Infinity;
  const words: { at: number; text: string; end: boolean }[] = [];
  for (const band of row.bands) {
    const at = x(band.fromM);
    const until = Math.min(
      x(band.toM),
      ...gaps.filter((gap) => gap.at > at + 1).map((gap) => gap.at - wide(gap.text) - 16),
    );
    if (!band.label || band.kind === 'jog' || at < free || wide(band.label) > until - at + 12) continue;
    words.push({ at: at + 1, text: band.label, end: false });
    free = at + wide(band.label) + 6;
  }
  return words;
}

function GapMark({
  gap,
  y,
  x,
  palette,
  atEnd,
}: {
  gap: Gap;
  y: number;
  x: Drawing['x'];
  palette: Palette;
  atEnd: boolean;
}) {
  const at = x(gap.atM);
  const middle = y + ROW.words + ROW.band / 2;
  return (
    <g>
      <path d={`M${at} ${middle - 6}l4 6-4 6-4-6z`} fill={palette.ground} stroke={palette.ink} strokeWidth={1.5} />
      <text
        x={atEnd ? at + 8 : at - 6}
        y={atEnd ? middle + 4 : y + 9}
        fontSize={12}
        fontFamily="Zest"
        fontWeight="700"
        textAnchor={atEnd ? 'start' : 'end'}
        fill={palette.ink}
      >
        {gapText(gap)}
      </text>
    </g>
  );
}

function Row({ row, section, y, drawing }: { row: LapRow; section: LapSection; y: number; drawing: Drawing }) {
  const { palette, x } = drawing;
  return (
    <g>
      <Bands row={row} section={section} y={y + ROW.words} height={ROW.band} drawing={drawing} />
      {rowWords(row, x).map((word, i) => (
        <text key={i} x={word.at} y={y + 9} fontSize={12} fontFamily="Zest" fontWeight="700" fill={palette.ink}>
          {word.text}
        </text>
      ))}
      {row.laps > 1 && (
        <text
          x={x(row.bands.at(-1)?.toM ?? 0) + 8}
          y={y + ROW.words + ROW.band - 1}
          fontSize={12}
          fontFamily="Zest"
          fontWeight="700"
          fill={palette.ink}
        >
          {`× ${row.laps}`}
        </text>
      )}
      {row.gaps.map((gap, i) => (
        <GapMark
          key={i}
          gap={gap}
          y={y}
          x={x}
          palette={palette}
          atEnd={
            row.laps === 1 &&
            x(gap.atM) > x(0) + 0.75 * (x(row.bands.at(-1)?.toM ?? 0) - x(0)) &&
            gap.atM >= (row.bands.at(-1)?.toM ?? 0)
          }
        />
      ))}
    </g>
  );
}

type Props = Sheet & {
  description: string;
  /** The leg that is looked at, and what happens when another one is pressed. */
  chosenLeg?: number | undefined;
  onChoose?: (legIndex: number) => void;
  /** How wide it is on paper, where it has to be there before anything is laid out. */
  paperPx?: number;
};

/**
 * The picture of a session: one row a lap, from the finish line on the left round to it again on the right. Reps are solid
 * from their true start to their true finish, jogs thin, rests a diamond with their time; the fast finish is zest. It is as
 * wide as what it stands in, on a phone or on paper.
 */
export function LapSheet({ sections, venue, finishLegs, description, chosenLeg, onChoose, paperPx }: Props) {
  const palette = usePalette();
  const [laidOutPx, setLaidOutPx] = useState(0);
  const width = paperPx ?? laidOutPx;
  const lapPx = width - MARGIN.left - MARGIN.right;
  const x = (m: number) => MARGIN.left + (m / venue.lapM) * lapPx;
  const drawing: Drawing = { palette, x, finishLegs, chosenLeg };
  const { placed, bottom } = placeRows(sections);
  const marks = [...venue.marks, { atM: venue.lapM, name: venue.marks[0]?.name ?? '' }];
  const drawn = (
    <View
      role="img"
      aria-label={description}
      onLayout={(event) => setLaidOutPx(event.nativeEvent.layout.width)}
      style={{ width: '100%', minHeight: 40 }}
    >
      {width > 0 && (
        <svg width={width} height={bottom + 4}>
          {marks.map(({ atM, name }) => (
            <Fragment key={atM}>
              <line
                x1={x(atM)}
                x2={x(atM)}
                y1={AXIS}
                y2={bottom}
                stroke={palette.line}
                strokeWidth={atM % venue.lapM === 0 ? 2.5 : 1}
              />
              <text
                x={x(atM)}
                y={11}
                fontSize={12}
                fontFamily="Zest"
                fontWeight="500"
                fill={palette.quiet}
                textAnchor={atM === 0 ? 'start' : atM === venue.lapM ? 'end' : 'middle'}
              >
                {atM % venue.lapM === 0 ? name : String(atM)}
              </text>
            </Fragment>
          ))}
          {placed.map(({ section, heading, rows }) => (
            <Fragment key={heading}>
              <text
                x={MARGIN.left}
                y={heading + 15}
                fontSize={13}
                fontFamily="Zest"
                fontWeight="700"
                fill={palette.quiet}
              >
                {PART_NAME[section.role]}
              </text>
              {rows.map(({ row, at }) => (
                <Row key={at} row={row} section={section} y={at} drawing={drawing} />
              ))}
            </Fragment>
          ))}
        </svg>
      )}
      {sections.length === 0 && <Text quiet>Nothing to draw yet.</Text>}
    </View>
  );
  if (!onChoose) return drawn;
  const legs = [
    ...new Set(placed.flatMap(({ rows }) => rows.flatMap(({ row }) => row.bands.map(({ legIndex }) => legIndex)))),
  ];
  const step = (by: number) => {
    const next = legs[legs.indexOf(chosenLeg ?? -1) + by] ?? (by > 0 ? legs[0] : legs.at(-1));
    if (next !== undefined) onChoose(next);
  };
  return unstable_createElement('div', {
    role: 'group',
    'aria-label': 'Rep by rep: press one, or use the arrow keys',
    tabIndex: 0,
    onKeyDown: (event: KeyboardEvent) => {
      const by = event.key === 'ArrowRight' || event.key === 'ArrowDown' ? 1 : -1;
      if (!event.key.startsWith('Arrow')) return;
      event.preventDefault();
      step(by);
    },
    onClick: ({ currentTarget, clientX, clientY }: MouseEvent<HTMLElement>) => {
      const box = currentTarget.getBoundingClientRect();
      const leg = legAt(placed, clientX - box.left, clientY - box.top, x);
      if (leg !== undefined) onChoose(leg);
    },
    style: { cursor: 'pointer' },
    children: drawn,
  });
}
