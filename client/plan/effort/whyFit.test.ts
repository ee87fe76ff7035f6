/** The chain behind a verdict: from the marks to the rule that decides. */
import { outlookFor } from '@core/outlook/outlook';
import { proposer } from '@core/planning/accept';
import { plansOf, runner } from '@core/planning/testing';
import { INTENT_FACTS, type Intent } from '@core/session/intent';
import { NOBODY } from '../../data/useSquad';
import type { Planning } from '../../data/usePlanning';
import { whyFit, whyProposal } from './whyFit';

const DATE = '2026-11-28';
const ada = {
  id: 'ada',
  name: 'Ada',
  tileName: 'Ada',
  status: 'training' as const,
  marks: [{ distanceM: 5000, timeS: 1110, date: '2026-10-03', kind: 'race' as const }],
};

function planOf(text: string, intent: Intent) {
  const [athletePlan] = plansOf(text, [runner('ada', 1110)]).plans;
  if (!athletePlan) throw new Error('Nobody runs.');
  const { arc } = INTENT_FACTS[intent];
  const outlook = outlookFor(athletePlan.runner.paces.curve, athletePlan.legs, arc);
  const planning = {
    intent,
    arc,
    outlooks: new Map([['ada', outlook]]),
    squad: { ...NOBODY, athletes: [ada] },
    session: { date: DATE },
  } as unknown as Planning;
  const lines = whyFit(planning, athletePlan, outlook);
  return { athletePlan, lines, texts: lines.map(({ text }) => text) };
}

test('too much: marks, curve, prediction and the rule', () => {
  const { texts, lines } = planOf('12x400 @mile / 60s walk', 'race-pace');
  expect(texts[0]).toMatch(/^Marks: 5k in 18:30/);
  expect(lines[0]?.href).toBe('/squad/ada?side=marks');
  expect(texts[1]).toMatch(/^Curve through them: a 5k of 18:\d\d/);
  expect(texts[2]).toMatch(/^As it is: effort 10.0 at the end, the reserve runs out.*; meant 9.0 at the end\.$/);
  expect(texts).toContain(
    'The reserve above critical speed runs out before the end: there would be nothing left to finish with.',
  );
});

test('on plan and too easy say by which rule too', () => {
  expect(planOf('16x400 @5k / 40s walk', 'aerobic-power').texts.at(-1)).toBe(
    'It stays within 1.5 of the effort meant on the way and 0.8 at the end, and the reserve lasts.',
  );
  expect(planOf('4x400 @10k / 3:00', 'aerobic-power').texts.at(-1)).toBe(
    'At the end it is more than 2 below the effort meant.',
  );
});

test('each proposal says what was tried', () => {
  const { athletePlan, lines } = planOf('10x400 @mile / 90s walk', 'race-pace');
  const found = proposer(INTENT_FACTS['race-pace'].arc)(athletePlan).filter(({ next }) => !next);
  expect(found.map((proposal) => whyProposal(lines, proposal).at(-1)?.text)).toEqual([
    'Tried the recovery in steps of 5 s: this is the smallest change that is on plan.',
    'Tried one rep or set at a time: this is the smallest change that is on plan.',
    'Tried the pace in steps of 0.5 %: this is the smallest change that is on plan.',
  ]);
});
