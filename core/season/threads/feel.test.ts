/** The app's own sessions feel as they are meant to, for runners of 15:00 to 30:00 over 5000 m. */
import { curveMovedTo, fitCurve, timeFor } from '../../fitness/curve';
import { outlookFor } from '../../outlook/outlook';
import { curveBook } from '../../paces/shippedPaceBooks';
import { INTENT_FACTS } from '../../session/intent';
import { parseStored } from '../../session/parseSession';
import { guideFor, SHIPPED_GUIDES } from '../../squad/volumeGuides';
import { targetsFor } from '../../targets/targetsFor';
import { sessionTotals } from '../../targets/totals';
import { formatTime } from '../../units/time';
import { standardTrack } from '../../venue/venue';
import type { SeasonDay, SeasonPlan } from '../season';
import { seasonTemplates } from '../templates/templates';
import { sessionOfDay } from './threadSession';
import { ALL_THREADS } from './threads';

const DAY = '2026-11-01';
const RUNNERS = [900, 1020, 1140, 1290, 1440, 1620, 1800].map((timeS) => {
  const curve = fitCurve([{ distanceM: 5000, timeS, date: DAY, kind: 'race' }], { asOf: DAY });
  // A goal two per cent away.
  return { timeS, curve, goalCurve: curveMovedTo(curve, 5000, timeFor(curve, 5000) * 0.98) };
});
const STEPS = 8;

/** Who goes through the stages again has held the last one, and is faster by then. */
const isOnlyForTheFaster = (id: string, step: number) => id === 'stages' && step >= 3;

type Turn = Pick<SeasonDay, 'special' | 'thread'>;
/** One session as written for a group, as it is predicted for one of them. */
function lookAt(
  season: Pick<SeasonPlan, 'threads' | 'specials'>,
  turn: Turn,
  { timeS, curve, goalCurve }: (typeof RUNNERS)[number],
) {
  const session = sessionOfDay({ ...season, median5kS: timeS }, { kind: 'hard', ...turn });
  if (session?.kind !== 'session' || !session.intent) throw new Error('There is no session.');
  const parsed = parseStored(session.shorthand);
  if (!parsed.ok) throw new Error(session.shorthand);
  const legs = targetsFor(parsed.session, { curve, goalCurve, paceBook: curveBook, venue: standardTrack });
  const { intent } = session;
  const arc = session.arc ?? INTENT_FACTS[intent].arc;
  return { who: formatTime(timeS), intent, legs, fit: outlookFor(curve, legs, arc).fit };
}

const TURNS = [
  ...ALL_THREADS.map((thread) => ({
    name: thread.id,
    season: { threads: [thread], specials: {} },
    turns: Array.from({ length: STEPS }, (_, step): Turn => ({ thread: { id: thread.id, step } })).filter(
      (_, step) => !isOnlyForTheFaster(thread.id, step),
    ),
  })),
  ...seasonTemplates.map(({ id, specials }) => ({
    name: `the sessions of ${id}`,
    season: { threads: [], specials },
    turns: Object.keys(specials).map((special) => ({ special }) as Turn),
  })),
];

test.each(TURNS)('$name: nobody finds a step harder than meant', ({ season, turns }) => {
  const looks = turns.flatMap((turn) => RUNNERS.map((runner) => ({ turn, ...lookAt(season, turn, runner) })));
  const tooHard = looks.filter(({ fit }) => fit === 'stretched' || fit === 'cannot');
  expect(tooHard.map(({ turn, who, fit }) => ({ turn, who, fit }))).toEqual([]);
});

test('most of them feel as meant, and what does not is light', () => {
  const looks = TURNS.flatMap(({ season, turns }) =>
    turns.flatMap((turn) => RUNNERS.map((runner) => lookAt(season, turn, runner))),
  );
  const known = looks.filter(({ fit }) => fit !== 'unknown');
  expect(known.filter(({ fit }) => fit === 'fine').length / known.length).toBeGreaterThan(0.95);
});

describe('amounts are as long by the clock for the slow as for the quick', () => {
  const minutesOf = (look: ReturnType<typeof lookAt>) =>
    sessionTotals(look.legs)
      .byWork.filter(({ work }) => work === 'main' || work === 'finish')
      .reduce((sum, { durationS }) => sum + durationS / 60, 0);
  // Open-ended work has no amount.
  test.each(ALL_THREADS.filter(({ id }) => id !== 'open-thr').map((thread) => [thread.id, thread] as const))(
    '%s: at most a third more minutes at 30:00 than at 19:00',
    (id, thread) => {
      const season = { threads: [thread], specials: {} };
      const [, , reference, , , , slow] = RUNNERS;
      if (!reference || !slow) throw new Error('No runners.');
      for (let step = 0; step < STEPS; step++) {
        const turn = { thread: { id, step } };
        const [at19, at30] = [minutesOf(lookAt(season, turn, reference)), minutesOf(lookAt(season, turn, slow))];
        // A single rep fewer is much of a short session.
        expect([step, at30 <= Math.max(at19 * 1.34, at19 + 4)]).toEqual([step, true]);
      }
    },
  );
  test('no step of threshold is beyond the app’s own guide', () => {
    const thread = ALL_THREADS.find(({ id }) => id === 'thr');
    const [, , runner] = RUNNERS;
    if (!thread || !runner) throw new Error('No thread.');
    const most = guideFor(SHIPPED_GUIDES, 'threshold', {})?.mostS ?? 0;
    for (let step = 0; step < STEPS; step++)
      expect(
        minutesOf(lookAt({ threads: [thread], specials: {} }, { thread: { id: 'thr', step } }, runner)),
      ).toBeLessThanOrEqual(most / 60);
  });
  test('what the coach wrote is left as it is', () => {
    const [thread] = ALL_THREADS;
    if (!thread) throw new Error('No thread.');
    const { isFitted: _fitted, ...own } = { ...thread, stages: ['main: 10x300 @5k / 30s jog'] };
    const session = sessionOfDay(
      { threads: [own], specials: {}, median5kS: 1800 },
      { kind: 'hard', thread: { id: own.id, step: 0 } },
    );
    expect(session).toMatchObject({ shorthand: expect.stringContaining('main: 10x300 @5k / 30s jog') });
  });
});
