import { targetsCsv } from '../formats/targetsCsv';
import Papa from 'papaparse';
import { standardTrack } from '../venue/venue';
import { cardLines, cardText, formatRounded, passesText, targetText, timesText } from './card';
import { dayCautions, startNote, type DayCautionSource } from '../advice/dayCautions';
import { heatCaution, heatIndexOf, USUAL_HEAT_LIMITS } from '../squad/heat';
import { member, plansOf, runner } from './testing';

const f = (c: number) => (c * 9) / 5 + 32;
const indexF = (temperatureC: number, humidityPct: number) => {
  const heat = heatIndexOf({ temperatureC, humidityPct });
  return heat.kind === 'index' ? f(heat.indexC) : undefined;
};
const c = (fahrenheit: number) => ((fahrenheit - 32) * 5) / 9;

describe('heat', () => {
  // The chart of the US National Weather Service, in °F.
  test.each([
    [80, 40, 80],
    [86, 70, 95],
    [90, 60, 100],
    [96, 50, 108],
    [100, 55, 124],
    [110, 40, 136],
  ])('%d °F at %d %% feels like %d °F', (temperature, humidityPct, feels) => {
    expect(Math.abs((indexF(c(temperature), humidityPct) ?? 0) - feels)).toBeLessThan(1.2);
  });
  test('the corrections for very dry and very damp air', () => {
    expect(indexF(c(100), 5)).toBeLessThan(98);
    expect(indexF(c(82), 100)).toBeGreaterThan(90);
  });
  test('only inside its range: none in the cool, none where the polynomial runs off', () => {
    expect(heatIndexOf({ temperatureC: 5, humidityPct: 50 })).toEqual({ kind: 'cool' });
    expect(heatIndexOf({ temperatureC: 25, humidityPct: 90 })).toEqual({ kind: 'cool' });
    expect(heatIndexOf({ temperatureC: 42, humidityPct: 90 })).toEqual({ kind: 'beyond' });
    expect(heatIndexOf({ temperatureC: 50, humidityPct: 5 })).toEqual({ kind: 'beyond' });
    expect(heatCaution({ temperatureC: 45, humidityPct: 20 }, USUAL_HEAT_LIMITS, true)).toMatch(
      /Nothing hard outdoors/,
    );
    expect(heatCaution({ temperatureC: 24, humidityPct: 60 }, { careC: 22, hardC: 26 }, true)).toMatch(
      /^24 °C, 60 % humidity: from 22 °C on/,
    );
  });
  test('the club’s own limits decide what is said', () => {
    const warm = { temperatureC: 31, humidityPct: 60 };
    expect(heatCaution({ temperatureC: 18, humidityPct: 50 }, USUAL_HEAT_LIMITS, true)).toBeUndefined();
    expect(heatCaution(warm, USUAL_HEAT_LIMITS, true)).toMatch(/over the club’s limit of 32 °C.*cooler hour/);
    expect(heatCaution(warm, USUAL_HEAT_LIMITS, false)).toMatch(/short and easy/);
    expect(heatCaution(warm, { careC: 30, hardC: 45 }, true)).toMatch(/from 30 °C on take shade/);
    expect(heatCaution(warm, { careC: 40, hardC: 45 }, true)).toBeUndefined();
  });
});

describe('cautions of the day', () => {
  const source = (more: Partial<DayCautionSource>): DayCautionSource => ({
    intent: 'race-pace',
    date: '2026-11-24',
    entrants: [],
    neighbours: [],
    heat: USUAL_HEAT_LIMITS,
    ...more,
  });
  const entrant = (id: string, fit: 'fine' | 'stretched' | 'cannot', more = {}) => ({ athlete: member(id, more), fit });
  test('too hard, young, easing back', () => {
    const cautions = dayCautions(
      source({
        entrants: [
          entrant('Ann', 'cannot'),
          entrant('Bob', 'stretched'),
          entrant('Cat', 'fine', { bornYear: 2014 }),
          entrant('Dee', 'fine', { status: 'easing', bornYear: 2001 }),
          { ...entrant('Eve', 'fine'), remark: '400 m in 50.0 s is faster than flat out (61.0 s).' },
        ],
      }),
    );
    expect(cautions).toEqual([
      expect.stringMatching(/^More than they have: Ann\./),
      expect.stringMatching(/^Harder than it is meant to be: Bob\./),
      expect.stringMatching(/^Eve: 400 m in 50\.0 s is faster than flat out/),
      expect.stringMatching(/^Under 14 in hard work: Cat\./),
      expect.stringMatching(/^Easing back, and this is hard: Dee\./),
    ]);
  });
  test('two hard days running, for those who run both; easy days are none', () => {
    const neighbours = [
      { title: 'Sharp 200s', intent: 'speed' as const, isBefore: true, athleteIds: new Set(['Ann']) },
      { title: 'Long run', intent: 'long-run' as const, isBefore: false, athleteIds: new Set(['Ann', 'Bob']) },
    ];
    const entrants = [entrant('Ann', 'fine'), entrant('Bob', 'fine')];
    expect(dayCautions(source({ entrants, neighbours }))).toEqual([
      'Two hard days running, with “Sharp 200s” the day before: Ann.',
    ]);
    expect(dayCautions(source({ entrants, neighbours, intent: 'long-run' }))).toEqual([]);
  });
  test('many names are cut short; the heat comes first', () => {
    const many = ['A', 'B', 'C', 'D', 'E', 'F', 'G'].map((id) => entrant(id, 'cannot'));
    const cautions = dayCautions(source({ entrants: many, weather: { temperatureC: 33, humidityPct: 60 } }));
    expect(cautions[0]).toMatch(/^It should feel like/);
    expect(cautions[1]).toContain('A, B, C, D, E and 2 more');
  });
  test('a start that is past', () => {
    const now = { date: '2026-11-24', time: '18:00' };
    expect(startNote('2026-11-23', '17:00', now)).toMatch(/That day is past/);
    expect(startNote('2026-11-24', '17:00', now)).toMatch(/It was to start at 17:00/);
    expect(startNote('2026-11-24', '18:30', now)).toBeUndefined();
    expect(startNote('2026-11-24', undefined, now)).toBeUndefined();
    expect(startNote('2026-11-25', '06:00', now)).toBeUndefined();
  });
});

describe('cards', () => {
  const lines = (text: string, who = runner('ann', 1110)) => {
    const [athletePlan] = plansOf(text, [who]).plans;
    return cardLines(athletePlan?.legs ?? [], standardTrack, 200);
  };
  test('reps that are the same are one line, with times at the marks and what follows', () => {
    const [fours, twos] = lines(
      'warm: 1600 @easy\n8x400 @5k / 75s jog\nfinish: 4x200 @mile / 200m jog\ncool: 800 @easy',
    );
    expect(fours).toMatchObject({ times: 8, what: '400 @5k', recovery: '75s jog', start: 'the finish line' });
    expect(fours?.passes).toEqual([{ atM: 200, timeS: expect.closeTo(44.4, 2) }]);
    expect(twos).toMatchObject({ times: 4, what: '200 @mile', recovery: '200m jog' });
    expect(twos).not.toHaveProperty('then');
  });
  test('another recovery after the last of a set, moving starts, notes, work by the clock and by effort', () => {
    const sets = lines('2x(3x300 @mile / 100m jog) / 4:00');
    expect(sets[0]).toMatchObject({ times: 6, start: expect.stringContaining('then on') });
    const mixed = lines('2x60s @5k "even" / 60s, 3x300 @effort 8 / 90s');
    expect(mixed.map((line) => [timesText(line), targetText(line, 0.1)])).toEqual([
      ['2 × 60s @5k', 'about 270 m'],
      ['3 × 300 @effort 8', 'by effort'],
    ]);
    expect(mixed[0]?.note).toBe('even');
    expect(lines('warm: 800 @easy')).toEqual([]);
  });
  test('as text for a message', () => {
    const card = {
      title: 'Even 400s',
      when: 'Tue 24 Nov, 17:45',
      who: 'Ann (Milers)',
      lines: lines('8x400 @5k / 75s jog\nfinish: 400 @mile'),
    };
    expect(cardText(card, 0.1)).toBe(
      'Even 400s\nTue 24 Nov, 17:45\nAnn (Milers)\n\n8 × 400 @5k: 1:28.8 (200 in 44.4), 75s jog\n  from the finish line\n400 @mile: 1:20.5 (200 in 40.2)\n  from the finish line\n',
    );
  });
  test('shown to the coach’s rounding, worked out exactly', () => {
    expect([0.1, 0.5, 1].map((rounding) => formatRounded(88.77, rounding))).toEqual(['1:28.8', '1:29.0', '1:29']);
    expect(passesText([{ atM: 200, timeS: 44.26 }], 0.5)).toBe('200 in 44.5');
    expect(targetText({ expectedM: 268 }, 1)).toBe('about 270 m');
  });
});

test('all targets as a list: a row for each athlete and rep, harmless to a spreadsheet', () => {
  const { plans, groups } = plansOf('warm: 800 @easy\n2x400 @5k / 60s, 60s @effort 8', [
    runner('=ann', 1110),
    runner('new'),
  ]);
  const { data } = Papa.parse<Record<string, string>>(targetsCsv(plans, groups, standardTrack).replace('\uFEFF', ''), {
    header: true,
    skipEmptyLines: true,
  });
  expect(data).toHaveLength(6);
  expect(data[0]).toMatchObject({
    group: 'Everyone',
    athlete: "'=ann",
    rep: '1',
    what: '400',
    pace: '5k',
    'target s': '88.8',
    'at the marks': '100=22.2 200=44.4 300=66.6 400=88.8',
    'recovery s': '60',
    'starts at': 'the finish line',
  });
  expect(data[5]).toMatchObject({ athlete: 'new', what: '60s', 'target s': '' });
});
