import fc from 'fast-check';
import { readSession } from '@core/session/parseSession';
import { stretches } from './marker';

const cut = (text: string) => {
  const { tokens, problems } = readSession(text);
  return stretches(text, tokens, problems).map(({ from, to, ...mark }) => ({ text: text.slice(from, to), ...mark }));
};

test('each stretch is what it is, and what is wrong stands out', () => {
  const found = cut('6x400 @5q / 90s').map(
    ({ text, kind = '', isWrong }) => `${text}|${kind}${isWrong ? '|wrong' : ''}`,
  );
  expect(found).toEqual(['6x|count', '400|amount', ' @|', '5q|pace|wrong', ' / |', '90s|recovery']);
});

test('put together again it is the text, whatever that is', () => {
  fc.assert(
    fc.property(fc.string(), fc.string(), (a, b) => {
      const text = `${a}\n6x400 @5k / 90s, ${b}`;
      expect(
        cut(text)
          .map((stretch) => stretch.text)
          .join(''),
      ).toBe(text);
    }),
  );
});
