import fc from 'fast-check';
import { parseSession } from '@core/session/parseSession';
import { problemLine } from './problemLine';

const at = (text: string, from: number, to: number) => problemLine(text, { message: '', from, to });

test('the line, and the characters in it', () => {
  expect(at('warm: 1600\nmain: 6x400 @5q', 24, 26)).toEqual({ line: 2, before: 'main: 6x400 @', at: '5q', after: '' });
  expect(at('4x @5k\n800', 3, 4)).toEqual({ line: 1, before: '4x ', at: '@', after: '5k' });
  expect(at('', 0, 1)).toEqual({ line: 1, before: '', at: '', after: '' });
});

test('whatever cannot be read, its line is put together again from the parts', () => {
  const piece = fc.constantFrom('400', '6x', '@5k', '@5q', '/', '90s', ',', '(', ')', '\n', ' ', '"', 'warm:', 'x');
  fc.assert(
    fc.property(fc.array(piece, { maxLength: 20 }), (parts) => {
      const text = parts.join('');
      const parsed = parseSession(text);
      if (parsed.ok) return;
      for (const problem of parsed.problems) {
        // A text with nothing in it has no line to show.
        if (text.trim() === '' || problem.message.startsWith('Nothing')) continue;
        const { line, before, at: marked, after } = problemLine(text, problem);
        expect(text.split('\n')[line - 1]).toBe(before + marked + after);
      }
    }),
  );
});
