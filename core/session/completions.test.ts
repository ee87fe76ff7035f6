import { PACE_NAMES } from './paceNames';
import { completionsAt } from './completions';

/** The cursor is where the bar stands. */
const at = (text: string) => completionsAt(text.replace('|', ''), text.indexOf('|'), PACE_NAMES)?.options;

test.each([
  ['6x400 @thr|', ['threshold']],
  ['6x400 @5|', ['5k', '1500']],
  ['6x400 @5k>goal m|', ['marathon', 'mile', 'max', 'tempo', 'aerobic-max', '2mi']],
  ['3x1k @95% 1|', ['10k', '1500']],
  ['warm: 1600 @easy\n400 @treshold|', ['threshold']],
  ['2x(300 @str|, 200)', ['strides']],
])('at %j %j are offered', (text, options) => expect(at(text)).toEqual(options));

test.each(['6x400 |', '6x400 @mara|thon', '6x400 @threshold|', '6x400 @5k / 9|', '# @thr|', '|', '400 @zzzzzzz|'])(
  'at %j nothing is',
  (text) => expect(at(text)).toBeUndefined(),
);

test('right after the sign the first few are offered, in place of nothing', () => {
  expect(completionsAt('400 @', 5, PACE_NAMES)).toEqual({ from: 5, to: 5, options: PACE_NAMES.slice(0, 8) });
  expect(completionsAt('400 @thr / 60s', 8, PACE_NAMES)).toMatchObject({ from: 5, to: 8 });
});
