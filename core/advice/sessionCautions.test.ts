import { INTENTS } from '../session/intent';
import { fitCurve } from '../fitness/curve';
import { curveBook } from '../paces/shippedPaceBooks';
import { sinceWeeks, type Athlete } from '../squad/athlete';
import { targetsFor } from '../targets/targetsFor';
import { shareOfLimit } from '../targets/totals';
import { standardTrack } from '../venue/venue';
import type { Intent } from '../session/intent';
import { sessionCautions } from './sessionCautions';
import { suggestIntent } from './suggestIntent';
import { read } from '../session/testing';
import { guideFor, SHIPPED_GUIDES } from '../squad/volumeGuides';

const DATE = '2027-05-04';
const WARM = 'warm: 1600 @easy, 4x100 @strides / 60s\n';
const COOL = '\ncool: 1200 @easy';

function notes(text: string, athlete: Partial<Athlete> = {}, given?: Intent): string {
  const session = read(text);
  const marks = [{ distanceM: 5000, timeS: 1110, date: DATE, kind: 'race' as const }];
  const curve = fitCurve(marks, { asOf: DATE });
  const legs = targetsFor(session, { curve, paceBook: curveBook, venue: standardTrack });
  const who: Athlete = { name: 'Ottilie Wrenfield', tileName: 'Ottilie', status: 'training', marks, ...athlete };
  return sessionCautions({
    session,
    intent: given ?? suggestIntent(session),
    entrants: [{ athlete: who, legs, shareOfLimit: shareOfLimit(curve, legs) }],
    guides: SHIPPED_GUIDES,
    date: DATE,
  }).join('\n');
}

test('a sound session has nothing to say about it', () => expect(notes(`${WARM}5x800 @5k / 2:00 jog${COOL}`)).toBe(''));

test('hard work without a warm-up or a cool-down; a long run needs neither', () => {
  expect(notes('5x800 @5k / 2:00 jog')).toMatch(/no warm-up.*\n.*no cool-down/);
  expect(notes('50min @easy')).toBe('');
});

test('fast reps from the start want strides, and a running base', () => {
  expect(notes(`warm: 1600 @easy\n8x200 @800 / 2:00${COOL}`)).toMatch(/no strides/);
  expect(notes(`${WARM}8x200 @800 / 2:00${COOL}`)).toBe('');
  const beginner = { runningSince: sinceWeeks(3, DATE) };
  expect(notes(`${WARM}8x200 @800 / 2:00${COOL}`, beginner)).toMatch(/without a running base: Ottilie \(3 weeks\)/);
  expect(notes(`${WARM}8x200 @800 / 2:00${COOL}`, { weeklyKm: 9 })).toMatch(/running base: Ottilie \(9 km a week\)/);
  expect(notes(`${WARM}8x200 @800 / 2:00${COOL}`, { weeklyKm: 12 })).not.toMatch(/running base/);
  expect(notes(`${WARM}3x1000 @threshold / 60s${COOL}`, beginner)).not.toMatch(/running base/);
});

test('much for someone young, new, or of short races; not for others', () => {
  const text = `${WARM}6x1000 @threshold / 60s${COOL}`;
  expect(notes(text)).toBe('');
  expect(notes(text, { bornYear: 2014 })).toMatch(/^Much for threshold, .*: Ottilie 24 min \(guide 20 min\)/);
  const newish = { runningSince: sinceWeeks(30, DATE), leaning: '400-800' as const };
  expect(notes(text.replace('6x', '7x'), newish)).toMatch(/28 min \(guide 22 min\)/);
});

test('more than a race in parts, unless it is meant to be', () => {
  const text = `${WARM}9x1000 @5k / 60s${COOL}`;
  expect(notes(text)).toMatch(/More than a race in parts: Ottilie 180 %/);
  expect(notes(text, {}, 'indicator')).not.toMatch(/race in parts/);
});

test('after a break, and flat out', () => {
  expect(notes(`${WARM}4x200 @goal 5k / 200m walk${COOL}`, {}, 'transition')).toMatch(
    /No goal time, so their goal pace is that of now/,
  );
  expect(notes(`${WARM}4x200 @5k / 200m walk${COOL}`, {}, 'transition')).not.toMatch(/No goal time/);
  expect(notes(`${WARM}4x200 @goal 5k / 200m walk${COOL}`, {}, 'transition')).toMatch(
    /After a break.*\n.*not at goal pace/,
  );
  expect(notes(`${WARM}3000 @max${COOL}`)).toMatch(/pain, feels dizzy or ill/);
});

describe('guides', () => {
  const most = (runner: Parameters<typeof guideFor>[2]) => guideFor(SHIPPED_GUIDES, 'threshold', runner)?.mostS;
  test('age, experience and event each take their smallest share; what is not known changes nothing', () => {
    expect(most({})).toBe(2400);
    expect(most({ age: 13 })).toBe(1200);
    expect(most({ age: 17, weeks: 60, leaning: '5k-10k' })).toBeCloseTo(1920);
    expect(most({ age: 13, weeks: 4, leaning: '400-800' })).toBeCloseTo(2400 * 0.5 * 0.6 * 0.7);
    expect(most({ weeklyKm: 25 })).toBeCloseTo(2400 * 0.85);
    // The new run little: that is one reason for less, not two.
    expect(most({ weeks: 4, weeklyKm: 15 })).toBeCloseTo(2400 * 0.6);
    expect(most({ weeks: 60, weeklyKm: 15 })).toBeCloseTo(2400 * 0.7);
  });
  test('every number says where it is from, and there is one for every kind', () => {
    expect(SHIPPED_GUIDES.most.map(({ intent }) => intent)).toHaveLength(INTENTS.length);
    for (const { source } of [...SHIPPED_GUIDES.most, ...SHIPPED_GUIDES.shares]) expect(source).not.toBe('');
    expect(guideFor({ most: [], shares: [] }, 'speed', {})).toBeUndefined();
  });
});

describe('flat out at a young age', () => {
  const at = (age: number, text: string) => notes(`${WARM}${text}${COOL}`, { bornYear: 2027 - age }, 'test');
  test('thirty minutes are not for a 13-year-old, and a mile is', () => {
    expect(at(13, '30min @max')).toMatch(/Long to run flat out at their age: Ottilie \(2000 m at most\)\./);
    expect(at(13, '1mi @max')).not.toMatch(/at their age/);
  });
  test('by age: 2000 m for eleven, 3000 m for fifteen; grown-ups as far as they like', () => {
    expect(at(11, '2000 @max')).toMatch(/at their age/);
    expect(at(15, '3000 @max')).not.toMatch(/at their age/);
    expect(at(16, '5000 @max')).toMatch(/at their age/);
    expect(at(30, '30min @max')).not.toMatch(/at their age/);
  });
});
