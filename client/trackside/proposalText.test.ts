import type { LiveProposal } from '@core/trackside/proposals';
import { RULE_IDS, type RuleId } from '@core/trackside/rules';
import { optionText, proposalText, reasonText, RULE_NOTES } from './proposalText';

const FACTS: LiveProposal['facts'] = {
  deltasS: [2.2, 3.2],
  leftShare: -0.08,
  effort: { told: 7, meant: 5.2, isTheirs: false },
};
const about = (rule: RuleId, more: Partial<LiveProposal> = {}): LiveProposal => ({
  rule,
  athleteId: 'a0',
  repIndex: 1,
  options: [{ decision: { kind: 'ease', percent: 2.5 }, targetS: 91.02 }],
  facts: FACTS,
  ...more,
});

test.each<[RuleId, string, string]>([
  ['niggle', 'Ada has a niggle: stop here?', 'Local rules and medical advice come first.'],
  [
    'stitch',
    'Ada has a stitch: ease the first third of the next rep?',
    'If it does not go, or is more than a stitch, stop.',
  ],
  ['reserve-gone', 'Ada would be empty next rep: ease to 1:31.0?', 'Predicted reserve after the next rep: -8 %.'],
  ['late-twice', 'Ada late twice: ease to 1:31.0?', '+2.2 and +3.2 s.'],
  ['hard-too-soon', 'Ada at 7 already: ease to 1:31.0?', 'Effort 7, meant about 5.'],
  ['early-first', 'Ada +3.2 s on the first: hold back?', 'Running early is as much a fault as running late.'],
  ['comfortable', 'Ada far too comfortable: ease to 1:31.0?', 'Effort 7, meant about 5.'],
  ['one-more', 'Ada is well: one more?', 'On target. Effort 7, meant about 5.'],
])('%s: %s', (rule, text, reason) => {
  expect(proposalText(about(rule), 'Ada')).toBe(text);
  expect(reasonText(about(rule))).toBe(reason);
});

test('in open work no rep is called the last', () => {
  const proposal = about('early-open', { options: [{ decision: { kind: 'talk' } }] });
  expect(proposalText(proposal, 'Ada')).not.toMatch(/\d+ (left|more|to go)/);
  expect(reasonText(proposal)).toBe('Nobody is to know how many are left.');
});

test('an effort is said as the athlete tells it, where that differs', () =>
  expect(reasonText(about('hard-too-soon', { facts: { effort: { told: 7, meant: 4.4, isTheirs: true } } }))).toBe(
    'Effort 7, meant about 4 as they rate it.',
  ));

test('every decision has a name of its own', () => {
  const texts = [
    optionText({ decision: { kind: 'recovery', addS: 15 } }),
    optionText({ decision: { kind: 'recovery', addS: -15 } }),
    optionText({ decision: { kind: 'ease', percent: -1 } }),
    optionText({ decision: { kind: 'distance', distanceM: 300 } }),
    optionText({ decision: { kind: 'cutDown' } }),
    optionText({ decision: { kind: 'talk' } }),
    optionText({ decision: { kind: 'talk' }, isGentleStart: true }),
  ];
  expect(texts).toEqual([
    '15 s more recovery',
    '15 s less recovery',
    '1 % faster',
    'cut to 300 at the same pace',
    'on to the next shorter distance',
    'tell them',
    'ease the first third',
  ]);
});

test('every rule says in a sentence what it is about', () => {
  for (const rule of RULE_IDS) expect(RULE_NOTES[rule]).toMatch(/\.$/);
});
