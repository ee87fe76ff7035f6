import type { Findings } from '@core/judgement/findings';
import { findingTexts } from './findingText';
import {
  conditionsText,
  decisionText,
  differenceText,
  effortText,
  evennessText,
  evennessWords,
  fadeText,
  nextTimeText,
  repsText,
} from './reviewText';

const read = (more: Partial<Findings>): Findings => ({ findings: [], judged: 0, on: 0, finished: 0, ...more });
const who = (name: string, value: number) => ({ athleteId: name, name, value });

test.each<[Partial<Findings>, string[]]>([
  [{ judged: 12, on: 12, finished: 12 }, ['All on target.']],
  [{ judged: 1, on: 1, finished: 1 }, ['On target.']],
  [{ judged: 12, on: 10, finished: 12 }, ['10 of 12 reps on target; nobody far off.']],
  [{ finished: 4 }, ['No marks yet on that day, so no targets to hold this against.']],
  [{ finished: 4, untargeted: 'flat-out' }, ['Flat out: the times are the result.']],
  [{ finished: 4, untargeted: 'no-pace' }, ['No pace was asked, so no targets to hold this against.']],
  [{}, ['No rep was finished.']],
  [{ byTheClock: 12 }, ['12 of 12 reps by the clock run; no metres were taken.']],
  [{ findings: [{ kind: 'late', people: [who('Bo', 1.84)] }] }, ['Ran 1.8\u00a0s a rep late: Bo.']],
  [
    { findings: [{ kind: 'late', people: [who('Bo', 3), who('Ada', 4)] }] },
    ['Ran late, each rep: Bo 3\u00a0s and Ada 4\u00a0s.'],
  ],
  [{ findings: [{ kind: 'stopped', people: [{ ...who('Bo', 4), of: 6 }] }] }, ['Stopped after rep 4: why? Bo.']],
  [
    { findings: [{ kind: 'not-run', people: ['A', 'B', 'C', 'D', 'E', 'F'].map((name) => who(name, 1)) }] },
    ['Not all of it: A missed 1 rep, B missed 1 rep, C missed 1 rep, D missed 1 rep and 2 more.'],
  ],
  [{ findings: [{ kind: 'rest-off', people: [], value: 21.6 }] }, ['Rests came out 22\u00a0s longer than planned.']],
  [
    {
      findings: [
        {
          kind: 'harder',
          people: [
            { ...who('Kit', 10), of: 7 },
            { ...who('Hana', 9), of: 7 },
          ],
        },
      ],
    },
    ['Harder than meant: Kit 10 and Hana 9 (meant 7).'],
  ],
])('what matters is said in sentences: %j', (more, texts) => expect(findingTexts(read(more))).toEqual(texts));

test('reps are counted as a coach counts them', () => {
  expect(repsText([3])).toBe('rep 3');
  expect(repsText([5, 6, 7, 8])).toBe('reps 5 to 8');
  expect(repsText([2, 4, 5])).toBe('reps 2, 4 and 5');
});

test('differences and decisions', () => {
  const whose = { athleteId: 'a', name: 'Bo' };
  expect(differenceText({ ...whose, kind: 'cut', reps: [5, 6, 7], fromM: 400, toM: 300 })).toBe(
    'reps 5 to 7 cut from 400 to 300 m',
  );
  const decision = {
    eventId: 'e',
    decision: { kind: 'recovery' as const, addS: 15 },
    athleteIds: ['a'],
    names: ['Bo'],
    isForAll: false,
    isRefused: true,
    rule: 'slipping',
    afterReps: 4,
    atMs: 0,
  };
  expect(decisionText(decision)).toBe('After rep 4: proposed, and not taken up: 15 s more rest for Bo.');
  expect(decisionText({ ...decision, isRefused: false, isForAll: true, afterReps: 0 })).toBe(
    'Before the first rep: proposed, and taken up: 15 s more rest for everyone.',
  );
});

test('effort: for one, for the squad, and what to do next time', () => {
  const at = { rep: 3, effort: 9 };
  expect(effortText({ points: [], verdict: 'early', at }, true)).toBe(
    'Effort: 9 on rep 3 already. Rests too short, or the pace too fast.',
  );
  // Rests are not to blame for running too fast, or for being ill.
  expect(effortText({ points: [], verdict: 'early', at }, false)).toBe('Effort: 9 on rep 3 already.');
  expect(effortText({ points: [] }, true)).toBeUndefined();
  const path = [0, 0];
  expect(
    nextTimeText([
      { lever: 'recovery', path, set: { kind: 'recovery', durationS: 60 }, from: 75, to: 60 },
      { lever: 'pace', path, set: { kind: 'pace', share: 0.98 }, from: 1, to: 0.98 },
    ]),
  ).toBe('Next time: rests of 60 s, not 75 s and 2.0\u00a0% slower.');
  expect(nextTimeText([])).toBe('');
});

test('evenness, fade and conditions say nothing where nothing is known', () => {
  expect(evennessText({})).toBe('–');
  expect(evennessText({ isTooShort: true })).toBe('even');
  expect(evennessText({ evennessPercent: 0.84 })).toBe('±\u00a00.8\u00a0%');
  expect(evennessWords({ evennessPercent: 0.84 })).toBe('Even: ±\u00a00.8\u00a0% from rep to rep.');
  expect(evennessWords({ evennessPercent: 1.2 })).toBe('');
  expect(evennessWords({ evennessPercent: 3.2 })).toBe('Uneven: ±\u00a03.2\u00a0% from rep to rep.');
  expect(fadeText({ fadePercent: 3 })).toBeUndefined();
  expect(fadeText({ fadePercent: 3.1, fadeErrorPercent: 0.6, isFadeSure: true })).toBe(
    '3.1\u00a0% slower from the first rep to the last (± 0.6\u00a0%).',
  );
  expect(conditionsText({})).toBeUndefined();
  expect(conditionsText({ temperatureC: 31, humidityPct: 58, wind: 'calm', surface: 'dry', lane: 2 })).toBe(
    '31 °C, 58 % humidity, calm, dry underfoot, lane 2',
  );
});
