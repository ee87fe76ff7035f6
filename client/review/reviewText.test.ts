import type { Findings } from '@core/review/findings';
import {
  conditionsText,
  decisionText,
  differenceText,
  effortText,
  evennessText,
  fadeText,
  findingTexts,
  nextTimeText,
  repsText,
  squadEffortText,
} from './reviewText';

const read = (more: Partial<Findings>): Findings => ({ findings: [], judged: 0, on: 0, finished: 0, ...more });
const who = (name: string, value: number) => ({ athleteId: name, name, value });

test.each<[Partial<Findings>, string[]]>([
  [{ judged: 12, on: 12, finished: 12 }, ['All on target, even to the last.']],
  [{ judged: 12, on: 10, finished: 12 }, ['10 of 12 reps on target; nobody far off.']],
  [{ finished: 4 }, ['There were no targets to hold this against.']],
  [{}, ['No rep was finished.']],
  [{ byTheClock: 12 }, ['12 reps by the clock run; no metres were taken.']],
  [{ findings: [{ kind: 'late', people: [who('Bo', 1.84)] }] }, ['Late: Bo by 1.8\u00a0s a rep.']],
  [{ findings: [{ kind: 'stopped', people: [who('Bo', 4)] }] }, ['Stopped: Bo after rep 4.']],
  [
    { findings: [{ kind: 'not-run', people: ['A', 'B', 'C', 'D', 'E', 'F'].map((name) => who(name, 1)) }] },
    ['Not all of it: A missed 1 rep, B missed 1 rep, C missed 1 rep, D missed 1 rep and 2 more.'],
  ],
  [{ findings: [{ kind: 'rest-off', people: [], value: 21.6 }] }, ['Rests came out 22 s longer than planned.']],
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
  expect(effortText({ points: [], verdict: 'early', at })).toBe(
    'Effort: 9 by rep 3 already. Rests too short, or the pace too fast.',
  );
  expect(effortText({ points: [] })).toBeUndefined();
  const path = [0, 0];
  expect(
    nextTimeText([
      { lever: 'recovery', path, set: { kind: 'recovery', durationS: 60 }, from: 75, to: 60 },
      { lever: 'pace', path, set: { kind: 'pace', share: 0.98 }, from: 1, to: 0.98 },
    ]),
  ).toBe('Next time: rests of 60 s, not 75 s and 2.0\u00a0% slower.');
  expect(nextTimeText([])).toBe('');
  expect(squadEffortText({ told: 11, asMeant: 9, easy: [], hard: ['Milo', 'Kit'] })).toBe(
    'Effort as meant for 9 of 11; harder for Milo and Kit.',
  );
  expect(squadEffortText({ told: 3, asMeant: 3, easy: [], hard: [] })).toBe('Effort as meant for all 3 who told it.');
  expect(squadEffortText({ told: 0, asMeant: 0, easy: [], hard: [] })).toBeUndefined();
});

test('evenness, fade and conditions say nothing where nothing is known', () => {
  expect(evennessText({})).toBe('–');
  expect(evennessText({ isTooShort: true })).toBe('even');
  expect(evennessText({ evennessPercent: 0.84 })).toBe('±\u00a00.8\u00a0%');
  expect(fadeText({ fadePercent: 3 })).toBeUndefined();
  expect(fadeText({ fadePercent: 3.1, fadeErrorPercent: 0.6, isFadeSure: true })).toBe(
    '3.1\u00a0% slower from the first rep to the last (± 0.6\u00a0%).',
  );
  expect(conditionsText({})).toBeUndefined();
  expect(conditionsText({ temperatureC: 31, humidityPct: 58, wind: 'calm', surface: 'dry', lane: 2 })).toBe(
    '31 °C, 58 % humidity, calm, dry underfoot, lane 2',
  );
});
