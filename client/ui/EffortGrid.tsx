import type { Scale } from './plot';
import { LevelLines } from './PlotAxis';

const EFFORTS = [2, 4, 6, 8, 10];

/** The lines of a drawing of effort from 1 to 10, with their numbers at the left. */
export const EffortGrid = ({ left, width, y }: { left: number; width: number; y: Scale }) => (
  <LevelLines
    left={left}
    right={width - 6}
    levels={EFFORTS.map((effort) => ({ y: y(effort), text: String(effort) }))}
  />
);
