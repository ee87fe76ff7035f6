import { G, Line } from 'react-native-svg';
import { PlotText } from './PlotText';
import { usePalette } from './theme';

/** A level of a drawing: how far down it lies, and what it is called. */
export type Level = { y: number; text: string };

/** Lines across a drawing from `left` to `right`, each named at its left end. */
export function LevelLines({ levels, left, right }: { levels: readonly Level[]; left: number; right: number }) {
  const palette = usePalette();
  return (
    <>
      {levels.map(({ y, text }) => (
        <G key={y}>
          <Line x1={left} x2={right} y1={y} y2={y} stroke={palette.line} strokeWidth={1} />
          <PlotText x={left - 6} y={y + 4} color={palette.quiet} anchor="end">
            {text}
          </PlotText>
        </G>
      ))}
    </>
  );
}

/** A place along the foot of a drawing: how far to the right it lies, and what it is called. */
export type Place = { x: number; text: string };

/** Short strokes along the foot of a drawing, each named under it; `bottom` is where the drawing ends. */
export function FootMarks({ places, bottom }: { places: readonly Place[]; bottom: number }) {
  const palette = usePalette();
  return (
    <>
      {places.map(({ x, text }) => (
        <G key={x}>
          <Line x1={x} x2={x} y1={bottom} y2={bottom + 5} stroke={palette.quiet} strokeWidth={1.5} />
          <PlotText x={x} y={bottom + 20} color={palette.quiet}>
            {text}
          </PlotText>
        </G>
      ))}
    </>
  );
}

/** More numbers than this stand too close on a phone. */
const MOST_NUMBERS = 12;

/** The numbers of the reps under a drawing, as many as there is room for; `x` gives the place of each from 0. */
export function RepNumbers({ count, x, y }: { count: number; x: (rep: number) => number; y: number }) {
  const palette = usePalette();
  const every = Math.ceil(count / MOST_NUMBERS);
  return (
    <>
      {Array.from({ length: count }, (_, rep) =>
        rep % every === 0 ? (
          <PlotText key={rep} x={x(rep)} y={y} color={palette.quiet}>
            {String(rep + 1)}
          </PlotText>
        ) : null,
      )}
    </>
  );
}
