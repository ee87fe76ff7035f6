/** The level that everyone's last sessions before a day showed, by which a change of fitness is told from chance. */
import { levelsSince, type LevelRead } from '@core/review/changeShown';
import { levelIn } from '@core/review/toldBefore';
import { calibrationOf } from './calibrations';
import type { Db } from './open';
import { breathe } from './results';
import { toldBefore, type ToldSession } from './toldSessions';

/** Sessions looked at of each athlete: one less than are held together, since the one that is read is the last. */
const LAST = 3;
/** Cache size in athletes' sessions. */
const MOST_KEPT = 2000;

const kept = new Map<string, { readFrom: string; level: LevelRead | undefined }>();

function levelOfSession(athleteId: string, told: ToldSession, earlier: readonly ToldSession[]): LevelRead | undefined {
  const { sessionId, session } = told;
  const calibration = calibrationOf(earlier, session.date);
  const readFrom = `${told.readFrom} ${JSON.stringify(calibration)}`;
  const key = `${athleteId} ${sessionId}`;
  const cached = kept.get(key);
  if (cached?.readFrom === readFrom) return cached.level;
  const curve = told.curve();
  const level = curve && levelIn(session, curve, calibration);
  kept.delete(key);
  kept.set(key, { readFrom, level });
  const [oldest] = kept.keys();
  if (kept.size > MOST_KEPT && oldest !== undefined) kept.delete(oldest);
  return level;
}

/** Nothing of somebody erased stays in memory. */
function forgetErased(ids: ReadonlySet<string>): void {
  for (const key of kept.keys()) if (!ids.has(key.slice(0, key.indexOf(' ')))) kept.delete(key);
}

/** The last sessions of everyone before a day (YYYY-MM-DD) that still count, by athlete; those without any are left out. */
export async function levelsBefore(db: Db, before: string): Promise<Record<string, LevelRead[]>> {
  const found: Record<string, LevelRead[]> = {};
  const told = await toldBefore(db, before);
  forgetErased(new Set(told.map(({ athlete }) => athlete.id)));
  for (const { athlete, sessions } of told) {
    const levels: LevelRead[] = [];
    for (const [i, session] of [...sessions.entries()].slice(-LAST)) {
      await breathe();
      const level = levelOfSession(athlete.id, session, sessions.slice(0, i));
      if (level) levels.push(level);
    }
    const counting = levelsSince(levels, athlete.marks, before);
    if (counting.length > 0) found[athlete.id] = counting;
  }
  return found;
}
