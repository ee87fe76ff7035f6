import type { ReviewCell } from '@core/review/cell';
import { detailsText, outcomeText } from './repText';

const cell = (more: Partial<ReviewCell>): ReviewCell => ({ repIndex: 0, passes: [], flags: [], notes: [], ...more });

test.each<[Partial<ReviewCell>, string]>([
  [{}, ''],
  [{ restS: 94 }, 'rest 94 s'],
  [{ restS: 99, plannedRestS: 90 }, 'rest 99 s of 90 s (+10\u00a0%)'],
  [{ restS: 81, plannedRestS: 90 }, 'rest 81 s of 90 s (−10\u00a0%)'],
  [{ restS: 90.2, plannedRestS: 90 }, 'rest 90 s of 90 s'],
  [{ restS: 4, plannedRestS: 0 }, 'rest 4 s of 0 s'],
  [{ effort: 7, flags: ['stitch'], notes: ['wind'], source: 'chip' }, 'effort 7 · stitch · wind · by chip'],
  [{ excluded: { eventId: 'e', reason: 'tripped' }, source: 'typed' }, 'typed in · not counted: tripped'],
])('what else is known of a rep: %j', (more, text) => expect(detailsText(cell(more), undefined)).toBe(text));

test('a pulse is held against the band of such a session, its ends included', () => {
  const textAt = (beatsPerMin: number) => detailsText(cell({ beatsPerMin }), { from: 160, to: 175 });
  expect([159, 160, 175, 176].map(textAt)).toEqual([
    'pulse 159, below 160–175',
    'pulse 160, in 160–175',
    'pulse 175, in 160–175',
    'pulse 176, above 160–175',
  ]);
  expect(detailsText(cell({ beatsPerMin: 182 }), undefined)).toBe('pulse 182');
});

test.each<[Partial<ReviewCell>, string]>([
  [{ actualS: 88.8, targetS: 88 }, '1:28.8 of 1:28.0'],
  [{ actualS: 88.8 }, '1:28.8'],
  [{ actualS: 120, coveredM: 411.6, expectedM: 400 }, '412 m in 2:00 = 4:52/km, target 5:00/km'],
  [{ actualS: 90, plannedS: 120 }, '1:30 of 2:00'],
  [{ unfinished: true }, 'no finish taken'],
  [{ leftOut: true }, 'left out'],
  [{}, 'not run'],
])('what a rep came to: %j', (more, text) => expect(outcomeText(cell(more))).toBe(text));
