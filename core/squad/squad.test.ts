import fc from 'fast-check';
import { timeFor } from '../fitness/curve';
import type { Mark } from '../fitness/mark';
import { curveBook, SHIPPED_PACE_BOOKS } from '../paces/shippedPaceBooks';
import { parseSession } from '../session/parseSession';
import { hasFewWeeks, sinceWeeks, weeksRunning, type SquadMember } from './athlete';
import { athletePaces, paceBookById } from './athletePaces';
import { hasFlatOutTrial } from '../session/flatOut';
import { cautionsFor, trialCaution } from '../advice/cautions';
import { inverseOf, type SquadChange } from './change';
import { isLikelyName, nameKey } from './likeness';
import { suggestTileName, tileKey } from './tileName';

const AS_OF = '2026-11-01';
const race = (distanceM: number, timeS: number, more: Partial<Mark> = {}): Mark => ({
  distanceM,
  timeS,
  date: AS_OF,
  kind: 'race',
  ...more,
});
const member = (more: Partial<SquadMember> = {}): SquadMember => ({
  id: 'a',
  name: 'Ada Brind',
  tileName: 'Ada',
  status: 'training',
  marks: [race(800, 149), race(5000, 1110)],
  ...more,
});
const book = (id: string) => paceBookById(SHIPPED_PACE_BOOKS, id);

describe('tile names', () => {
  const suggest = (name: string, ...taken: string[]) => suggestTileName(name, new Set(taken.map(tileKey)));
  test('are first names, with as much of the family name as it takes', () => {
    expect(suggest('Bo Tarrow')).toBe('Bo');
    expect(suggest('Bo Tarrow', 'bo ')).toBe('Bo T');
    expect(suggest('Bo Tarrow', 'Bo', 'BO  T')).toBe('Bo Ta');
    expect(suggest('Bo', 'Bo')).toBe('Bo 2');
    expect(suggest('  Maximiliana-Theodora   Zed ')).toBe('Maximiliana-');
  });
  test('are new, short and never empty, whoever is there already', () => {
    fc.assert(
      fc.property(fc.string({ minLength: 1, maxLength: 30 }), fc.array(fc.string({ maxLength: 12 })), (name, taken) => {
        fc.pre(name.trim() !== '');
        const tileName = suggest(name, ...taken);
        expect(taken.map(tileKey)).not.toContain(tileKey(tileName));
        expect(tileName.length).toBeGreaterThan(0);
        expect(tileName.length).toBeLessThanOrEqual(12);
      }),
    );
  });
});

test('weeks of running go on counting', () => {
  const athlete = { runningSince: sinceWeeks(4, AS_OF) };
  expect(weeksRunning(athlete, AS_OF)).toBe(4);
  expect(hasFewWeeks(athlete, AS_OF)).toBe(true);
  expect(weeksRunning(athlete, '2026-11-15')).toBe(6);
  expect(hasFewWeeks(athlete, '2026-11-15')).toBe(false);
  expect(weeksRunning({}, AS_OF)).toBeUndefined();
  expect(hasFewWeeks({}, AS_OF)).toBe(false);
});

describe('an athlete’s paces', () => {
  test('now and at the goal come from one curve, moved', () => {
    const { curve, goalCurve } = athletePaces(
      member({ goal: { distanceM: 5000, timeS: 1050, date: '2027-05-01' } }),
      curveBook,
      AS_OF,
    );
    if (!curve || !goalCurve) throw new Error();
    expect(timeFor(goalCurve, 5000)).toBeCloseTo(1050, 3);
    expect(timeFor(curve, 5000)).toBeGreaterThan(1100);
  });
  test('a level set later says nothing of a day before it, with marks or without', () => {
    const nudge = { distanceM: 5000, timeS: 1100, date: '2026-11-02' };
    const marks = [{ distanceM: 5000, timeS: 1200, date: '2026-10-01', kind: 'race' as const }];
    const before = athletePaces({ marks, nudge }, curveBook, '2026-11-01');
    expect(before.curve).toEqual(athletePaces({ marks }, curveBook, '2026-11-01').curve);
    expect(athletePaces({ marks: [], nudge }, curveBook, '2026-11-01')).toMatchObject({
      remark: expect.stringMatching(/no race or trial/),
    });
  });
  test('follow the coach’s own word, with marks or without any', () => {
    const nudge = { distanceM: 5000, timeS: 1100, date: AS_OF };
    for (const marks of [member().marks, []]) {
      const { curve, remark } = athletePaces({ marks, nudge }, curveBook, AS_OF);
      expect(curve && timeFor(curve, 5000)).toBeCloseTo(1100, 3);
      expect([curve?.nudge, remark]).toEqual([nudge, undefined]);
    }
  });
  test('without a mark there is no curve, and a reason', () =>
    expect(athletePaces(member({ marks: [] }), curveBook, AS_OF)).toEqual({
      paceBook: curveBook,
      remark: expect.stringMatching(/no race or trial/),
    }));
  test('where critical speed has too few marks, the fitness curve stands in and says so', () => {
    const { curve, remark } = athletePaces(member({ marks: [race(5000, 1110)] }), book('trials'), AS_OF);
    expect(curve?.model).toBe('endurance');
    expect(remark).toMatch(/needs two races or trials.*Until then the paces come from the fitness curve\./);
    expect(athletePaces(member(), book('trials'), AS_OF).curve?.model).toBe('critical-speed');
  });
  test('a book that is gone is the default one', () => expect(book('gone')).toBe(curveBook));
});

describe('cautions', () => {
  test('none for someone whose marks are fresh, several and agree', () =>
    expect(cautionsFor(member(), AS_OF)).toEqual([]));
  test('a flat-out trial after few weeks of running', () => {
    const few = member({ runningSince: sinceWeeks(3, AS_OF), marks: [race(1600, 400, { kind: 'trial' })] });
    const cautions = cautionsFor(few, AS_OF);
    expect(cautions.join(' ')).toMatch(
      /The 1600 trial came after 3 weeks of regular running\. A flat-out trial is for/,
    );
    expect(cautions[0]).toMatch(/once there are some weeks/);
    expect(cautionsFor({ ...few, runningSince: '2026-01-01' }, AS_OF).join(' ')).not.toMatch(/flat-out/);
  });
  test('a mark newer than the level the coach set', () => {
    const nudge = { distanceM: 5000, timeS: 1100, date: '2026-10-01' };
    expect(cautionsFor(member({ nudge }), AS_OF)).toEqual([expect.stringMatching(/newer mark than the level you set/)]);
    expect(cautionsFor(member({ nudge: { ...nudge, date: AS_OF } }), AS_OF)).toEqual([]);
  });
  test.each([
    ['2000 @effort 10', true],
    ['5min @max', true],
    ['8x200 @max / 3:00', false],
    ['3000 @effort 8-10', false],
    ['2000 @5k', false],
  ])('a session of “%s” has a trial: %s', (shorthand, has) => {
    const parsed = parseSession(shorthand);
    if (!parsed.ok) throw new Error();
    expect(hasFlatOutTrial(parsed.session)).toBe(has);
  });
  test('such a session names those who have not run for long', () => {
    const parsed = parseSession('2000 @effort 10');
    if (!parsed.ok) throw new Error();
    const squad = [member(), member({ name: 'Juno Sell', runningSince: sinceWeeks(1, AS_OF) })];
    expect(trialCaution(parsed.session, squad, AS_OF)).toMatch(/: Juno Sell has 1 week\.$/);
    expect(trialCaution(parsed.session, squad.slice(0, 1), AS_OF)).toBeUndefined();
  });
});

describe('names of one person', () => {
  test.each([
    ['Ada Brind', 'ADA  brind'],
    ['Zoë Márlpit', 'Zoe Marlpit'],
    ['Brind Ada', 'Ada Brind'],
    ["Ada O'Brind", 'Ada O Brind'],
  ])('“%s” and “%s” are the same', (a, b) => expect(nameKey(a)).toBe(nameKey(b)));
  test.each([
    ['Ada Brindlecote', 'Ada Brindlecotte', true],
    ['Ada Mae Brindlecote', 'Ada Brindlecote', true],
    ['Ada Brindlecote', 'Ada Brindlecote', false],
    ['Ada Brindlecote', 'Dov Ashgrave', false],
    ['Bo', 'Jo', true],
    ['', 'Ada', false],
  ])('“%s” may be “%s”: %s', (a, b, likely) => {
    expect(isLikelyName(a, b)).toBe(likely);
    expect(isLikelyName(b, a)).toBe(likely);
  });
});

describe('taking a change back', () => {
  const groups = [
    { id: 'g', name: 'Milers' },
    { id: 'h', name: 'Long' },
  ];
  const ada = member({ groupId: 'g' });
  const bo = member({ id: 'b', name: 'Bo', tileName: 'Bo', groupId: 'h' });
  const before = { settings: { paceBookId: 'curve', groups }, athletes: [ada, bo] };
  test.each<[string, SquadChange, SquadChange]>([
    ['someone changed', { athletes: [{ ...ada, name: 'Ada C' }] }, { athletes: [ada], removedIds: [] }],
    ['someone new', { athletes: [member({ id: 'n' })] }, { athletes: [], removedIds: ['n'] }],
    ['someone removed', { removedIds: ['b'] }, { athletes: [bo], removedIds: [] }],
    ['another book', { paceBookId: 'offset' }, { paceBookId: 'curve', athletes: [], removedIds: [] }],
    [
      'a group taken away, with those who were in it',
      { groups: [{ id: 'g', name: 'Milers' }] },
      { groups, athletes: [bo], removedIds: [] },
    ],
  ])('%s', (_what, change, undo) => expect(inverseOf(change, before)).toEqual(undo));
});
