import fc from 'fast-check';
import { changed, newHistory, redone, undone, type History } from './history';

const typed = (text: string, start = newHistory('')): History =>
  [...text].reduce((history, letter) => changed(history, history.now + letter), start);
const steps = (history: History): string[] => {
  const back = undone(history);
  return back === history || back.now === history.now ? [history.now] : [history.now, ...steps(back)];
};

test('what is typed goes back word by word', () =>
  expect(steps(typed('6x400 @5k, 200'))).toEqual([
    '6x400 @5k, 200',
    '6x400 @5k, ',
    '6x400 @5k,',
    '6x400 @5k',
    '6x400 ',
    '6x400',
    '',
  ]));

test('deleting is a step of its own, and so is everything that is put in at once', () => {
  const deleted = changed(changed(typed('400'), '40'), '4');
  expect(steps(changed(deleted, '6x400 @5k'))).toEqual(['6x400 @5k', '4', '400', '']);
});

test('the same text is no step', () => {
  const history = typed('400');
  expect(changed(history, '400')).toBe(history);
});

test('back and forth as often as there were steps, whatever was done', () => {
  fc.assert(
    fc.property(fc.array(fc.string({ maxLength: 4 }), { maxLength: 30 }), (texts) => {
      const end = texts.reduce(changed, newHistory('start'));
      let history = end;
      for (let i = 0; i <= texts.length; i++) history = undone(history);
      expect(history.now).toBe('start');
      for (let i = 0; i <= texts.length; i++) history = redone(history);
      expect(history.now).toBe(end.now);
    }),
  );
});

test('a change after going back drops what was ahead', () => {
  const history = changed(undone(typed('400 200')), '400 300');
  expect(redone(history).now).toBe('400 300');
});
