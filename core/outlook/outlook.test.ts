import fc from 'fast-check';
import { heldFor } from '../fitness/curve';
import { changedSession, changeOf } from '../planning/changes';
import { acceptedChanges, proposer, sharedProposal } from '../planning/accept';
import type { AthletePlan } from '../planning/athletePlans';
import { curveOf5k, plansOf, runner } from '../planning/testing';
import { curveBook } from '../paces/shippedPaceBooks';
import { INTENT_FACTS, type Intent } from '../session/intent';
import { read } from '../session/testing';
import { targetsFor } from '../targets/targetsFor';
import { reserve } from '../targets/reserve';
import { standardTrack } from '../venue/venue';
import { chancesFor } from './chances';
import { gaugeOf } from './gauge';
import { isOf, withCount, withPace, withRecovery } from './levers';
import { breachesOf, meantAt, outlookFor } from './outlook';
import { predict, stretchesOf } from './predict';
import { outlookProposals, sharedSetting } from './proposals';

const curve = curveOf5k(1110);
const gauge = gaugeOf(curve);
const legsOf = (text: string) => targetsFor(read(text), { curve, paceBook: curveBook, venue: standardTrack });
const pointsOf = (text: string) => predict(gauge, stretchesOf(gauge, legsOf(text)));
const look = (text: string, intent: Intent) => outlookFor(curve, legsOf(text), INTENT_FACTS[intent].arc);
const RACE = INTENT_FACTS['race-pace'].arc;
const TOO_MUCH = '2x(6x300 @1500 / 45s walk) / 3:00 walk';

describe('the gauge', () => {
  test('how long a speed is held is that of the curve, to a part in fifty', () => {
    fc.assert(
      fc.property(fc.double({ min: 3, max: 7, noNaN: true }), (speedMps) => {
        expect(Math.abs(gauge.heldS(speedMps) / heldFor(curve, speedMps) - 1)).toBeLessThan(0.02);
      }),
    );
  });
  test('it ends where the curve does, and is made once for a curve', () => {
    expect([gauge.heldS(40), gauge.heldS(0.5)]).toEqual([5, 36_000]);
    expect(gaugeOf(curve)).toBe(gauge);
  });
});

describe('predicted effort', () => {
  test.each([
    ['20min @threshold', 5, 6.5],
    ['40min @threshold', 7, 8.5],
    ['5x1000 @5k / 3:00 walk', 7, 8.5],
    ['8x400 @mile / 2:00 walk', 8.5, 9.6],
    ['60min @easy', 2, 4],
  ])('%s ends between %d and %d', (text, least, most) => {
    const last = pointsOf(text).at(-1)?.effort ?? 0;
    expect(last).toBeGreaterThan(least);
    expect(last).toBeLessThan(most);
  });
  test('the reserve is that of reserve(), whatever comes before the main part', () => {
    for (const text of ['8x400 @mile / 2:00 walk', 'warm: 4x100 @strides / 60s\nmain: 5x800 @3k / 2:00', TOO_MUCH])
      expect(pointsOf(text).map(({ leftShare }) => leftShare)).toEqual(
        reserve(curve, legsOf(text)).afterRep.map((share) => expect.closeTo(share, 9)),
      );
  });
  test('what is asked for by effort is not predicted, and never too hard', () => {
    expect(look('6x60s @effort 9 / 60s jog', 'fartlek')).toMatchObject({ fit: 'unknown', lastEffort: 9 });
    expect(outlookFor(undefined, legsOf('400 @5k'), RACE).fit).toBe('unknown');
  });
  test('a longer recovery never lowers the reserve, nor raises the effort; nor does a slower target', () => {
    const rest = fc.integer({ min: 15, max: 300 });
    const text = (restS: number, per400: number) => `6x400 @${per400}/400 / ${restS}s walk`;
    const isEasier = (a: string, b: string) => {
      const [before, after] = [pointsOf(a), pointsOf(b)];
      after.forEach(({ leftShare, effort = 0 }, i) => {
        expect(leftShare).toBeGreaterThanOrEqual((before[i]?.leftShare ?? 0) - 1e-9);
        expect(effort).toBeLessThanOrEqual((before[i]?.effort ?? 10) + 1e-9);
      });
    };
    fc.assert(
      fc.property(
        rest,
        rest,
        fc.integer({ min: 68, max: 100 }),
        fc.integer({ min: 1, max: 10 }),
        (a, b, per400, by) => {
          isEasier(text(Math.min(a, b), per400), text(Math.max(a, b), per400));
          isEasier(text(a, per400), text(a, per400 + by));
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('will it work', () => {
  test('the meant arc goes straight from first to middle to last', () => {
    expect([0, 0.25, 0.5, 1].map((way) => meantAt(RACE, way))).toEqual([6.5, 7.25, 8, 9]);
  });
  test('on plan, too light, too hard, more than there is', () => {
    expect(look('16x400 @5k / 40s walk', 'aerobic-power').fit).toBe('fine');
    expect(look('4x400 @10k / 3:00', 'aerobic-power').fit).toBe('light');
    expect(look('8x400 @mile / 90s walk', 'race-pace').fit).toBe('stretched');
    expect(look('12x400 @mile / 60s walk', 'race-pace')).toMatchObject({ fit: 'cannot', lastEffort: 10 });
  });
  test('each verdict has its reason: harder than meant exactly where something is too much', () => {
    const breaches = (text: string, intent: Intent) => breachesOf(look(text, intent), INTENT_FACTS[intent].arc);
    expect(breaches('16x400 @5k / 40s walk', 'aerobic-power')).toEqual([]);
    expect(breaches('8x400 @mile / 90s walk', 'race-pace')).toEqual(['reserve']);
    expect(breaches('12x400 @mile / 60s walk', 'race-pace')).toContain('reserve');
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 16 }), fc.constantFrom('mile', '3k', '5k', 'threshold'), (n, pace) => {
        for (const intent of ['race-pace', 'threshold', 'test'] as const) {
          const text = `${n}x400 @${pace} / 60s walk`;
          const { fit } = look(text, intent);
          expect([fit, breaches(text, intent).length > 0]).toEqual([fit, fit === 'stretched' || fit === 'cannot']);
        }
      }),
    );
  });
});

describe('one thing changed', () => {
  const TEXTS = [
    '8x400 @mile / 60s walk, 4x200 @800 / 2:00 walk',
    '3x(4x300 @1500 / 45s) / 4:00',
    '2x(600 @3k / 60s, 3x200 @mile / 30s) / 3:00',
    'main: 6x400-200 @mile / 60s\nfinish: 2x300 @800',
  ];
  const plain = (stretches: ReturnType<typeof stretchesOf>) =>
    stretches.map(({ isRep, speedMps, durationS, path }) => [
      isRep,
      speedMps.toFixed(6),
      durationS.toFixed(6),
      path.join('.'),
    ]);
  test('fewer, or more, times are what the changed session itself comes to', () => {
    for (const text of TEXTS) {
      const session = read(text);
      const stretches = stretchesOf(gauge, legsOf(text));
      const paths = [...new Set(stretches.flatMap(({ path }) => [path.slice(0, 2).join('.'), path.join('.')]))];
      for (const key of paths) {
        const path = key.split('.').map(Number);
        for (const n of [1, 2, 3, 5]) {
          const change = changeOf(session, path, { kind: 'all' }, { kind: 'count', n });
          const turns = Math.max(
            ...stretches.filter((stretch) => isOf(stretch, path)).map(({ turns: all }) => all[path.length - 2] ?? 0),
          );
          // What comes but once has no recovery between that more of it could take over.
          if (turns === 0 && n > 1) continue;
          const changed = targetsFor(changedSession(session, [change]), {
            curve,
            paceBook: curveBook,
            venue: standardTrack,
          });
          expect([text, key, n, plain(withCount(stretches, path, n))]).toEqual([
            text,
            key,
            n,
            plain(stretchesOf(gauge, changed)),
          ]);
        }
      }
    }
  });
  test('a recovery and a pace are those of their item alone', () => {
    const stretches = stretchesOf(gauge, legsOf(TEXTS[0] ?? ''));
    const longer = withRecovery(stretches, [0, 0], 100);
    expect(longer.filter(({ isRep }) => !isRep).map(({ durationS }) => durationS)).toEqual([
      ...Array<number>(8).fill(100),
      120,
      120,
      120,
    ]);
    const slower = withPace(stretches, [0, 1], 0.9, false);
    expect(slower[0]).toBe(stretches[0]);
    expect((slower.at(-1)?.durationS ?? 0) / (stretches.at(-1)?.durationS ?? 1)).toBeCloseTo(1 / 0.9, 9);
    const byClock = withPace(stretches, [0, 1], 0.9, true);
    expect(byClock.at(-1)?.durationS).toBe(stretches.at(-1)?.durationS);
  });
});

describe('proposals', () => {
  const planOfAnn = (text: string, changes = {}) =>
    plansOf(text, [runner('ann', 1110)], changes).plans[0] as AthletePlan;
  const found = (text: string, arc = RACE) => outlookProposals(gauge, read(text), legsOf(text), arc);
  test('each lever, with the least change that is enough', () => {
    const proposals = found(TOO_MUCH);
    expect(proposals.map(({ lever }) => lever)).toEqual(['recovery', 'count', 'pace', 'reps-in-set']);
    for (const { effect, to, from, lever } of proposals) {
      expect(['fine', 'light']).toContain(effect.fit);
      expect(lever === 'recovery' ? to > from : to < from).toBe(true);
    }
    const rest = proposals[0];
    expect((rest?.to ?? 1) % 5).toBe(0);
    const less = TOO_MUCH.replace('45s', `${(rest?.to ?? 0) - 5}s`);
    expect(look(TOO_MUCH.replace('45s', `${rest?.to}s`), 'race-pace').fit).not.toBe('stretched');
    expect(['stretched', 'cannot']).toContain(look(less, 'race-pace').fit);
  });
  test('accepted, each comes to what it said', () => {
    const plan = planOfAnn(TOO_MUCH);
    for (const proposal of proposer(RACE)(plan)) {
      const changes = acceptedChanges({ proposal, athletePlan: plan }, { kind: 'all' });
      const after = outlookFor(curve, planOfAnn(TOO_MUCH, { changes }).legs, RACE);
      expect([proposal.lever, after.fit, after.lastEffort]).toEqual([
        proposal.lever,
        proposal.effect.fit,
        expect.closeTo(proposal.effect.lastEffort ?? 0, 1),
      ]);
    }
  });
  test('a jog is made longer in steps of 50 m; what fits already, or cannot be told, has none', () => {
    const [jog] = found('12x300 @mile / 100m jog').filter(({ lever }) => lever === 'recovery');
    expect(jog?.set.kind).toBe('jog');
    expect((jog?.to ?? 1) % 50).toBe(0);
    expect(found('16x400 @5k / 40s walk', INTENT_FACTS['aerobic-power'].arc)).toEqual([]);
    expect(found('6x60s @effort 9 / 60s')).toEqual([]);
  });
  test('too light: more of it or shorter recoveries, never faster, within the range that is written', () => {
    const light = found('6-8x400 @5k / 90s walk', INTENT_FACTS['aerobic-power'].arc);
    for (const { lever, to, from } of light) {
      expect(lever).not.toBe('pace');
      expect(lever === 'recovery' ? to < from : to > from && to <= 8).toBe(true);
    }
  });
  test('a second pace goes on from the first; a time set by hand is left alone', () => {
    const path = [0, 0, 0];
    const paced = planOfAnn(TOO_MUCH, {
      changes: [changeOf(read(TOO_MUCH), path, { kind: 'all' }, { kind: 'pace', share: 0.99 })],
    });
    const again = proposer(RACE)(paced).find(({ lever }) => lever === 'pace');
    if (!again) throw new Error('no pace proposed');
    const [change] = acceptedChanges({ proposal: again, athletePlan: paced }, { kind: 'all' });
    expect(change?.set).toEqual({ kind: 'pace', share: expect.closeTo(0.99 * again.to, 2) });
    const set = planOfAnn(TOO_MUCH, {
      changes: [changeOf(read(TOO_MUCH), path, { kind: 'all' }, { kind: 'target', targetS: 62 })],
    });
    expect(proposer(RACE)(set).some(({ lever }) => lever === 'pace')).toBe(false);
  });
  test('for several, the setting that does for each of them', () => {
    const { plans } = plansOf(TOO_MUCH, [runner('a', 960), runner('b', 1110), runner('c', 1300)]);
    const proposalsOf = proposer(RACE);
    const rests = plans.map(
      (athletePlan) => proposalsOf(athletePlan).find(({ lever }) => lever === 'recovery')?.to ?? 0,
    );
    const first = proposalsOf(plans[0] as AthletePlan)[0];
    if (!first) throw new Error('nothing proposed');
    expect(sharedProposal(first, plans, proposalsOf)).toMatchObject({ proposal: { to: Math.max(...rests) }, does: 3 });
    expect(sharedProposal({ lever: 'recovery', path: [9, 9] }, plans, proposalsOf)).toBeUndefined();
    expect(sharedSetting([])).toBeUndefined();
  });
});

describe('on plan is said only when effort, reserve and share of limit agree', () => {
  const arc = INTENT_FACTS['aerobic-power'].arc;
  test('whatever is proposed, no gauge contradicts it', () => {
    for (const text of ['10x800 @3k / 60s', '12x1000 @5k / 60s', '20x400 @mile / 60s', '8x800 @3k / 45s walk'])
      for (const { effect, next } of outlookProposals(gauge, read(text), legsOf(text), arc)) {
        const last = next?.effect ?? effect;
        expect(['fine', 'light']).toContain(last.fit);
        expect(last.leastLeft).toBeGreaterThanOrEqual(0);
        expect(last.limitShare).toBeLessThanOrEqual(1.5);
        expect(last.lastEffort).toBeLessThanOrEqual(arc.last + 0.8);
      }
  });
  test('a session of 178 % of what could be run flat out is not on plan, however long the rests', () =>
    expect(look('9x1000 @5k / 8:00 walk', 'aerobic-power')).toMatchObject({
      fit: 'stretched',
      limitShare: expect.closeTo(1.8, 1),
    }));
  test('where nothing is enough alone, the first says what is left over and the next one is offered with it', () => {
    const text = '4x1200 @mile / 60s';
    const proposals = outlookProposals(gauge, read(text), legsOf(text), RACE);
    expect(proposals.length).toBeGreaterThan(0);
    for (const { effect, next, lever } of proposals) {
      if (!next) throw new Error('one alone was enough');
      expect(['stretched', 'cannot']).toContain(effect.fit);
      expect(['fine', 'light']).toContain(next.effect.fit);
      expect(next.lever).not.toBe(lever);
    }
  });
  test('a pair is offered beside what is enough alone only where it asks for less of that', () => {
    const text = '6x800 @3k / 45s';
    const proposals = outlookProposals(gauge, read(text), legsOf(text), arc);
    const alone = proposals.find(({ lever, next }) => lever === 'pace' && !next);
    const pair = proposals.find(({ next }) => next?.lever === 'pace');
    expect(pair?.lever).toBe('recovery');
    expect(pair?.next?.to).toBeGreaterThan(alone?.to ?? 1);
  });
  test('both are accepted together, and come to what they said', () => {
    const text = '4x1200 @mile / 60s';
    const { plans } = plansOf(text, [runner('ann', 1110)]);
    const [plan] = plans;
    if (!plan) throw new Error();
    for (const proposal of proposer(RACE)(plan)) {
      const changes = acceptedChanges({ proposal, athletePlan: plan }, { kind: 'all' });
      expect(changes).toHaveLength(2);
      const [changed] = plansOf(text, [runner('ann', 1110)], { changes }).plans;
      const after = outlookFor(curve, changed?.legs ?? [], RACE);
      expect([after.fit, after.lastEffort]).toEqual([
        proposal.next?.effect.fit,
        expect.closeTo(proposal.next?.effect.lastEffort ?? 0, 1),
      ]);
    }
  });
});

describe('how sure it is', () => {
  const seeded = (seed: number) => {
    let state = seed;
    return () => {
      state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
      return state / 2_147_483_648;
    };
  };
  const chances = (text: string, seed = 1, draws = 400) =>
    chancesFor({ athleteId: 'ann', curve, legs: legsOf(text) }, RACE, seeded(seed), draws);
  test('the same draws give the same; easy work is sure, and what is too much surely is', () => {
    expect(chances(TOO_MUCH)).toEqual(chances(TOO_MUCH));
    expect(chances('4x400 @10k / 2:00')).toMatchObject({ finishes: 1, fits: 1 });
    expect(chances('20x400 @mile / 30s').finishes).toBeLessThan(0.02);
  });
  test('the prediction lies among the draws, and more rest makes it surer', () => {
    const text = '8x400 @mile / 2:00 walk';
    const { lastEffort, leastLeft } = chances(text);
    const { lastEffort: predicted = 0, leastLeft: left } = look(text, 'race-pace');
    expect(lastEffort?.low).toBeLessThan(predicted);
    expect(lastEffort?.high).toBeGreaterThan(predicted);
    expect(leastLeft.low).toBeLessThan(left);
    expect(leastLeft.high).toBeGreaterThan(left);
    expect(chances(text.replace('2:00', '4:00')).fits).toBeGreaterThan(chances(text).fits);
  });
  test('an old, lonely mark spreads it wider than a fresh one', () => {
    const old = { ...curve, covariance: curve.covariance.map((row) => row.map((value) => value * 9)) };
    const legs = legsOf('8x400 @mile / 2:00 walk');
    const spread = ({ leastLeft }: { leastLeft: { low: number; high: number } }) => leastLeft.high - leastLeft.low;
    const of = (candidate: typeof curve) =>
      chancesFor({ athleteId: 'a', curve: candidate, legs }, RACE, seeded(3), 400);
    expect(spread(of(old))).toBeGreaterThan(spread(of(curve)));
  });
});
