/** Predictions in heat, and its cost. */
import { INTENT_FACTS } from '../session/intent';
import { curveBook } from '../paces/shippedPaceBooks';
import { effortAdded, feltOn, hotDay, slowedBy } from '../review/heatCost';
import { curve } from '../run/testing';
import { read } from '../session/testing';
import { targetsFor } from '../targets/targetsFor';
import { standardTrack } from '../venue/venue';
import { outlookInHeat } from './inHeat';

const limits = { careC: 27, hardC: 32 };
const legs = targetsFor(read('5x1000 @5k / 2:00'), { curve, paceBook: curveBook, venue: standardTrack });
const at = (temperatureC: number, humidityPct = 50) =>
  outlookInHeat(curve, legs, INTENT_FACTS['aerobic-power'].arc, {
    weather: { temperatureC, humidityPct },
    limits,
    isHard: true,
  });

test('the hotter the harder, and above the limit for hard work nothing hard is on plan', () => {
  expect(at(15).fit).toBe('fine');
  expect(at(26).lastEffort ?? 0).toBeGreaterThan(at(15).lastEffort ?? 0);
  expect(at(34).fit).not.toBe('fine');
});

test('long reps are slower by 0.3 % a degree felt above 20, short ones are not; effort from 18', () => {
  expect(slowedBy(30, 240)).toBeCloseTo(0.03, 9);
  expect(slowedBy(30, 90)).toBe(0);
  expect(slowedBy(undefined, 240)).toBe(0);
  expect(effortAdded(28)).toBeCloseTo(0.8, 9);
  expect(effortAdded(12)).toBe(0);
});

test('words only from the club’s caution level on; felt is the air where it is too cool for an index', () => {
  expect(hotDay({ temperatureC: 25, humidityPct: 40 }, limits)).toBeUndefined();
  expect(hotDay({ temperatureC: 31, humidityPct: 62 }, limits)).toMatchObject({ airC: 31, isOverHard: true });
  expect(feltOn({ temperatureC: 20 })).toBe(20);
  expect(feltOn({ temperatureC: 60, humidityPct: 90 })).toBe(40);
  expect(feltOn({})).toBeUndefined();
});
