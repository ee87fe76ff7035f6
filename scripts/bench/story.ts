import { progressOf } from '@core/fitness/progress';
import type { Mark } from '@core/fitness/mark';
import type { PaceMetres, RanAthlete, RunHead } from '@core/review/history';
import { loadByWeek } from '@core/review/story';
import { daysAfter } from '@core/units/dayNumber';
import { report, timed } from './measure';

const FROM = '2024-01-01';
const SESSIONS = 320;
const ATHLETES = 20;
const MARKS = 80;

/** So many sessions of twenty athletes, every second day. */
function story(sessions: number) {
  const runs = Array.from({ length: sessions }, (_, i): RunHead => {
    const runId = `r${i}`;
    return {
      runId,
      title: runId,
      date: daysAfter(FROM, 2 * i),
      kinds: [],
      conditions: {},
    };
  });
  const athletes = runs.flatMap(({ runId }) =>
    Array.from({ length: ATHLETES }, (_, i): RanAthlete => ({
      runId,
      athleteId: `a${i}`,
      isThere: true,
      planned: 8,
      finished: 8,
      verdicts: { early: 0, on: 8, late: 0 },
      minutes: 50,
      hardMinutes: 12,
      loadEffort: 7,
    })),
  );
  const metres = runs.flatMap(({ date }) =>
    Array.from({ length: ATHLETES }, (_, i): PaceMetres => ({ athleteId: `a${i}`, date, pace: '5k', distanceM: 3200 })),
  );
  return { runs, athletes, metres, window: { from: FROM, to: daysAfter(FROM, 2 * sessions) } };
}

const marksOf = (n: number): Mark[] =>
  Array.from({ length: n }, (_, i) => ({
    distanceM: [800, 1500, 3000, 5000][i % 4] ?? 5000,
    timeS: [150, 300, 638, 1110][i % 4] ?? 1110,
    date: daysAfter(FROM, Math.floor((i * 300) / n)),
    kind: 'race',
  }));

/** Years of a squad week by week, and how somebody with many marks has come along; each against a quarter of it. */
export async function storyBench(): Promise<void> {
  const [whole, quarter] = [story(SESSIONS), story(SESSIONS / 4)];
  const load = (of: ReturnType<typeof story>) => () => loadByWeek(of, of.metres, of.window);
  report(`load by week: ${SESSIONS} sessions × ${ATHLETES} athletes`, await timed(10, load(whole)), {
    against: [`${SESSIONS / 4} sessions`, await timed(10, load(quarter))],
  });
  const progress = (n: number) => () => progressOf(marksOf(n), 5000, FROM, daysAfter(FROM, 300));
  report(`how fitness came along, by ${MARKS} marks`, await timed(5, progress(MARKS)), {
    against: [`by ${MARKS / 4} marks`, await timed(5, progress(MARKS / 4))],
  });
}
