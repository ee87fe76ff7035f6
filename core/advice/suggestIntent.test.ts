import { STARTERS } from '../library/starters';
import { curveBook } from '../paces/shippedPaceBooks';
import type { PaceBook } from '../paces/paceBook';
import { INTENT_FACTS, INTENTS, type Intent } from '../session/intent';
import type { Pace } from '../session/session';
import { suggestIntent, zoneOf } from './suggestIntent';
import { read } from '../session/testing';

const suggested = (text: string) => suggestIntent(read(text));

test.each<[string, Intent]>([
  ['4x1000 @threshold / 60s', 'threshold'],
  ['20min @tempo', 'threshold'],
  ['20x300 @cv / 30s jog', 'critical-speed-short'],
  ['5x1000 @cv / equal jog', 'critical-speed-long'],
  ['5x800 @5k / 2:00', 'aerobic-power'],
  ['8x400 @mile / 2:00', 'race-pace'],
  ['6x60 @max / 3:00 walk', 'speed'],
  ['30min free @effort 6-8', 'fartlek'],
  ['10x60s @effort 7 / 60s jog', 'fartlek'],
  ['7x(700 @10k, 900 @marathon)', 'alternation'],
  ['10min @steady, 10min @marathon, 5min @threshold', 'progression'],
  ['8000 @steady>10k', 'progression'],
  ['60min @easy', 'long-run'],
  ['50min @easy, 10min @10k', 'long-run'],
  ['3000 @max', 'test'],
  ['30min @effort 9.5', 'test'],
  ['6x1000 @goal 5k / 90s', 'indicator'],
  ['3x500 @goal 1500 / 60s', 'rehearsal'],
  ['4x900 @3k>goal 3k / 2:00', 'indicator'],
  ['6x600 @goal 2mi / 90s', 'indicator'],
  ['8x400 @5k>goal 5k / 60s', 'aerobic-power'],
  ['10x45s hill @effort 8 / equal jog', 'hills'],
  ['8x200 hill @5k / walk back', 'hills'],
  ['1600 @threshold / 2:00, 2x600 @5k / 2:00, 4x300 @mile / 2:00, 4x100 @400', 'mixed'],
  ['warm: 1600 @easy', 'mixed'],
  // Goal pace in reps with long rests is no rehearsal of the race.
  ['3x4:00 @goal 5k / 3:00', 'race-pace'],
  ['3x1600 @goal mile / 5:00', 'race-pace'],
  ['5x1000 @goal 5k / 90s', 'rehearsal'],
  ['2x300 @goal 800 / 60s', 'rehearsal'],
  // The peak of a marathon's work: a fast end makes no test of it.
  ['3x6k @marathon / 1k jog, 3k @10k', 'mixed'],
  ['3x6k @marathon / 1k jog, 3k @max', 'mixed'],
  ['3x6k @marathon, 3k', 'mixed'],
  ['16k @marathon', 'long-run'],
  // On and off by the clock, however it is written.
  ['18x50s @5k / 50s jog', 'fartlek'],
  ['18x50s on / 50s off', 'fartlek'],
  ['18x(50s @5k, 50s @easy)', 'fartlek'],
  ['6x3min @3k / 2:00', 'aerobic-power'],
  ['20x45s @mile / 45s', 'race-pace'],
  // A first session back.
  ['5x250 @5k / 2:30 walk', 'transition'],
  ['6x200 @10k / 200m walk', 'transition'],
  ['8x250 @5k / 30s', 'aerobic-power'],
  ['12x300 @5k / 3:00', 'aerobic-power'],
  ['6x150 @max / 5:00', 'speed'],
  ['4x800 @5k / 2:00, 200 @max', 'aerobic-power'],
  ['2x15min @half / 3:00', 'threshold'],
])('%s is suggested to be %s', (text, intent) => expect(suggested(text)).toBe(intent));

test('the starter sessions cover every kind, and what is suggested for most of them needs no correction', () => {
  const kinds = new Set(STARTERS.map(({ intent, shorthand }) => intent ?? suggested(shorthand)));
  expect([...kinds].sort()).toEqual([...INTENTS].sort());
  expect(STARTERS.length).toBeGreaterThanOrEqual(30);
  expect(STARTERS.filter(({ intent }) => intent === undefined).length).toBeGreaterThan(25);
});

test('every kind says how it should feel, never easier as it goes', () => {
  for (const { arc, toleranceTimes, name } of Object.values(INTENT_FACTS)) {
    expect(name).not.toBe('');
    expect(arc.first).toBeGreaterThanOrEqual(1);
    expect(arc.middle).toBeGreaterThanOrEqual(arc.first);
    expect(arc.last).toBeGreaterThanOrEqual(arc.middle);
    expect(arc.last).toBeLessThanOrEqual(10);
    expect(toleranceTimes).toBeGreaterThan(0);
  }
});

describe('what kind of work a pace is', () => {
  const named = (name: string): Pace => ({ kind: 'named', name, goal: false });
  test.each<[Pace, string | undefined]>([
    [named('threshold'), 'threshold'],
    [{ kind: 'share', percent: 70, name: 'mile' }, 'easy'],
    [{ ...named('5k'), offset: { offsetS: -8, perM: 400 } } as Pace, 'race-pace'],
    [{ kind: 'effort', min: 3, max: 4 }, 'easy'],
    [{ kind: 'effort', min: 9, max: 9 }, 'race-pace'],
    [{ kind: 'absolute', timeS: 74, perM: 400 }, undefined],
    [named('nowhere'), undefined],
  ])('%j', (pace, zone) => expect(zoneOf(pace)).toBe(zone));
  test('a pace of the coach’s own goes by its speed', () => {
    const ownEntry = {
      name: 'cruise',
      short: 'cr',
      tolerance: 0.01,
      basis: { kind: 'held' as const, durationS: 3600 },
    };
    const book: PaceBook = { ...curveBook, entries: [...curveBook.entries, ownEntry] };
    expect(zoneOf(named('cruise'), book)).toBe('threshold');
    expect(suggestIntent({ lines: read('4x1000 @threshold').lines }, book)).toBe('threshold');
  });
});
