/** Care in a day's plan: who leaves out, who runs a part, and what of two texts differs for one. */
import { formatSession } from '../session/formatSession';
import { read } from '../session/testing';
import { expand } from '../session/expand';
import { isTimedRep } from '../targets/targetsFor';
import { changedSession } from './changes';
import {
  aboutAthlete,
  careDecision,
  takesPart,
  takingDecision,
  withDecision,
  withoutAthlete,
  type DayPlan,
} from './dayPlan';
import { firstPart } from './firstPart';
import { ownDifference } from './ownDifference';

const ada = { id: 'a', status: 'training' as const };

test('who leaves out does not take part, until ticked again', () => {
  const out = withDecision({}, careDecision({}, 'a', 'out'));
  expect(takesPart(out, ada)).toBe(false);
  const back = withDecision(out, takingDecision(out, 'a', true));
  expect(takesPart(back, ada)).toBe(true);
  expect(back.care).toEqual({});
  expect(takesPart(withDecision({}, careDecision({}, 'a', 'part')), ada)).toBe(true);
});

test('what was answered goes with the athlete, and is in their file', () => {
  const plan: DayPlan = { care: { a: 'part', b: 'out' } };
  expect(aboutAthlete(plan, 'a')).toEqual({ care: 'part' });
  expect(withoutAthlete(plan, 'a')).toEqual({ care: { b: 'out' } });
});

test.each([
  ['6x400 @5k / 90s', 4],
  ['10x200 @mile / 60s', 6],
  ['3x1000 @threshold / 60s', 2],
  ['400 @5k', 1],
])('of %s the first %i are run, with warm-up and cool-down', (text, reps) => {
  const legs = expand(read(`warm: 800 @easy\nmain: ${text}\ncool: 800 @easy`));
  const part = firstPart(legs);
  expect(part.filter((leg) => isTimedRep(leg))).toHaveLength(reps);
  expect([part[0]?.role, part.at(-1)?.role]).toEqual(['warm', 'cool']);
  const main = part.filter(({ role }) => role === 'main');
  expect(main.at(-1)?.kind).toBe('rep');
});

test.each<[string, string, string | undefined]>([
  ['6x400 @5k / 90s', '5x400 @5k / 90s', 'count'],
  ['6x400 @5k / 90s', '6x400 @5k / 75s', 'recovery'],
  ['6x400 @5k / 200m jog', '6x400 @5k / 150m jog', 'jog'],
  ['2x(4x300 @mile / 60s) / 4:00', '2x(3x300 @mile / 60s) / 4:00', 'count'],
  ['6x400 @5k / 90s', '6x400 @5k / 90s', undefined],
  ['6x400 @5k / 90s', '5x400 @5k / 75s', undefined],
  ['6x400 @5k / 90s', '4x1000 @threshold / 60s', undefined],
])('%s and %s differ by one %s', (from, to, kind) => {
  const difference = ownDifference(read(from), read(to));
  expect(difference?.set.kind).toBe(kind);
  if (difference)
    expect(formatSession(changedSession(read(from), [{ whom: { kind: 'all' }, ...difference }]))).toBe(
      formatSession(read(to)),
    );
});
