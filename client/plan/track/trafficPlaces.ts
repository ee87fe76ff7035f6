/** Where the lines of the traffic view go, in px. */
import type { GroupTraffic, TrafficLeg } from '@core/track/traffic';
import type { Venue } from '@core/venue/venue';
import type { Scale } from '../../ui/plot';

export type Stroke = { kind: TrafficLeg['kind']; points: [x: number, y: number][] };

/**
 * One group's lines: position on the lap over time. A leg that crosses the line goes on from the other edge; on a way there and
 * back it turns.
 */
export function strokesOf({ legs }: GroupTraffic, venue: Venue, gapS: number, x: Scale, y: Scale): Stroke[] {
  const { lapM } = venue;
  return legs.flatMap(({ kind, fromS, toS, fromM, toM }): Stroke[] => {
    const timeAt = (atM: number) => (toM === fromM ? fromS : fromS + ((atM - fromM) / (toM - fromM)) * (toS - fromS));
    if (toM === fromM) {
      const at = y(onLapM(fromM, lapM));
      return [
        {
          kind,
          points: [
            [x(fromS + gapS), at],
            [x(toS + gapS), at],
          ],
        },
      ];
    }
    const strokes: Stroke[] = [];
    const way = Math.sign(toM - fromM);
    let atM = fromM;
    while ((toM - atM) * way > 1e-6) {
      const lap = way > 0 ? Math.floor(atM / lapM + 1e-9) : Math.ceil(atM / lapM - 1e-9) - 1;
      const edgeM = way > 0 ? (lap + 1) * lapM : lap * lapM;
      const untilM = way > 0 ? Math.min(toM, edgeM) : Math.max(toM, edgeM);
      strokes.push({
        kind,
        points: [
          [x(timeAt(atM) + gapS), y(atM - lap * lapM)],
          [x(timeAt(untilM) + gapS), y(untilM - lap * lapM)],
        ],
      });
      atM = untilM;
    }
    return strokes;
  });
}

function onLapM(atM: number, lapM: number): number {
  return ((atM % lapM) + lapM) % lapM;
}

/** Every group has a way of being drawn that can be told apart without colour. */
export const DASHES = [undefined, '9 4', '3 3', '12 3 3 3', '6 6', '2 6'] as const;

/** A group in one letter. */
export const letterOf = (i: number): string => String.fromCharCode(65 + (i % 26));
