import fc from 'fast-check';
import { PACE_NAMES } from './paceNames';
import { expand, type Leg } from './expand';
import { formatSession } from './formatSession';
import { parseAmount, parseSession, readSession } from './parseSession';
import { anySession, read } from './testing';
import { legCount, treeTotals } from './treeTotals';

const problemsIn = (text: string) => {
  const parsed = parseSession(text);
  return parsed.ok ? [] : parsed.problems;
};
const inShort = (leg: Leg) => `${leg.distanceM ?? `${leg.durationS ?? '?'}s`}${leg.kind === 'recovery' ? 'r' : ''}`;
const run = (text: string, counts: 'min' | 'max' = 'max') => expand(read(text), { counts }).map(inShort).join(' ');

const EXAMPLES = [
  'warm: 1600 @easy, drills "hips and ankles", 4x100 @strides / 60s walk\nmain: 2x(3x600 @3k / 90s walk) / 4:00 walk\nfinish: 4x200 @mile / 200m jog\ncool: 1200 @easy',
  '8-10x400 @5k>goal 5k / 40s jog',
  '1400-1100-900-700-500 @5k>mile / 2:30 jog',
  '3x(900 @5k / half jog, 300 @mile / half jog)',
  '7x(700 @10k, 900 @marathon)',
  '30min free @effort 6-8 "surge when the leader calls"',
  '3x(50s-40s-30s-20s @mile / 75s jog) / 3:00 walk',
  'open x 1500|1100|700|300 @threshold / 60s jog',
  '20min @threshold / 3:00 walk, 5x150 @800 / equal walk',
  '6x400 @74/400 / 200m float @easy, 3x1km @3:42/km / 60s-90s',
  '5x300 @5k-1.5s/400 / 80% jog, 400 @95% 10k',
  '6x1mi @10k / 0:45',
];

describe('reading and printing', () => {
  test.each(EXAMPLES)('parse∘format∘parse = parse: %s', (text) => {
    const session = read(text);
    expect(read(formatSession(session))).toEqual(session);
  });

  test.each([
    ['6X400@5K/90S', 'main: 6x400 @5k / 90s'],
    ['6 × 400 @ 5k / 90″', 'main: 6x400 @5k / 90s'],
    ['4*2\' @10k / 60"', 'main: 4x2:00 @10k / 60s'],
    ['20min @tempo', 'main: 20min @tempo'],
    ['20:00 @tempo', 'main: 20min @tempo'],
    ['3x1k @5k / 2min', 'main: 3x1000 @5k / 2:00'],
    ['2mi @easy', 'main: 2mi @easy'],
    ['Warm-up: 1600 @easy', 'warm: 1600 @easy'],
    ['# Tuesday\n\n8x200 @800 / 200 jog\n', 'main: 8x200 @800 / 200m jog'],
    ['10x400"relaxed" / 90"', 'main: 10x400 "relaxed" / 90s'],
  ])('%j is printed as %j', (text, canonical) => expect(formatSession(read(text))).toBe(canonical));

  test('a number that names a pace is not taken for a time over a distance', () => {
    expect(formatSession(read('6x150 @800 / 200m jog'))).toBe('main: 6x150 @800 / 200m jog');
    expect(formatSession(read('6x150 @1500 / 400m jog'))).toBe('main: 6x150 @1500 / 400m jog');
  });
});

describe('what cannot be read', () => {
  test.each([
    ['6x400 @5q / 90s', '5q', /not a pace in the pace book. Did you mean 5k/],
    ['6x400 @treshold', 'treshold', /Did you mean threshold/],
    ['9x30 @mile', '30', /30 what\? Write 30s/],
    ['3x @5k', '@', /not a distance or a time/],
    ['2x(300 @mile / 60s, 200', '', /no closing bracket/],
    ['400 @mile / soon', 'soon', /A recovery is expected/],
    ['cooldown: easy', 'easy', /not a distance or a time/],
    ['rest: 400 @easy', 'rest', /not a part of a session/],
    ['400 @effort 11', '11', /1 to 10/],
    ['400 "no end', '"no end', /no closing quote/],
    ['1000-800|600 @5k', '|', /not both/],
    ['0x400 @5k', '0x', /A count goes from 1/],
    ['10-8x400 @5k', '10-8x', /smaller number first/],
    ['400 @3:99/400', '3:99', /speed|seconds|not a pace/],
    ['5x400 @5k 90s', '90s', /“\/” before a recovery/],
  ])('%s: “%s” is named', (text, at, message) => {
    const [problem] = problemsIn(text);
    expect(problem?.message).toMatch(message);
    if (problem && at) expect(text.slice(problem.from, problem.to)).toContain(at.slice(0, 2));
  });

  test('one bad item does not hide the others', () => {
    const text = '6x400 @5q / 90s, 2x200 @mile\nmain: 3x @5k, 800 @nowhere';
    expect(problemsIn(text).map(({ from, to }) => text.slice(from, to))).toEqual(['5q', '@', 'nowhere']);
  });

  test('one bad item does not hide the others of its set, nor a bad set what follows it', () => {
    const text = '3x(300 @nope / 60s, soon, 2x @mile, 200 @5q) / 2:00, 0x400, 30 @mile, (((((((400))))))), 200 @mile';
    expect(problemsIn(text).map(({ from, to }) => text.slice(from, to))).toEqual([
      'nope',
      'soon',
      '@',
      '5q',
      '0x',
      '30',
      '(',
    ]);
  });

  test.each([
    ['-3x400 @5k', '-3x', /A count goes from 1/],
    ['1000000x400 @5k', '1000000x', /A count goes from 1 to 500/],
    ['main: 300x400 @5k / 60s', 'main: 300x400 @5k / 60s', /599 legs .* 500 at most/],
    ['400 @5k\n 40x(40x(40x400)) / 1:00', ' 40x(40x(40x400)) / 1:00', /64,040 legs/],
    ['400 @5k, -400 @5k', '-400', /cannot be less than zero/],
    ['0m @5k', '0m', /more than zero/],
    ['0:00 @5k', '0:00', /more than zero/],
    ['400 / 0s', '0s', /more than zero/],
  ])('%s: “%s” is too little or too much', (text, at, message) => {
    const [problem, ...others] = problemsIn(text);
    expect(problem?.message).toMatch(message);
    expect(text.slice(problem?.from, problem?.to)).toBe(at);
    expect(others).toEqual([]);
  });

  test('what can be read of a broken text is read', () => {
    const { session, problems } = readSession('warm: 1600 @easy\nmain: 6x400 @nope / 90s, soon, 200 @mile');
    expect(problems).toHaveLength(2);
    expect(session.lines.map(({ items }) => items.length)).toEqual([1, 2]);
  });

  test('an empty text asks for a first line', () =>
    expect(problemsIn(' \n# only a comment')[0]?.message).toMatch(/Nothing/));

  test('any text is either read or refused at places inside it; never thrown at', () => {
    const piece = fc.constantFrom(
      ...'0123456789xX×*@/-|>()",:.%\'′″#\n kmiseqahlf'.split(''),
      ...PACE_NAMES,
      'open',
      'goal ',
      'effort ',
      'equal',
      'warm:',
      ' / ',
    );
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.array(piece, { maxLength: 60 }).map((parts) => parts.join('')),
        ),
        (text) => {
          const parsed = parseSession(text);
          if (parsed.ok) expect(read(formatSession(parsed.session))).toEqual(parsed.session);
          else
            for (const { from, to, message } of parsed.problems) {
              expect(message).toMatch(/[.?]$/);
              expect(from).toBeGreaterThanOrEqual(0);
              expect(to).toBeGreaterThanOrEqual(from);
              expect(from).toBeLessThanOrEqual(text.length);
            }
        },
      ),
      { numRuns: 1500 },
    );
  });

  test('so much that cannot be read is not all named', () => {
    const problems = problemsIn('400 @nope, '.repeat(1500));
    expect(problems.length).toBeGreaterThan(50);
    expect(problems.length).toBeLessThan(150);
    expect(problems.at(-1)?.message).toMatch(/not read any further/);
    // Nor in one ladder, where each answer would hold the whole text.
    expect(problemsIn('1-'.repeat(9000)).length).toBeLessThan(150);
  });

  test('a text beyond all measure is refused, not read', () => {
    expect(problemsIn('400 @5k, '.repeat(4000))[0]?.message).toMatch(/characters at most/);
    expect(problemsIn(`${'('.repeat(50)}400${')'.repeat(50)}`)[0]?.message).toMatch(/nested/);
    expect(problemsIn(`${'('.repeat(5000)}400${')'.repeat(5000)}`)[0]?.message).toMatch(/nested/);
  });

  test('each stretch of the text is said to be what it is', () => {
    const text = '# Tuesday\nwarm: 2x(300-200 @5k>goal mile "relaxed" / 60s jog, drills) / 200m float @easy';
    const said = readSession(text).tokens.map(({ kind, from, to }) => `${kind} ${text.slice(from, to)}`);
    expect(said).toEqual([
      'comment # Tuesday',
      'role warm:',
      'count 2x',
      'amount 300-200',
      'pace 5k',
      'pace goal mile',
      'note "relaxed"',
      'recovery 60s jog',
      'amount drills',
      'recovery 200m float',
      'pace easy',
    ]);
  });
});

test.each([
  ['400', { kind: 'distance', distanceM: 400 }],
  [' 2:30 ', { kind: 'duration', durationS: 150 }],
  ['1mi', { kind: 'distance', distanceM: 1609.344, unit: 'mi' }],
  ['30', undefined],
  ['6x400', undefined],
  ['400-300', undefined],
  ['400 @5k', undefined],
  ['cool: 400, 300', undefined],
  ['soon', undefined],
])('the amount %j alone is %j', (text, amount) => expect(parseAmount(text)).toEqual(amount));

describe('running order', () => {
  test('the outer recovery takes the place of the inner, and none follows the last rep', () => {
    expect(run('2x(3x600 / 90s) / 4:00, 4x200 / 60s')).toBe(
      '600 90sr 600 90sr 600 240sr 600 90sr 600 90sr 600 240sr 200 60sr 200 60sr 200 60sr 200',
    );
  });
  test('a range is laid out by choice', () => {
    expect(run('2-3x400 / 60s', 'min')).toBe('400 60sr 400');
    expect(run('2-3x400 / 60s', 'max')).toBe('400 60sr 400 60sr 400');
  });
  test('without a recovery reps run on', () => expect(run('2x(700 @10k, 900 @marathon)')).toBe('700 900 700 900'));
  test('equal and half follow the rep', () => {
    expect(run('3x(900 @5k / half jog, 300 @mile / equal jog)')).toBe(
      '900 450r 300 300r 900 450r 300 300r 900 450r 300',
    );
    expect(run('2x(40s-20s @mile / equal walk)')).toBe('40s 40sr 20s 20sr 40s 40sr 20s');
    expect(expand(read('2x300 @800 / 50% walk'))[1]).toMatchObject({ kind: 'recovery', shareOfRep: 0.5 });
  });
  test('a moving pace goes from the first rep of the item to the last, in every set anew', () => {
    const shares = (text: string) =>
      expand(read(text)).flatMap((leg) => (leg.kind === 'rep' ? [leg.paceMix?.share ?? -1] : []));
    expect(shares('5x400 @5k>mile / 60s')).toEqual([0, 0.25, 0.5, 0.75, 1]);
    expect(shares('2x(1000-800-600 @5k>mile / 60s)')).toEqual([0, 0.5, 1, 0, 0.5, 1]);
    expect(shares('400 @5k>mile')).toEqual([0]);
  });
  test('drills, free running and open-ended work are marked', () => {
    const [drills, free, open] = expand(read('warm: drills "hips"\n10min free @effort 6, open x 400 @threshold'));
    expect(drills).toMatchObject({ role: 'warm', drills: true, note: 'hips' });
    expect(free).toMatchObject({ role: 'main', free: true, durationS: 600 });
    expect(open).toMatchObject({ open: true, distanceM: 400 });
  });
});

describe('any session', () => {
  test('what is printed is read back as the same tree', () => {
    fc.assert(fc.property(anySession, (session) => expect(read(formatSession(session))).toEqual(session)));
  });

  test('begins and ends with a rep, and no recovery follows another', () => {
    fc.assert(
      fc.property(anySession, (session) => {
        const kinds = expand(session).map((leg) => leg.kind);
        expect(kinds[0]).toBe('rep');
        expect(kinds.at(-1)).toBe('rep');
        expect(kinds.some((kind, i) => kind === 'recovery' && kinds[i - 1] === 'recovery')).toBe(false);
      }),
    );
  });

  test('laid out it comes to what its tree adds up to', () => {
    fc.assert(
      fc.property(anySession, fc.constantFrom('min' as const, 'max' as const), (session, counts) => {
        const legs = expand(session, { counts });
        const sum = (of: (leg: Leg) => number | undefined) => legs.reduce((total, leg) => total + (of(leg) ?? 0), 0);
        const { reps, recoveries, distanceM, durationS } = treeTotals(session, counts);
        expect({ reps, recoveries }).toEqual({
          reps: legs.filter(({ kind }) => kind === 'rep').length,
          recoveries: legs.filter(({ kind }) => kind === 'recovery').length,
        });
        expect(legCount(session)).toBe(expand(session).length);
        expect(distanceM).toBeCloseTo(
          sum((leg) => leg.distanceM),
          4,
        );
        expect(durationS).toBeCloseTo(
          sum((leg) => leg.durationS),
          4,
        );
      }),
    );
  });
});
