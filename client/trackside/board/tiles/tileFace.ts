import type { JudgedMark, Tile } from '@core/run/tile';
import { formatClock, formatTime } from '@core/units/time';
import { spokenDelta } from '../../../ui/spokenDelta';

/** What a tile shows, in words; equal words need no new drawing. */
export type TileFace = {
  head: string;
  /** The big line. */
  big: string;
  last?: JudgedMark;
  /** How much of the tile is filled, in whole percent. */
  fill: number;
  /** Recovery is over, or this moment is due. */
  due: boolean;
  /** A press takes a time; otherwise it opens what is known of the athlete. */
  canTap: boolean;
  /** Expected, and not here yet. */
  isLate?: true;
  spoken: string;
};

const markName = (atM: number, finishM: number | undefined) => (atM === finishM ? 'finish' : String(Math.round(atM)));

/** A taken time as said aloud. */
export function judgedWords(result: JudgedMark): string {
  const time = formatTime(result.elapsedS, 1);
  return result.deltaS !== undefined && result.verdict
    ? `${time}, ${spokenDelta(result.deltaS, result.verdict)}`
    : time;
}

/** Puts a tile into words. */
export function faceOf(tile: Tile): TileFace {
  const finishM = 'run' in tile ? tile.run?.rep.distanceM : undefined;
  const percent = 'share' in tile ? Math.round(tile.share * 50) * 2 : 0;
  switch (tile.phase) {
    case 'ready': {
      const target = tile.targetS === undefined ? 'by effort' : formatTime(tile.targetS, 1);
      const face = { fill: 0, due: false, canTap: false };
      return tile.isLate
        ? { ...face, head: target, big: 'late', isLate: true, spoken: `not here yet, target ${target}` }
        : { ...face, head: 'target', big: target, spoken: `ready, target ${target}` };
    }
    case 'running': {
      const { durationS } = tile.run.rep;
      const where = durationS !== undefined ? 'to go' : tile.nextM === undefined ? 'on' : markName(tile.nextM, finishM);
      const clock = durationS === undefined ? undefined : formatClock(Math.ceil(durationS - tile.elapsedS));
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
        head: tile.isStopped ? 'stopped' : 'done',
        big,
        ...(tile.result ? { last: tile.result } : {}),
        fill: 0,
        due: false,
        canTap: false,
        spoken: `${tile.isStopped ? 'stopped' : 'done'}, ${tile.result ? judgedWords(tile.result) : 'no time'}`,
      };
    }
  }
}
