import type { Judged, Tile } from '@core/trackside/tile';
import { formatClock, formatTime } from '@core/units/time';
import { spokenDelta } from '../ui/spokenDelta';

/** What a tile shows, in words; equal words need no new drawing. */
export type TileFace = {
  head: string;
  /** The big line. */
  big: string;
  last?: Judged;
  /** How much of the tile is filled, in whole percent. */
  fill: number;
  /** Recovery is over, or this moment is due. */
  due: boolean;
  canTap: boolean;
  spoken: string;
};

const markName = (atM: number, finishM: number | undefined) => (atM === finishM ? 'finish' : String(Math.round(atM)));

/** A taken time as said aloud. */
export function judgedWords(result: Judged): string {
  const time = formatTime(result.elapsedS, 1);
  return result.deltaS !== undefined && result.verdict
    ? `${time}, ${spokenDelta(result.deltaS, result.verdict)}`
    : time;
}

/** Puts a tile into words. `finishM` is the distance of the rep it is on, in metres. */
export function faceOf(tile: Tile, finishM: number | undefined): TileFace {
  const percent = 'share' in tile ? Math.round(tile.share * 50) * 2 : 0;
  switch (tile.phase) {
    case 'ready': {
      const big = tile.targetS === undefined ? 'by effort' : formatTime(tile.targetS, 1);
      return { head: 'target', big, fill: 0, due: false, canTap: false, spoken: `ready, target ${big}` };
    }
    case 'running': {
      const where = tile.nextM === undefined ? 'to go' : markName(tile.nextM, finishM);
      const clock =
        tile.nextM === undefined && tile.expectedS !== undefined
          ? formatClock(Math.ceil(tile.expectedS - tile.elapsedS))
          : undefined;
      const big = clock ?? (tile.expectedS === undefined ? '–' : formatTime(tile.expectedS, 1));
      return {
        head: where,
        big,
        ...(tile.last ? { last: tile.last } : {}),
        fill: percent,
        due: tile.share >= 1,
        canTap: tile.nextM !== undefined,
        spoken: `running, next ${where} at ${big}`,
      };
    }
    case 'recovering': {
      const big = tile.leftS === undefined ? 'rest' : tile.leftS > 0 ? formatClock(Math.ceil(tile.leftS)) : 'go';
      return {
        head: formatTime(tile.result.elapsedS, 1),
        big,
        last: tile.result,
        fill: percent,
        due: big === 'go',
        canTap: false,
        spoken: `ran ${judgedWords(tile.result)}; recovery ${big}`,
      };
    }
    case 'done': {
      const big = tile.result ? formatTime(tile.result.elapsedS, 1) : '–';
      return {
        head: 'done',
        big,
        ...(tile.result ? { last: tile.result } : {}),
        fill: 0,
        due: false,
        canTap: false,
        spoken: `done, ${tile.result ? judgedWords(tile.result) : 'no time'}`,
      };
    }
  }
}
