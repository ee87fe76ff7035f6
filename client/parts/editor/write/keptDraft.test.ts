import { keepDraft, keptDraft } from './keptDraft';

const draft = { title: 'Reps', date: '2026-10-20', shorthand: '6x400' };
beforeEach(() => localStorage.clear());
afterEach(() => jest.restoreAllMocks());

test('a draft is kept until it is let go, each session its own', () => {
  keepDraft('a', draft);
  expect(keptDraft('a')).toEqual(draft);
  expect(keptDraft('b')).toBeUndefined();
  keepDraft('a', undefined);
  expect(keptDraft('a')).toBeUndefined();
});

test.each(['rubbish', '{}', '{"title": "half"}', 'null'])('%j in the storage is no draft', (stored) => {
  localStorage.setItem('zest-lap-draft-a', stored);
  expect(keptDraft('a')).toBeUndefined();
});

test('storage that is full or switched off is no trouble', () => {
  jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  jest.spyOn(Storage.prototype, 'getItem').mockImplementation(() => {
    throw new DOMException('denied', 'SecurityError');
  });
  expect(() => keepDraft('a', draft)).not.toThrow();
  expect(keptDraft('a')).toBeUndefined();
});
