/** The level that everyone's last sessions before a day showed, by which a change of fitness is told from chance. */
import { LATELY, levelsSince, type LevelRead } from '@core/review/changeShown';
import { levelIn } from '@core/review/toldBefore';
import { calibrationOf } from './calibrations';
import type { Db } from './open';
import { ReadCache } from './readCache';
import { breathe } from './results';
import { toldBefore, type ToldSession } from './toldSessions';

/** The session that is read is the last of those that decide. */
const BEFORE = LATELY.sessions - 1;

/** Some weeks of a squad. */
const kept = new ReadCache<LevelRead | undefined>(2000);

function levelOfSession(athleteId: string, told: ToldSession, earlier: readonly ToldSession[]): LevelRead | undefined {
  const { sessionId, session } = told;
  const calibration = calibrationOf(earlier, session.date);
  const readFrom = `${told.readFrom} ${JSON.stringify(calibration)}`;
  const known = kept.get(athleteId, sessionId, readFrom);
  if (known) return known.figure;
  const curve = told.curve();
  return kept.put(athleteId, sessionId, readFrom, curve && levelIn(session, curve, calibration));
}

/** The last sessions of everyone before a day (YYYY-MM-DD) that still count, by athlete; those without any are left out. */
export async function levelsBefore(db: Db, before: string): Promise<Record<string, LevelRead[]>> {
  const found: Record<string, LevelRead[]> = {};
  const told = await toldBefore(db, before);
  kept.keepOnly(told.map(({ athlete }) => athlete));
  for (const { athlete, sessions } of told) {
    const levels: LevelRead[] = [];
    for (const [i, session] of [...sessions.entries()].slice(-BEFORE)) {
      await breathe();
      const level = levelOfSession(athlete.id, session, sessions.slice(0, i));
      if (level) levels.push(level);
    }
    const counting = levelsSince(levels, athlete.marks, before);
    if (counting.length > 0) found[athlete.id] = counting;
  }
  return found;
}
