/** Results as a coach expects to read them, from the events of the track to the words on the screen. */
import fc from 'fast-check';
import { fitCurve } from '@core/fitness/curve';
import { careFor, type CareKnown, type CarePerson } from '@core/judgement/care';
import { factsOf } from '@core/judgement/facts';
import { findingsOf } from '@core/judgement/findings';
import { readReady, readyAsked, type ReadyAnswer } from '@core/judgement/nextReady';
import { makePlan } from '@core/planning/makePlan';
import { curveBook } from '@core/paces/shippedPaceBooks';
import { askedOf, markOfEstimate, readFitness } from '@core/review/fitnessReading';
import { reviewRun } from '@core/review/review';
import type { Happening, RunEvent } from '@core/run/events';
import type { Plan } from '@core/run/plan';
import { replay } from '@core/run/replay';
import { at, DAY, end, pass, start } from '@core/run/testing';
import type { Intent } from '@core/session/intent';
import { read } from '@core/session/testing';
import { standardTrack } from '@core/venue/venue';
import { findingTexts } from './findingText';
import { fitnessText } from './fitnessText';

type Who = { name: string; fiveKS?: number; known?: CareKnown; person?: Partial<CarePerson> };
/** Seconds late, by rep; undefined if it was not run, or not finished. */
type Late = (rep: number) => number | undefined;
type Ran = {
  text: string;
  who: Who[];
  late?: Late[];
  efforts?: (number | undefined)[][];
  more?: Happening[];
  intent?: Intent;
  /** Seconds of rest less or more than planned. */
  restBy?: number;
  /** Only this many reps were begun, by each. */
  reps?: (number | undefined)[];
  from?: number[];
  /** Of open work: how often it was run. */
  turns?: number;
};

const FIVE_K_S = 1110;

const curveOf = (fiveKS: number) =>
  fitCurve([{ distanceM: 5000, timeS: fiveKS, date: DAY, kind: 'race' }], { asOf: DAY });

function planFor({ text, who, intent }: Ran): Plan {
  const people = who.map(({ name, fiveKS = FIVE_K_S }, i) => ({
    id: `a${i}`,
    name,
    tileName: name.slice(0, 12),
    paces: { curve: curveOf(fiveKS), paceBook: curveBook },
  }));
  const session = read(text);
  return makePlan(
    { id: 'run', sessionId: 's', title: 'T', date: DAY, shorthand: text },
    session,
    people,
    standardTrack,
    ...(intent ? [intent] : []),
  );
}

/** Runs it rep after rep, everyone together. */
function eventsOf(plan: Plan, ran: Ran): RunEvent[] {
  const { late = [], efforts = [], reps = [], from = [], more = [], restBy = 0, turns } = ran;
  const [group] = plan.groups;
  const [open] = group?.reps ?? [];
  const all = turns === undefined || !open ? (group?.reps ?? []) : Array.from({ length: turns }, () => open);
  const events: RunEvent[] = [];
  let atS = 0;
  all.forEach(({ distanceM, durationS }, rep) => {
    if (!group) return;
    const planIndex = turns === undefined ? rep : 0;
    const runs = group.athletes.flatMap(({ athleteId, targets }, i) => {
      if (rep < (from[i] ?? 0) || rep >= (reps[i] ?? Infinity) || targets[planIndex]?.isLeftOut) return [];
      const by = (late[i] ?? (() => 0))(rep);
      return [{ athleteId, timeS: (targets[planIndex]?.targetS ?? 90) + (by ?? 0), isFinished: by !== undefined, i }];
    });
    if (runs.length === 0) return;
    const athleteIds = runs.map(({ athleteId }) => athleteId);
    events.push(
      turns === undefined
        ? start(atS, rep, athleteIds)
        : at(atS, { type: 'started', repIndex: rep, athleteIds, planIndex }),
    );
    for (const { athleteId, timeS, isFinished, i } of runs) {
      if (distanceM !== undefined && isFinished) events.push(pass(atS + timeS, athleteId, distanceM, rep));
      const effort = efforts[i]?.[rep];
      if (effort !== undefined) events.push(at(atS + timeS + 5, { type: 'felt', athleteId, repIndex: rep, effort }));
    }
    const longest = Math.max(...runs.map(({ timeS }) => durationS ?? timeS));
    atS += longest + Math.max(5, (group.athletes[0]?.targets[planIndex]?.recoveryS ?? 60) + restBy);
  });
  return [...events, end(atS + 60), ...more.map((happening) => at(atS + 120, happening))];
}

function judged(ran: Ran) {
  const plan = planFor(ran);
  const state = replay(plan, eventsOf(plan, ran));
  const reviews = reviewRun(state);
  const knownOf = (athleteId: string) => {
    const { fiveKS = FIVE_K_S, known = { records: [] }, person = {} } = ran.who[Number(athleteId.slice(1))] ?? {};
    const { state: athlete } = { state: state.athletes[athleteId] };
    const rows = reviews.flatMap((review) => review.rows).find((row) => row.athleteId === athleteId);
    const own = {
      athleteId,
      runId: 'run',
      date: DAY,
      flags: rows?.cells.flatMap(({ flags }, i) => flags.map((flag) => ({ flag, rep: i + 1 }))) ?? [],
      ...(athlete?.stoppedAtMs === undefined ? {} : { isStopped: true as const }),
      ...(athlete?.stopReason ? { stopReason: athlete.stopReason } : {}),
      ...(athlete?.nextDay ? { legs: athlete.nextDay } : {}),
    };
    return {
      curve: curveOf(fiveKS),
      care: careFor({ status: 'training', ...person }, [...known.records, own], DAY, { creep: known.creep }),
      ...(known.usual ? { usual: known.usual } : {}),
    };
  };
  const facts = factsOf({ plan, state, reviews, knownOf });
  const answers = readReady(readyAsked(facts, () => true));
  const readings = reviews
    .flatMap(({ rows }) => rows)
    .map((row) =>
      readFitness(
        askedOf(row, plan.intent, undefined, {
          curve: knownOf(row.athleteId).curve,
          conditions: state.conditions,
        }),
      ),
    );
  return {
    plan,
    texts: findingTexts(findingsOf(facts)),
    answer: answers[0] as ReadyAnswer,
    answers,
    fitness: readings.map(fitnessText),
    keeps: readings.map((reading) => markOfEstimate(reading, plan)),
    /** Everything that anybody reads of it. */
    all: [
      ...findingTexts(findingsOf(facts)),
      ...answers.flatMap(({ reasons }) => reasons),
      ...readings.map(fitnessText),
    ].join(' '),
  };
}

const always =
  (s: number): Late =>
  () =>
    s;
const each =
  (...list: (number | undefined)[]): Late =>
  (rep) =>
    list[rep];
const stop = (athleteId = 'a0'): Happening => ({
  type: 'decided',
  athleteIds: [athleteId],
  decision: { kind: 'stop' },
});
const ADA: Who[] = [{ name: 'Ada' }];
const hot: Happening = { type: 'conditions', conditions: { temperatureC: 31, humidityPct: 62 } };

test('each rep 22 s early by a 25:00 runner: far quicker than the marks, and no lever', () => {
  const { texts, answer, all } = judged({
    text: '6x900 @5k / 75s',
    who: [{ name: 'Ada', fiveKS: 1500 }],
    late: [always(-22)],
    efforts: [[, , , , , 7]],
  });
  const [, time = ''] =
    /^Far quicker than the marks allow: Ada a 5k of (\d\d:\d\d) or better/.exec(texts[0] ?? '') ?? [];
  expect(time >= '22:00' && time <= '23:10').toBe(true);
  expect(answer.waits).toBe('level');
  expect(all).not.toMatch(/rests of|Nothing new|by rep 2|already/);
});

test('threshold, each rep 8 s early at effort 9: run the target, repeat', () => {
  const { texts, answer, all } = judged({
    text: '4x1500 @threshold / 75s',
    who: ADA,
    late: [always(-8)],
    efforts: [[, , , 9]],
  });
  expect(texts[0]).toBe('Ran 8\u00a0s a rep early: Ada. Run the target.');
  expect(answer).toMatchObject({ verdict: 'repeat', reasons: ['Ran 8 s a rep early: run the target.'] });
  expect(answer).not.toHaveProperty('advice');
  expect(all).not.toMatch(/rests of|Rests too/);
});

test('threshold miles, the last two 10 s late at effort 9: fell behind from rep 3, ease, no shorter rests', () => {
  const { texts, answer, all } = judged({
    text: '4x1mi @threshold / 60s',
    who: ADA,
    late: [each(0, 0, 10, 10)],
    efforts: [[, , , 9]],
  });
  expect(texts[0]).toBe('Fell behind: Ada from rep 3, 2.6\u00a0% late at the end.');
  expect(answer.verdict).toBe('back');
  expect(answer).not.toHaveProperty('advice');
  expect(all).not.toMatch(/rests of/);
});

describe('a first rep 3 s early', () => {
  const usual = { percent: 1, reps: 40 };
  const first = (late: Late) =>
    judged({ text: '8x400 @5k / 60s', who: [{ name: 'Nia', known: { records: [], usual } }], late: [late] }).texts[0];
  test('is named where the rest were on target', () =>
    expect(first(each(-3.4, 0, 0, 0, 0, 0, 0, 0))).toBe('First rep too quick: Nia by 3\u00a0s.'));
  test('is not to blame where the others were late instead', () =>
    expect(first(each(0, 3.4, 3.4, 3.4, 3.4, 3.4, 3.4, 3.4))).not.toMatch(/First rep/));
});

test('any count inside a range is all of it', () => {
  const { texts, answer } = judged({ text: '8-11x500 @5k / 90s', who: ADA, reps: [9], efforts: [[, , , , , , , , 8]] });
  expect(texts).toEqual(['All on target.']);
  expect(answer.reasons.join(' ')).not.toMatch(/Not all/);
});

test('who came late has cut nothing', () => {
  const { texts, answers } = judged({
    text: '6x400 @5k / 90s',
    who: [{ name: 'Ada' }, { name: 'Bo' }],
    from: [0, 2],
    efforts: [
      [, , , , , 7],
      [, , , , , 7],
    ],
  });
  expect(texts).toEqual(['All on target.']);
  expect(answers[1]?.verdict).toBe(answers[0]?.verdict);
});

describe('two reps on target, then pulled up', () => {
  const stopped = (...more: Happening[]) =>
    judged({
      text: '6x600 @5k / 90s',
      who: ADA,
      late: [each(0, 0, undefined)],
      reps: [3],
      more: [stop(), ...more],
    });
  const why = (reason: 'stitch' | 'spent' | 'pain' | 'had-to-go' | 'coach'): Happening => ({
    type: 'stopReason',
    athleteId: 'a0',
    reason,
  });
  test('without a reason it is asked for, and nothing is proposed', () => {
    const { texts, answer, all, keeps } = stopped();
    expect(texts[0]).toBe('Stopped in rep 3: why? Ada.');
    expect(answer.waits).toBe('reason');
    expect(all).not.toMatch(/[Ll]ess fit|below the marks/);
    expect(keeps[0]).toBeUndefined();
  });
  test('with a stitch: repeat, and no less fit', () => {
    const { texts, answer, all } = stopped(why('stitch'));
    expect(texts[0]).toBe('Stopped in rep 3, stitch: Ada.');
    expect(answer.verdict).toBe('repeat');
    expect(all).not.toMatch(/[Ll]ess fit|below the marks/);
  });
  test('spent: ease', () => {
    const { texts, answer } = stopped(why('spent'));
    expect(texts[0]).toBe('Spent in rep 3 of 6: Ada.');
    expect(answer.verdict).toBe('back');
  });
  test('with pain: out until they say it is gone', () => {
    const { texts, answer, all } = stopped(why('pain'));
    expect(texts[0]).toBe('Stopped in rep 3 with pain: Ada.');
    expect(answer).toMatchObject({
      waits: 'well',
      reasons: expect.arrayContaining(['Out until they say it is gone.']),
    });
    expect(all).not.toMatch(/[Ll]ess fit|below the marks/);
  });
  test('who had to go has shown nothing', () => {
    const { texts, answer } = stopped(why('had-to-go'));
    expect(texts[0]).not.toMatch(/Stopped|why/);
    expect(answer).toMatchObject({ verdict: 'repeat', reasons: ['Had to go before the end.'] });
  });
});

test('a niggle on rep 3, finished at effort 6: care first, no step', () => {
  const { texts, answer } = judged({
    text: '6x400 @5k / 90s',
    who: [{ name: 'Gus' }],
    efforts: [[, , , , , 6]],
    more: [{ type: 'flagged', athleteId: 'a0', repIndex: 2, flag: 'niggle' }],
  });
  expect(texts[0]).toBe('Niggle: Gus, rep 3.');
  expect(answer.verdict).toBe('repeat');
  expect(answer.reasons[0]).toBe('Niggle in rep 3.');
});

test('the first 12 weeks: the same or one rep more, and not held back for being new', () => {
  const { texts, answer } = judged({
    text: '6x400 @5k / 2:00',
    who: [{ name: 'Ada', person: { runningSince: '2026-09-20' } }],
    efforts: [[, , , , , 8]],
  });
  expect(texts).toEqual(['All on target.']);
  expect(answer).toMatchObject({ verdict: 'on', most: 'rep' });
});

test('told 8, 9, 10, 10 where 9 was meant: harder than meant, repeat', () => {
  const { texts, answer, all } = judged({
    text: '4x800 @5k / 2:00',
    who: [{ name: 'Milo' }],
    efforts: [[8, 9, 10, 10]],
  });
  expect(texts[0]).toBe('Harder than meant: Milo 10, meant 9.');
  expect(answer.verdict).toBe('repeat');
  expect(all).not.toMatch(/most would|9\.1/i);
});

test('the same session felt harder and harder: an easier week, and no step on', () => {
  const { texts, answer } = judged({
    text: '6x400 @5k / 90s',
    who: [{ name: 'Milo', known: { records: [], creep: { by: 1.5, date: DAY } } }],
    efforts: [[, , , , , 8]],
  });
  expect(texts[0]).toBe('The same work has felt 1.5 harder in the last three for Milo: tired, ill, heat?');
  expect(answer.verdict).toBe('repeat');
});

test('at 31 °C the weather is the first sentence, and nobody is sent a step back for it', () => {
  const { texts, answer, keeps } = judged({
    text: '5x1000 @10k / 2:00',
    who: ADA,
    late: [always(7)],
    efforts: [[, , , , 9]],
    more: [hot],
  });
  expect(texts[0]).toMatch(
    /^It was 31\u00a0°C \(felt 3\d\): that alone costs about [45]\u00a0% in reps over 3 minutes\.$/,
  );
  expect(texts.join(' ')).not.toMatch(/late|Harder|behind/);
  expect(answer.verdict).toBe('repeat');
  expect(keeps[0]).toBeUndefined();
});

test('open threshold, ended by the coach at effort 7 to 9: nothing is too hard, nobody less fit', () => {
  const { texts, answer, all } = judged({
    text: 'open x 1000 @threshold / 60s',
    who: ADA,
    turns: 9,
    efforts: [[, , , , , , , , 8]],
  });
  expect(texts).toEqual(['All on target.']);
  expect(answer.verdict).toBe('on');
  expect(all).not.toMatch(/[Ll]ess fit|Harder|below the marks/);
});

test('targets that quicken: fell behind them, never slowed', () => {
  const plan = planFor({ text: '6x700 @3k>1500 / 2:10', who: ADA });
  const targets = plan.groups[0]?.athletes[0]?.targets.map(({ targetS = 0 }) => targetS) ?? [];
  const from = targets[0] ?? 0;
  // Half a second quicker each time, where the targets ask for more.
  const { texts, all } = judged({
    text: '6x700 @3k>1500 / 2:10',
    who: ADA,
    late: [(rep) => from - 0.4 * rep - (targets[rep] ?? 0)],
  });
  expect(texts[0]).toMatch(/^Fell behind as the targets quickened: Ada, \d\.\d\u00a0% late at the end\.$/);
  expect(all).not.toMatch(/[Ss]lowed/);
});

test('a mile trial is no session to run again', () => {
  const { all } = judged({ text: '1mi @max', who: ADA, late: [always(0)], intent: 'test' });
  expect(all).not.toMatch(/Harder|Far quicker/);
});

test('12 × 1 min by the clock without metres: 12 of 12 run', () => {
  const { texts } = judged({ text: '12x1min @effort 8 / 60s jog', who: ADA });
  expect(texts[0]).toBe('12 of 12 reps by the clock run; no metres were taken.');
});

test('each item for itself: a long one and a ladder are not compared', () => {
  const { all } = judged({
    text: '2400 @half / 2:00, 4min @5k / 2:00, 3min @5k / 2:00, 2min @5k / 2:00, 1min @5k',
    who: ADA,
  });
  expect(all).not.toMatch(/First rep|too quick/);
});

test('a 13-year-old with all on target at effort 6: one rep more at most', () => {
  const { answer } = judged({
    text: '4x400 @5k / 2:00',
    who: [{ name: 'Ida', person: { bornYear: 2013 } }],
    efforts: [[, , , 6]],
  });
  expect(answer.most ?? 'rep').toBe('rep');
  expect(answer.reasons.join(' ')).toMatch(/under 14|Under 14/);
});

test('effort of the whole session, none by rep', () => {
  const { texts } = judged({
    text: '4x1000 @threshold / 60s',
    who: ADA,
    more: [{ type: 'sessionFelt', athleteId: 'a0', effort: 7 }],
  });
  expect(texts).toEqual(['All on target.', 'Effort 7, as meant.']);
});

describe('ten more', () => {
  test('nobody has marks: it is said, and nothing is blamed', () => {
    const plan = makePlan(
      { id: 'run', sessionId: 's', title: 'T', date: DAY, shorthand: '4x400 @5k / 90s' },
      read('4x400 @5k / 90s'),
      [{ id: 'a0', name: 'Ada', tileName: 'Ada', paces: { paceBook: curveBook } }],
      standardTrack,
    );
    const state = replay(plan, eventsOf(plan, { text: '', who: ADA }));
    const facts = factsOf({ plan, state, reviews: reviewRun(state) });
    expect(findingTexts(findingsOf(facts))).toEqual(['No marks yet on that day, so no targets to hold this against.']);
    expect(readReady(readyAsked(facts, () => true))[0]?.verdict).toBe('repeat');
  });
  test('late throughout: so many seconds a rep, and never shorter rests', () => {
    const { texts, answer, all } = judged({
      text: '6x800 @5k / 2:00',
      who: ADA,
      late: [always(3)],
      efforts: [[, , , , , 7]],
    });
    expect(texts[0]).toBe('Ran 3\u00a0s a rep late: Ada.');
    expect(answer.verdict).toBe('repeat');
    expect(all).not.toMatch(/rests of/);
  });
  test('a last rep raced is named, and is no reason to step on', () => {
    const { texts, answer } = judged({
      text: '8x400 @5k / 60s',
      who: [{ name: 'Kit', known: { records: [], usual: { percent: 0.8, reps: 60 } } }],
      late: [each(0, 0, 0, 0, 0, 0, 0, -5)],
    });
    expect(texts[0]).toBe('Raced the last rep: Kit by 5\u00a0s.');
    expect(answer.verdict).toBe('repeat');
  });
  test('a rep missed at the end without a word: not all of it, repeat', () => {
    const { texts, answer } = judged({
      text: '6x400 @5k / 90s',
      who: [{ name: 'Ada' }, { name: 'Bo' }],
      reps: [5, undefined],
    });
    expect(texts[0]).toBe('Not all of it: Ada missed 1 rep.');
    expect(answer).toMatchObject({ verdict: 'repeat', reasons: ['Not all of it was run.'] });
  });
  test('what was left out for them is not their failing, and no step on either', () => {
    const { texts, answer } = judged({
      text: '6x400 @5k / 90s',
      who: [{ name: 'Ada' }, { name: 'Bo' }],
      reps: [5, undefined],
      more: [{ type: 'decided', athleteIds: ['a0'], decision: { kind: 'drop', repIndex: 5 } }],
    });
    expect(texts).toEqual(['All on target.']);
    expect(answer).toMatchObject({ verdict: 'repeat', reasons: ['It was made easier for them.'] });
  });
  test('sore the day after: no step on', () => {
    const { answer } = judged({
      text: '6x400 @5k / 2:00',
      who: ADA,
      efforts: [[, , , , , 8]],
      more: [{ type: 'nextDay', athleteIds: ['a0'], legs: 'sore' }],
    });
    expect(answer).toMatchObject({ verdict: 'repeat', reasons: ['Legs sore the day after.'] });
  });
  test('a niggle of last week, not told well: held, and told why', () => {
    const records = [
      { athleteId: 'a0', runId: 'r0', date: '2026-10-25', flags: [{ flag: 'niggle' as const, rep: 2 }] },
    ];
    const held = (person: Partial<CarePerson>) =>
      judged({ text: '6x400 @5k / 2:00', who: [{ name: 'Gus', known: { records }, person }], efforts: [[, , , , , 8]] })
        .answer;
    expect(held({})).toMatchObject({ verdict: 'repeat', reasons: ['Niggle in rep 2, Sun 25 Oct.'] });
    expect(held({ wellOn: '2026-10-28' }).verdict).toBe('on');
  });
  test('effort one above the meant one, once: nobody is named, and it is no step on', () => {
    const { texts, answer } = judged({ text: '4x1000 @threshold / 60s', who: ADA, efforts: [[, , , 8]] });
    expect(texts).toEqual(['All on target.']);
    expect(answer).toMatchObject({ verdict: 'repeat', reasons: ['Last effort 8, meant 7.'] });
  });
  test('easy for most: easier than meant, with a small step', () => {
    const { texts, answer } = judged({ text: '6x400 @5k / 3:00', who: ADA, efforts: [[3, , , 4, , 5]] });
    expect(texts[0]).toBe('Easier than meant: Ada 5, meant 9.');
    expect(answer.verdict).toBe('on');
    if (answer.advice?.lever === 'recovery') expect(answer.advice.to).toBeGreaterThanOrEqual(135);
  });
  test('on a day over the limit for hard work nobody steps on, however well it went', () => {
    const { answer } = judged({ text: '6x400 @5k / 2:00', who: ADA, efforts: [[, , , , , 7]], more: [hot] });
    expect(answer).toMatchObject({ verdict: 'repeat', reasons: ['Too hot that day for anything harder.'] });
  });
  test('not well: out until well, whatever was run', () => {
    const { texts, answer } = judged({
      text: '6x400 @5k / 2:00',
      who: ADA,
      more: [{ type: 'flagged', athleteId: 'a0', repIndex: 1, flag: 'unwell' }],
    });
    expect(texts[0]).toBe('Not well: Ada, rep 2.');
    expect(answer.waits).toBe('well');
  });
});

const RANK = { back: 0, repeat: 1, on: 2 } as const;

test('later, told harder, or with a rep fewer, the next step is never a harder one; held back, it is never on', () => {
  const draw = fc.record({
    late: fc.double({ min: -0.8, max: 4, noNaN: true }),
    effort: fc.integer({ min: 4, max: 10 }),
    fewer: fc.boolean(),
    held: fc.boolean(),
    young: fc.boolean(),
  });
  type Drawn = { late: number; effort: number; fewer: boolean; held: boolean; young: boolean };
  const rank = ({ late, effort, fewer, held, young }: Drawn) => {
    const reps = fewer ? 5 : 6;
    const { answer } = judged({
      text: '6x400 @5k / 2:00',
      who: [
        {
          name: 'Ada',
          known: {
            records: held
              ? [{ athleteId: 'a0', runId: 'r0', date: '2026-10-30', flags: [{ flag: 'niggle', rep: 1 }] }]
              : [],
          },
          ...(young ? { person: { bornYear: 2014 } } : {}),
        },
        { name: 'Bo' },
      ],
      late: [always(late)],
      reps: [reps, undefined],
      efforts: [Array.from({ length: reps }, (_, i) => (i === reps - 1 ? effort : undefined))],
    });
    if (held) expect(answer.verdict).not.toBe('on');
    if (young && answer.verdict === 'on') expect(answer.most).toBe('rep');
    return RANK[answer.verdict];
  };
  fc.assert(
    fc.property(
      draw,
      fc.double({ min: 0, max: 3, noNaN: true }),
      fc.integer({ min: 0, max: 3 }),
      (drawn, by, harder) => {
        const before = rank(drawn);
        expect(rank({ ...drawn, late: drawn.late + by })).toBeLessThanOrEqual(before);
        expect(rank({ ...drawn, effort: Math.min(10, drawn.effort + harder) })).toBeLessThanOrEqual(before);
        expect(rank({ ...drawn, fewer: true })).toBeLessThanOrEqual(before);
      },
    ),
    { numRuns: 40 },
  );
});
