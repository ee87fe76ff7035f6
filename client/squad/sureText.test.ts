import { fitCurve } from '@core/fitness/curve';
import { paceTable } from '@core/paces/paceTable';
import { curveBook, SHIPPED_PACE_BOOKS } from '@core/paces/shippedPaceBooks';
import { changedPlacesText, surePacesText } from './sureText';

const AS_OF = '2026-11-01';
const rowsOf = (...timesS: [distanceM: number, timeS: number][]) =>
  paceTable({
    paceBook: curveBook,
    curve: fitCurve(
      timesS.map(([distanceM, timeS]) => ({ distanceM, timeS, date: AS_OF, kind: 'race' })),
      { asOf: AS_OF },
    ),
  });

test('how sure is said pace by pace, neighbours together', () => {
  const single = surePacesText(rowsOf([5000, 1110]));
  expect(single).toMatch(/^Sure: [\w-]+ to [\w-]+\./);
  expect(single).toMatch(/Unsure: [\w ,]*400/);
  const apart = surePacesText(rowsOf([5000, 1110], [5000, 1300]));
  expect(apart).toMatch(/^Unsure: easy to 400\.$/);
  const effort = SHIPPED_PACE_BOOKS.find(({ id }) => id === 'effort') ?? curveBook;
  expect(surePacesText(paceTable({ paceBook: effort }))).toBe('');
});

test('where half, threshold, cv and 10k change places, it is said and why', () => {
  expect(changedPlacesText(rowsOf([5000, 780]))).toBe('');
  expect(changedPlacesText(rowsOf([5000, 1200]))).toMatch(/^Half is slower than threshold, 10k is slower than cv: /);
  expect(changedPlacesText(rowsOf([5000, 1980]))).toMatch(/10k is slower than threshold/);
});
