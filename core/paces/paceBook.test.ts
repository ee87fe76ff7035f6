import fc from 'fast-check';
import { fitCurve, speedFor, timeFor, type EnduranceCurve } from '../fitness/curve';
import { parseSession } from '../session/parseSession';
import { targetsFor } from '../targets/targetsFor';
import { standardTrack } from '../venue/venue';
import { basisText, checkPaceBook } from './checkPaceBook';
import { speedOfEntry, type PaceBasis, type PaceBook } from './paceBook';
import { PACE_NAMES } from '../session/paceNames';
import { paceTable, unitM } from './paceTable';
import { curveBook, PACE_BOOK_NOTES, SHIPPED_PACE_BOOKS } from './shippedPaceBooks';

const AS_OF = '2026-11-01';
const curveFrom = (distanceM: number, timeS: number) =>
  fitCurve([{ distanceM, timeS, date: AS_OF, kind: 'race' }], { asOf: AS_OF });
const curve = curveFrom(5000, 1110);

const book = (id: string): PaceBook => SHIPPED_PACE_BOOKS.find((candidate) => candidate.id === id) ?? curveBook;
/** The default book with some entries put in place of, or beside, its own. */
const withEntries = (more: Record<string, PaceBasis>): PaceBook => ({
  ...curveBook,
  entries: [
    ...curveBook.entries.filter(({ name }) => !(name in more)),
    ...Object.entries(more).map(([name, basis], i) => ({ name, short: `x${i}`, tolerance: 0.01, basis })),
  ],
});
const problems = (more: Record<string, PaceBasis>) => checkPaceBook(withEntries(more)).map(({ message }) => message);
const share = (of: string, of1 = 0.97): PaceBasis => ({ kind: 'share', of, share: of1 });

describe('the books that ship', () => {
  test.each(SHIPPED_PACE_BOOKS.map((paceBook) => [paceBook.name, paceBook] as const))(
    '%s is sound and says what it holds',
    (_name, paceBook) => {
      expect(checkPaceBook(paceBook)).toEqual([]);
      expect(PACE_BOOK_NOTES[paceBook.id]).toMatch(/\.$/);
      expect(paceBook.entries.map(({ name }) => name)).toEqual([...PACE_NAMES]);
    },
  );
  test('tempo is threshold, or in the other school 97 % of its speed', () => {
    expect(speedOfEntry(curveBook, 'tempo', curve)).toBeCloseTo(4.198, 3);
    expect(speedOfEntry(book('slow-tempo'), 'tempo', curve)).toBeCloseTo(4.198 * 0.97, 3);
  });
  test('steady hangs on the marathon, easy on the 8-minute speed and on steady, threshold and cv are held for 60 and 35 minutes', () => {
    const of = (name: string, ownCurve = curve) => speedOfEntry(curveBook, name, ownCurve) ?? 0;
    expect(of('aerobic-max')).toBeCloseTo(4.831, 3);
    expect(of('threshold')).toBeCloseTo(4.198, 3);
    expect(of('cv')).toBeCloseTo(speedFor(curve, 2100), 9);
    expect(of('steady')).toBeCloseTo(0.96 * of('marathon'), 9);
    expect(of('easy')).toBeCloseTo(0.7 * of('aerobic-max'), 9);
    const slow = curveFrom(5000, 1980);
    expect(of('easy', slow)).toBeCloseTo(0.92 * of('steady', slow), 9);
    expect(speedOfEntry(curveBook, 'strides', curve)).toBeCloseTo(
      (speedOfEntry(curveBook, '400', curve) ?? 0) * 0.93,
      9,
    );
  });
  test('in the offset book threshold is 17 s a km slower than 5k pace', () =>
    expect(1000 / (speedOfEntry(book('offset'), 'threshold', curve) ?? 1)).toBeCloseTo(222 + 17, 6));
  test('in the effort book nothing has a time', () => {
    for (const name of PACE_NAMES) expect(speedOfEntry(book('effort'), name, curve)).toBeUndefined();
  });
});

test('the longer the race, the slower its pace, for anyone', () => {
  fc.assert(
    fc.property(fc.double({ min: 790, max: 2100, noNaN: true }), (fiveS) => {
      const ownCurve = curveFrom(5000, fiveS);
      const races = ['marathon', 'half', '10k', '8k', '5k', '3k', 'mile', '1500', '800', '400'];
      const speeds = races.map((name) => speedOfEntry(curveBook, name, ownCurve) ?? 0);
      speeds.forEach((speed, i) => expect(speed).toBeGreaterThan(speeds[i - 1] ?? 0));
    }),
    { numRuns: 40 },
  );
});

describe('the named paces keep their order', () => {
  const ORDERS = [
    ['easy', 'steady', 'marathon'],
    ['threshold', 'cv', '5k', '3k', 'mile', '800'],
  ];
  const inOrder = (ownCurve: EnduranceCurve) => {
    for (const names of ORDERS) {
      const speeds = names.map((name) => speedOfEntry(curveBook, name, ownCurve) ?? 0);
      speeds.forEach((speed, i) => expect([names[i], speed > (speeds[i - 1] ?? 0)]).toEqual([names[i], true]));
    }
  };
  test('for a 5k from 13:00 to 33:00 and every shape of curve within its bounds', () => {
    const lnMap = { min: Math.log(8), max: Math.log(32) };
    fc.assert(
      fc.property(
        fc.double({ ...lnMap, noNaN: true }),
        fc.double({ min: -0.086, max: -0.014, noNaN: true }),
        fc.double({ min: 31, max: 79, noNaN: true }),
        (ln, e, a) => {
          const mapWkg = Math.exp(ln);
          const ownCurve: EnduranceCurve = { ...curve, parameters: { mapWkg, eWkg: e * mapWkg, aJkg: a * mapWkg } };
          const fiveS = timeFor(ownCurve, 5000);
          fc.pre(fiveS >= 780 && fiveS <= 1980);
          inOrder(ownCurve);
          // Half and 10k change places with threshold and cv, by how long they take: an hour, and 35 minutes.
          const of = (name: string) => speedOfEntry(curveBook, name, ownCurve) ?? 0;
          expect(of('half') > of('threshold')).toBe(timeFor(ownCurve, 21_097.5) < 3600);
          expect(of('10k') > of('threshold')).toBe(timeFor(ownCurve, 10_000) < 3600);
          expect(of('10k') > of('cv')).toBe(timeFor(ownCurve, 10_000) < 2100);
        },
      ),
      { numRuns: 300 },
    );
  });
  test('at both ends, where the old shares of the 8-minute speed did not', () => {
    for (const fiveS of [780, 960, 1200, 1500, 1800, 1980]) inOrder(curveFrom(5000, fiveS));
  });
});

describe('a definition is refused, with the names involved', () => {
  test('when it leads in a circle', () => {
    expect(problems({ tempo: share('threshold'), threshold: share('cv'), cv: share('tempo') })).toEqual(
      expect.arrayContaining(['“tempo” leads back to itself: tempo → threshold → cv → tempo.']),
    );
    expect(problems({ tempo: share('tempo') })).toEqual(['“tempo” leads back to itself: tempo → tempo.']);
  });
  test('when what only leads into a circle is not blamed', () => {
    const found = problems({ tempo: share('cruise'), cruise: share('float2'), float2: share('cruise') });
    expect(found).toHaveLength(2);
    expect(found.join()).not.toMatch(/“tempo” leads/);
  });
  test('when it stands on nothing, with what may be meant', () =>
    expect(problems({ tempo: share('treshold') })).toEqual([
      '“tempo” stands on “treshold”, which is not in the book. Did you mean threshold?',
    ]));
  test('when it counts from an effort, near or far', () => {
    expect(problems({ tempo: { kind: 'offset', of: 'max', offsetS: 3, perM: 1000 } })).toEqual([
      '“tempo” stands on “max”, which is run by effort and has no time to count from.',
    ]);
    // Easy, which may be no quicker than a share of steady, is as much without a time.
    expect(problems({ tempo: share('steady'), steady: share('max') })).toHaveLength(3);
  });
  test.each([
    ['Cruise', /small letters/],
    ['2fast', /a letter first/],
    ['goal', /means something else/],
    ['a'.repeat(21), /too long/],
    ['', /needs a name/],
  ])('when it is called “%s”', (name, message) => expect(problems({ [name]: share('easy') })[0]).toMatch(message));
  test('when a name or a short name is there twice, or one that sessions use is missing', () => {
    const changed = (name: string, change: { name?: string; short?: string }) =>
      checkPaceBook({
        entries: curveBook.entries.map((entry) => (entry.name === name ? { ...entry, ...change } : entry)),
      })[0]?.message;
    expect(changed('half', { name: 'easy' })).toMatch(/twice/);
    expect(changed('steady', { short: 'e' })).toMatch(/“easy” and “steady” have the same short name/);
    expect(checkPaceBook({ entries: curveBook.entries.filter(({ name }) => name !== 'half') })).toEqual([
      { index: PACE_NAMES.length - 1, message: expect.stringMatching(/may use half/) },
    ]);
  });
  test('and any tangle of definitions is judged without hanging; what is passed gives speeds', () => {
    const name = fc.constantFrom('tempo', 'cv', 'steady', 'cruise', 'half', 'max', 'nowhere');
    fc.assert(
      fc.property(
        fc.dictionary(
          fc.constantFrom('tempo', 'cv', 'steady', 'cruise'),
          name.map((of) => share(of)),
        ),
        (more) => {
          const tangled = withEntries(more);
          if (checkPaceBook(tangled).length > 0) return;
          for (const key of Object.keys(more)) expect(speedOfEntry(tangled, key, curve)).toBeGreaterThan(0);
        },
      ),
    );
  });
});

test('an entry in words', () => {
  expect(
    [
      { kind: 'race', distanceM: 21_097.5 },
      { kind: 'held', durationS: 3600 },
      share('threshold'),
      share('threshold', 1),
      { kind: 'offset', of: '5k', offsetS: -3.5, perM: 400 },
      { kind: 'effort', effort: 7 },
    ].map((basis) => basisText({ basis: basis as PaceBasis })),
  ).toEqual([
    'race pace over half marathon',
    'held for 60 min',
    '97 % threshold',
    'same as threshold',
    '5k − 3.5 s a 400',
    'by feel, effort 7',
  ]);
});

describe('a pace of the coach’s own', () => {
  const ownPaceBook = withEntries({ cruise: share('threshold', 1.02) });
  const read = (text: string) => parseSession(text, { paceNames: ownPaceBook.entries.map(({ name }) => name) });
  test('can be written in a session and has its target', () => {
    const parsed = read('4x1000 @cruise / 60s');
    if (!parsed.ok) throw new Error(parsed.problems[0]?.message);
    const [rep] = targetsFor(parsed.session, { curve, paceBook: ownPaceBook, venue: standardTrack });
    expect(rep?.targetS).toBeCloseTo(1000 / ((speedOfEntry(curveBook, 'threshold', curve) ?? 0) * 1.02), 6);
  });
  test('is not known without its book', () => expect(parseSession('1000 @cruise').ok).toBe(false));
  test('brings its tolerance to the target', () => {
    const loose: PaceBook = {
      ...ownPaceBook,
      entries: ownPaceBook.entries.map((entry) => ({ ...entry, tolerance: 0.03 })),
    };
    const parsed = read('400 @cruise / 60s, 400 @74/400');
    if (!parsed.ok) throw new Error();
    const legs = targetsFor(parsed.session, { curve, paceBook: loose, venue: standardTrack });
    expect(legs.filter(({ kind }) => kind === 'rep').map(({ tolerance }) => tolerance)).toEqual([0.03, undefined]);
  });
});

describe('the table of an athlete', () => {
  test('has every pace, how sure it is, and the goal where there is one', () => {
    const goalCurve = curveFrom(5000, 1080);
    const rows = paceTable({ curve, goalCurve, paceBook: curveBook });
    const five = rows.find(({ entry }) => entry.name === '5k');
    expect(five?.nowMps).toBeCloseTo(5000 / 1110, 6);
    expect(five?.goalMps).toBeCloseTo(5000 / 1080, 6);
    expect(five?.error).toBeCloseTo(0.012, 3);
    expect(rows.find(({ entry }) => entry.name === '400')?.error).toBeGreaterThan(0.05);
    expect(rows.find(({ entry }) => entry.name === 'max')).toEqual({ entry: expect.anything() });
  });
  test('says what is extrapolated, and is empty of times without a curve', () => {
    const marks = [
      { distanceM: 1500, timeS: 298, date: AS_OF, kind: 'race' as const },
      { distanceM: 5000, timeS: 1110, date: AS_OF, kind: 'race' as const },
    ];
    const trials = book('trials');
    const rows = paceTable({ curve: fitCurve(marks, { asOf: AS_OF, model: 'critical-speed' }), paceBook: trials });
    expect(rows.find(({ entry }) => entry.name === 'easy')?.extrapolated).toBe(true);
    expect(paceTable({ paceBook: trials }).every(({ nowMps }) => nowMps === undefined)).toBe(true);
  });
  test('can be given over any length', () =>
    expect((['100', '400', 'lap', 'km', 'mile'] as const).map((unit) => unitM(unit, 200))).toEqual([
      100, 400, 200, 1000, 1609.344,
    ]));
});
