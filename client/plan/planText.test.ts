import type { Outlook } from '@core/outlook/outlook';
import type { OutlookProposal } from '@core/outlook/proposals';
import { parseSession } from '@core/session/parseSession';
import {
  byUrgency,
  changeText,
  effectText,
  fitsText,
  itemName,
  outlookText,
  paceText,
  outlookProposalText,
  whomText,
} from './planText';

const parsed = parseSession('2x(3x300 @mile / 60s, drills) / 4:00');
const session = parsed.ok ? parsed.session : { lines: [] };
const outlook: Outlook = {
  fit: 'fine',
  points: [],
  meant: [],
  over: 0,
  overAtEnd: 0,
  leastLeft: 0.23,
  mostSpent: 0.77,
  lastEffort: 9.12,
  limitShare: 0,
};

test('how it fits, for the squad and for one', () => {
  expect(fitsText(['fine', 'cannot', 'fine', 'unknown'])).toBe(
    'on plan for 2 of 4, too much for 1, without a pace to judge by: 1',
  );
  expect(fitsText(['light', 'light'])).toBe('too easy for all 2');
  expect(fitsText(['light'])).toBe('too easy for 1');
  expect(outlookText(outlook)).toBe('effort 9.1 at the end, at least 23 % of the reserve left');
  expect(outlookText({ ...outlook, leastLeft: -0.1, limitShare: 1.08 })).toBe(
    'effort 9.1 at the end, the reserve runs out, 108 % of a flat-out run',
  );
  expect(outlookText({ ...outlook, fit: 'unknown' })).toMatch(/by effort/);
  expect((['fine', 'cannot', 'light', 'stretched'] as const).toSorted(byUrgency)).toEqual([
    'cannot',
    'stretched',
    'light',
    'fine',
  ]);
});

test('paces', () => {
  expect([paceText(1), paceText(0.98), paceText(1.02)]).toEqual(['as worked out', '2.0 % slower', '2.0 % quicker']);
});

test('proposals and their effect', () => {
  const proposal = (part: Partial<OutlookProposal>): OutlookProposal => ({
    lever: 'recovery',
    path: [0, 0, 0],
    set: { kind: 'recovery', durationS: 105 },
    from: 60,
    to: 105,
    effect: { fit: 'fine', lastEffort: 8.4, leastLeft: 0.4, limitShare: 0.8 },
    ...part,
  });
  expect(outlookProposalText(proposal({}), session)).toBe('300 @mile: recovery 1:45 instead of 60 s');
  expect(outlookProposalText(proposal({ set: { kind: 'jog', distanceM: 200 }, from: 100, to: 200 }), session)).toBe(
    '300 @mile: jog 200 m instead of 100 m',
  );
  expect(outlookProposalText(proposal({ lever: 'reps-in-set', from: 3, to: 2 }), session)).toBe(
    '300 @mile: 2 × instead of 3 × in each set',
  );
  expect(outlookProposalText(proposal({ lever: 'count', path: [0, 0], from: 2, to: 1 }), session)).toBe(
    'set of 2: 1 × instead of 2 ×',
  );
  expect(outlookProposalText(proposal({ lever: 'pace', from: 1, to: 0.97 }), session)).toBe('300 @mile: 3.1 % slower');
  expect(effectText(proposal({}))).toBe(
    'then on plan: effort 8.4 at the end, at least 40 % of the reserve left, 80 % of a flat-out run',
  );
});

test('items by what they are', () => {
  const [set] = session.lines[0]?.items ?? [];
  const inner = set?.body.kind === 'set' ? set.body.items : [];
  expect(inner.map(itemName)).toEqual(['300 @mile', 'drills']);
});

test('changes, and whom they are for', () => {
  const groups = [{ id: 'g', name: 'Milers', athleteIds: [] }];
  const athletes = [{ id: 'a', name: 'Ann Lee', tileName: 'Ann', status: 'training' as const, marks: [] }];
  const change = (set: Parameters<typeof changeText>[0]['set']) =>
    ({ whom: { kind: 'all' as const }, path: [0, 0], wrote: '8x400', set }) as Parameters<typeof changeText>[0];
  expect(whomText(change({ kind: 'count', n: 3 }), groups, athletes)).toBe('Everyone');
  const of = (whom: object) =>
    whomText({ ...change({ kind: 'count', n: 3 }), whom } as Parameters<typeof changeText>[0], groups, athletes);
  expect([of({ kind: 'group', groupId: 'g' }), of({ kind: 'group', groupId: 'x' })]).toEqual([
    'Milers',
    'A group that is gone',
  ]);
  expect([of({ kind: 'athlete', athleteId: 'a' }), of({ kind: 'athlete', athleteId: 'x' })]).toEqual([
    'Ann',
    'Somebody who has left',
  ]);
  expect([
    changeText(change({ kind: 'count', n: 6 })),
    changeText(change({ kind: 'recovery', durationS: 90 })),
    changeText(change({ kind: 'jog', distanceM: 200 })),
    changeText(change({ kind: 'pace', share: 0.98 })),
    changeText(change({ kind: 'target', targetS: 88.5, rep: 2 })),
    changeText({ whom: { kind: 'all' }, set: { kind: 'aim', aim: 'moving' } }),
    changeText({ whom: { kind: 'all' }, set: { kind: 'aim', aim: 'goal' } }),
  ]).toEqual([
    '8x400: 6 ×',
    '8x400: recovery 90 s',
    '8x400: jog 200 m',
    '8x400: 2.0 % slower',
    '8x400: 1:28.5 for rep 3',
    'paces from now to goal',
    'paces of the goal',
  ]);
});
