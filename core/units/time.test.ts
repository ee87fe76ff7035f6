import fc from 'fast-check';
import { formatClock, formatDelta, formatMarkTime, formatRest, formatTime, otherReadingOf, parseTime } from './time';

const seconds = (text: string, distanceM?: number) => {
  const read = parseTime(text, distanceM);
  return read.ok ? read.timeS : read.message;
};

test.each([
  ['18:30', 1110],
  ['18.30', 1110],
  ['1110', 1110],
  ['1:04.2', 64.2],
  ['64.2', 64.2],
  ['64,2', 64.2],
  [' 1:02:03 ', 3723],
  ['18\'30"', 1110],
  ['18′ 30″', 1110],
  ['2min', 120],
  ['1h 2min', 3720],
  ['90s', 90],
  ['64.25', 64.25],
  ['.9', 0.9],
])('%s is read as %d seconds', (text, timeS) => expect(seconds(text)).toBeCloseTo(timeS, 6));

test('the distance settles what a dotted time means', () => {
  expect(seconds('18.30', 5000)).toBe(1110);
  expect(seconds('18.30', 100)).toBe(18.3);
  expect(seconds('58.30', 400)).toBe(58.3);
});

test('figures without a colon are read by what fits the distance, and the target where there is one', () => {
  const readNear = (text: string, distanceM: number, nearS: number) => {
    const read = parseTime(text, distanceM, nearS);
    return read.ok && read.timeS;
  };
  expect(seconds('545', 1609.344)).toBe(345);
  expect(seconds('1110', 5000)).toBe(1110);
  expect(seconds('1830', 5000)).toBe(1110);
  expect(seconds('12945', 21_097.5)).toBe(5385);
  expect(seconds('130', 600)).toBe(90);
  expect(readNear('130', 600, 125)).toBe(130);
  expect(readNear('130', 600, 92)).toBe(90);
  expect(seconds('64', 400)).toBe(64);
  expect(seconds('190', 800)).toBe(190);
  expect(seconds('545')).toBe(545);
  expect(seconds('112.4', 400)).toBeCloseTo(72.4);
});

test('what was probably meant by a time that nobody can have run', () => {
  expect(otherReadingOf('18:30:00', 5000)).toBe(1110);
  expect(otherReadingOf('3:00', 42_195)).toBe(10_800);
  expect(otherReadingOf('3:00:00', 42_195)).toBeUndefined();
  expect(otherReadingOf('8:00', 5000)).toBeUndefined();
  expect(otherReadingOf('18:30', 5000)).toBeUndefined();
  expect(otherReadingOf('fast', 5000)).toBeUndefined();
});

test.each(['', 'fast', '1:75', '1:75:10', '--', '1:2:3:4', '0', '00:00', '999999', '12:ab', 'NaN', 'Infinity', '1e3'])(
  '%j is refused with a sentence',
  (text) => {
    const read = parseTime(text);
    expect(read.ok).toBe(false);
    if (!read.ok) expect(read.message).toMatch(/^[A-Z“].+\.$/);
  },
);

test.each([
  [64.25, 1, '1:04.3'],
  [59.96, 1, '1:00.0'],
  [3599.97, 1, '1:00:00.0'],
  [1110, 0, '18:30'],
  [36.24, 1, '36.2'],
  [-5, 0, '−5'],
  [Number.NaN, 1, '–'],
])('%d seconds are printed with %d decimals as %s', (timeS, decimals, text) =>
  expect(formatTime(timeS, decimals)).toBe(text),
);

test('clocks, marks and differences', () => {
  expect(formatClock(7)).toBe('0:07');
  expect(formatClock(-3)).toBe('0:00');
  expect(formatMarkTime(64.21)).toBe('1:04.2');
  expect(formatMarkTime(1110.4)).toBe('18:30');
  expect(formatDelta(-1.44)).toBe('−1.4');
  expect(formatDelta(2)).toBe('+2.0');
  expect(formatDelta(-0.02)).toBe('0.0');
});

test('what is printed is read back the same', () => {
  fc.assert(
    fc.property(fc.integer({ min: 601, max: 172_000 }), (tenths) => {
      const timeS = tenths / 10;
      expect(seconds(formatTime(timeS, 1))).toBeCloseTo(timeS, 6);
    }),
  );
});

test('no text makes it throw or give anything but a positive number', () => {
  fc.assert(
    fc.property(fc.string(), (text) => {
      const read = parseTime(text);
      if (read.ok) expect(read.timeS).toBeGreaterThan(0);
    }),
  );
});

test('rests', () => {
  expect([formatRest(75), formatRest(150)]).toEqual(['75 s', '2:30']);
});
