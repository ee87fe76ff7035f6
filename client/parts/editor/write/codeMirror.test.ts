import fc from 'fast-check';
import type { Completions } from '@core/session/completions';
import { SessionField } from './codeMirror';

// jsdom measures nothing: all is where the page begins.
const NOWHERE = { left: 0, right: 0, top: 0, bottom: 0 };
Range.prototype.getClientRects = () => [NOWHERE] as unknown as DOMRectList;

function made(text: string, offer: (text: string, at: number) => Completions | undefined = () => undefined) {
  const host = document.createElement('div');
  document.body.replaceChildren(host);
  const onChange = jest.fn<void, [string]>();
  const field = new SessionField({ host, label: 'Session', hint: '', offer, onChange });
  field.setText(text);
  const content = host.querySelector<HTMLElement>('.cm-content');
  if (!content) throw new Error('The editor was not drawn.');
  const lines = () => Array.from(content.querySelectorAll('.cm-line'), ({ textContent }) => textContent).join('\n');
  const key = (key: string, keyCode: number) =>
    content.dispatchEvent(new KeyboardEvent('keydown', { key, keyCode, bubbles: true, cancelable: true }));
  return { field, content, lines, onChange, key };
}

test('what comes from outside is shown and not told back; what is typed is', () => {
  const { field, lines, onChange } = made('main: 6x400 @5k');
  field.setText('main: 7x400 @5k / 90s');
  expect(lines()).toBe('main: 7x400 @5k / 90s');
  expect(onChange).not.toHaveBeenCalled();
  field.type('# ');
  expect(onChange).toHaveBeenLastCalledWith('# main: 7x400 @5k / 90s');
});

test('any text becomes any other, whatever it holds', () => {
  fc.assert(
    fc.property(fc.string(), fc.string(), (before, after) => {
      const { field, onChange } = made(`6x400\n${before}`);
      field.setText(`4x200\r${after}`);
      field.type('!');
      expect(onChange).toHaveBeenLastCalledWith(expect.stringContaining(after));
      field.remove();
    }),
    { numRuns: 30 },
  );
});

test('it is marked, and said to be wrong, for as long as it is', () => {
  const { field, content } = made('6x400 @5kk');
  const answer = jest.fn();
  field.mark(
    [{ from: 7, to: 10, isWrong: true }],
    [{ from: 7, to: 10, message: 'Not a pace.', readings: [{ label: '@5k', text: '6x400 @5k' }] }],
    answer,
  );
  expect(content.querySelector('.pen-wrong')?.textContent).toBe('5kk');
  expect(content.getAttribute('aria-invalid')).toBe('true');
  field.setText('6x400 @5k');
  // What is beyond the text by now is left out.
  field.mark([{ from: 7, to: 10, isWrong: true }], [], answer);
  expect(content.querySelector('.pen-wrong')).toBeNull();
  expect(content.getAttribute('aria-invalid')).toBe('false');
});

test('Tab takes the first name once a letter of it is typed, and else leaves the field', () => {
  const offer = (text: string, at: number): Completions | undefined => {
    const from = text.lastIndexOf('@') + 1;
    return from === 0 ? undefined : { from, to: at, options: ['easy', 'steady'] };
  };
  const { field, lines, key } = made('', offer);
  field.type('1600 @');
  expect(key('Tab', 9)).toBe(true);
  field.type('ea');
  expect(key('Tab', 9)).toBe(false);
  expect(lines()).toBe('1600 @easy');
});
