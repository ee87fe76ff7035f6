import fc from 'fast-check';
import { changedSession, changeOf } from '../planning/changes';
import { curveOf5k } from '../planning/testing';
import { curveBook } from '../paces/shippedPaceBooks';
import { itemAt } from '../session/edit';
import { timesOf } from '../session/lengths';
import type { SessionTree } from '../session/session';
import { anySession } from '../session/testing';
import { legCount } from '../session/treeTotals';
import { isWork, targetsFor } from '../targets/targetsFor';
import { standardTrack } from '../venue/venue';
import { gaugeOf } from './gauge';
import { isOf, withCount, withPace, withRecovery } from './levers';
import { judgePoints, meantFor, outlookFor } from './outlook';
import { predict, stretchesOf, type Stretch } from './predict';

const curve = curveOf5k(1110);
const gauge = gaugeOf(curve);
const stretchesFor = (session: SessionTree) =>
  stretchesOf(gauge, targetsFor(session, { curve, paceBook: curveBook, venue: standardTrack }));
const arc = { first: 5.5, middle: 7.5, last: 9 };

/** Sessions that a day could hold: laid out in a moment. */
const someSession = anySession.filter((session) => legCount(session) <= 120);
/** A session and one of its items, by chance. */
const withItem = fc.tuple(someSession, fc.nat()).map(([session, pick]) => {
  const stretches = stretchesFor(session);
  const paths = [...new Set(stretches.map(({ path }) => path.join('.')))].map((key) => key.split('.').map(Number));
  return { session, stretches, path: paths[pick % paths.length] ?? [0, 0] };
});

describe('any session, any of its items', () => {
  test('run fewer times, it comes to what the changed session itself comes to', () => {
    fc.assert(
      fc.property(withItem, fc.integer({ min: 1, max: 4 }), ({ session, stretches, path }, n) => {
        const item = itemAt(session, path);
        if (!item || timesOf(item.count, 'max') <= n) return;
        const change = changeOf(session, path, { kind: 'all' }, { kind: 'count', n });
        const changed = stretchesFor(changedSession(session, [change]));
        const plain = (list: readonly Stretch[]) => list.map(({ isRep, path: of }) => `${isRep} ${of.join('.')}`);
        expect(plain(withCount(stretches, path, n))).toEqual(plain(changed));
      }),
      { numRuns: 150 },
    );
  });
  test('run as often as before, nothing changes', () => {
    fc.assert(
      fc.property(withItem, ({ session, stretches, path }) => {
        const item = itemAt(session, path);
        if (!item) return;
        const n = timesOf(item.count, 'max');
        expect(withCount(stretches, path, n)).toEqual(stretches);
      }),
    );
  });
  test('another recovery or pace leaves every other item as it is', () => {
    fc.assert(
      fc.property(withItem, fc.integer({ min: 5, max: 600 }), ({ stretches, path }, durationS) => {
        for (const changed of [withRecovery(stretches, path, durationS), withPace(stretches, path, 0.9, false)]) {
          expect(changed).toHaveLength(stretches.length);
          changed.forEach((stretch, i) => {
            if (!isOf(stretch, path)) expect(stretch).toBe(stretches[i]);
          });
        }
      }),
    );
  });
});

describe('any session predicted', () => {
  test('an effort is between 1 and 10, a point for each rep of the main part, nothing is not a number', () => {
    fc.assert(
      fc.property(someSession, (session) => {
        const stretches = stretchesFor(session);
        const points = predict(gauge, stretches);
        expect(points).toHaveLength(stretches.filter(({ isRep, isWork: works }) => isRep && works).length);
        for (const { effort = 5, leftShare, spent } of points) {
          expect(effort).toBeGreaterThanOrEqual(1);
          expect(effort).toBeLessThanOrEqual(10);
          expect(Number.isFinite(leftShare) && Number.isFinite(spent)).toBe(true);
          expect(leftShare).toBeLessThanOrEqual(1 + 1e-9);
        }
      }),
    );
  });
  test('warm-up and cool-down change nothing about it', () => {
    fc.assert(
      fc.property(someSession, (session) => {
        const lines = session.lines.filter(isWork);
        if (lines.length === 0) return;
        const withEnds: SessionTree = {
          lines: [
            {
              role: 'warm',
              items: [
                {
                  count: { kind: 'fixed', n: 4 },
                  body: {
                    kind: 'rep',
                    amounts: [{ kind: 'distance', distanceM: 100 }],
                    sequence: 'ladder',
                    free: false,
                    pace: { from: { kind: 'named', name: 'strides', goal: false } },
                  },
                },
              ],
            },
            ...lines,
          ],
        };
        const efforts = (tree: SessionTree) => predict(gauge, stretchesFor(tree)).map(({ effort }) => effort);
        expect(efforts(withEnds)).toEqual(
          efforts({ lines }).map((effort) => (effort === undefined ? undefined : expect.closeTo(effort, 6))),
        );
      }),
      { numRuns: 60 },
    );
  });
  test('its judgement stands on its points alone', () => {
    fc.assert(
      fc.property(someSession, (session) => {
        const legs = targetsFor(session, { curve, paceBook: curveBook, venue: standardTrack });
        const { points, fit, over, leastLeft, meant } = outlookFor(curve, legs, arc);
        expect(judgePoints(points, arc)).toMatchObject({ fit, over, leastLeft });
        expect(meant).toEqual(meantFor(arc, points));
        if (fit === 'unknown')
          expect(points.every(({ effort, isAsked }) => effort === undefined || isAsked)).toBe(true);
      }),
    );
  });
});
