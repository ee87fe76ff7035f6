import { read } from '@core/session/testing';
import { curveBook } from '@core/paces/shippedPaceBooks';
import { targetsFor } from '@core/targets/targetsFor';
import { layLapSheet } from '@core/track/lapSheet';
import { standardTrack } from '@core/venue/venue';
import { AXIS, gapText, legAt, placeRows, ROW } from './lapSheetPlaces';

const lay = (text: string) =>
  layLapSheet(targetsFor(read(text), { paceBook: curveBook, venue: standardTrack }), standardTrack);
/** A pixel a metre. */
const x = (m: number) => m;
const TEXT = 'warm: 1600 @easy\nmain: 2x350 @5k / 90s, 300 @mile / 100m jog, 200 @mile\ncool: 800 @easy';

describe('rows', () => {
  const { placed, bottom } = placeRows(lay(TEXT));
  const rows = placed.flatMap((section) => section.rows);
  test('stand one under the other, each part under its heading', () => {
    expect(placed.map(({ section }) => section.role)).toEqual(['warm', 'main', 'cool']);
    expect(placed[0]?.heading).toBe(AXIS);
    const tops = rows.map(({ at }) => at);
    expect([...tops].sort((a, b) => a - b)).toEqual(tops);
    for (const { heading, rows: sectionRows } of placed)
      for (const { at } of sectionRows) expect(at).toBeGreaterThan(heading);
  });
  test('end where the drawing ends', () => {
    expect(bottom).toBe((rows.at(-1)?.at ?? 0) + ROW.height);
    expect(placeRows([])).toEqual({ placed: [], bottom: AXIS });
  });
});

describe('the leg that is pressed', () => {
  const { placed } = placeRows(lay(TEXT));
  const main = placed[1]?.rows ?? [];
  const at = (row: number, m: number) => legAt(placed, m, (main[row]?.at ?? 0) + 5, x);
  test('is the one under the finger', () => {
    expect(at(0, 100)).toBe(1);
    expect(at(1, 349)).toBe(3);
    expect(at(2, 100)).toBe(5);
    expect(at(2, 350)).toBe(6);
  });
  test('is the nearest of the row beside them all', () => {
    expect(at(0, 399)).toBe(1);
    expect(at(0, -20)).toBe(1);
  });
  test('is none above and below the rows', () => {
    expect(legAt(placed, 100, 3, x)).toBeUndefined();
    expect(legAt(placed, 100, 10_000, x)).toBeUndefined();
    expect(legAt([], 100, 100, x)).toBeUndefined();
  });
});

test('a rest says its time, and the walk where there is one', () => {
  const walk = (byM: number) => ({ toM: 0, byM, name: 'finish line' });
  expect(gapText({ legIndex: 1, atM: 300, label: '90s' })).toBe('90s');
  expect(gapText({ legIndex: 1, atM: 350, label: '90s', walk: walk(50) })).toBe('90s, 50 m on');
  expect(gapText({ legIndex: 1, atM: 9, label: '60s', walk: walk(-9.344) })).toBe('60s, 9 m back');
});
