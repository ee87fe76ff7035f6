import { expand } from './expand';
import { formatLine, formatSession } from './formatSession';
import { parseSession, parseStored, readSession } from './parseSession';
import { ASKED, READ, REFUSED } from './testCorpus';
import { anySession, read } from './testing';
import fc from 'fast-check';

describe('what coaches write', () => {
  test('the corpus is as large as it is meant to be', () => {
    expect(READ.length).toBeGreaterThanOrEqual(150);
    expect(ASKED.length + REFUSED.length).toBeGreaterThanOrEqual(100);
  });

  test.each(READ)('%j is read as %j', (text, canonical) => {
    const parsed = parseSession(text);
    if (!parsed.ok) throw new Error(parsed.problems[0]?.message);
    expect(formatSession(parsed.session)).toBe(canonical);
    expect(read(canonical)).toEqual(parsed.session);
    // What is offered in its place is the same session, and canonical.
    for (const { text: offered } of parsed.readAs ?? []) {
      expect(read(offered)).toEqual(parsed.session);
      expect(parseSession(offered)).not.toHaveProperty('readAs');
    }
  });

  test.each(ASKED)('%j is asked about: %j or %j', (text, one, other) => {
    const { problems } = readSession(text);
    const [problem] = problems;
    expect(problem?.message).toMatch(/[.?]$/);
    expect(problem?.readings?.slice(0, 2).map((reading) => reading.text)).toEqual([one, other]);
    // Each answer settles it, and they are two different sessions.
    const answers = problem?.readings?.map((reading) => readSession(reading.text)) ?? [];
    for (const answer of answers)
      expect(answer.problems.filter(({ from, to, message }) => message === problem?.message && from <= to)).toEqual([]);
    const [first, second] = answers.map(({ session }) => formatSession(session));
    expect(first).not.toBe(second);
  });

  test.each(REFUSED)('%j is refused: %j', (text, message) => {
    const parsed = parseSession(text);
    const [problem] = parsed.ok ? [] : parsed.problems;
    expect(problem?.message).toBe(message);
    // The nearest thing that can be read settles this much.
    for (const { text: nearest } of problem?.readings ?? [])
      expect(
        readSession(nearest).problems.filter((other) => other.message === message && other.from === problem?.from),
      ).toEqual([]);
  });

  test('what is stored is never asked about', () => {
    for (const [text] of ASKED) {
      const parsed = parseStored(text);
      if (!parsed.ok) for (const { message } of parsed.problems) expect(message).not.toMatch(/\?$/);
    }
    expect(parseStored('6x400 @5k / 90').ok).toBe(true);
    expect(parseStored('6x400 @5k, 2min').ok).toBe(true);
  });

  test('of several lines only those that are typed are asked about', () => {
    const text = '6x400 @5k / 90\n4x200 @mile / 60';
    const asked = readSession(text, { asks: (line) => line.startsWith('4x') }).problems;
    expect(asked.map(({ from }) => text.slice(from, from + 2))).toEqual(['60']);
  });

  test('an answer leaves the other parts of the line and its comment as they are', () => {
    const [problem] = readSession('WU 10min easy; 6x400 @5k, 2min; CD 10min easy # by the river').problems;
    expect(problem?.readings?.map((reading) => reading.text)).toEqual([
      'warm: 10min @easy\nmain: 6x400 @5k / 2:00\ncool: 10min @easy # by the river',
      'warm: 10min @easy\nmain: 6x400 @5k, 2:00\ncool: 10min @easy # by the river',
    ]);
  });
});

describe('generous and canonical', () => {
  test('a canonical text is read as it always was: nothing asked, nothing offered', () => {
    fc.assert(
      fc.property(anySession, (session) => {
        const text = formatSession(session);
        const reading = readSession(text);
        expect(reading.problems).toEqual([]);
        expect(reading.readAs).toEqual([]);
        expect(reading.session).toEqual(session);
        for (const line of session.lines) expect(readSession(formatLine(line)).problems).toEqual([]);
      }),
    );
  });

  test('any pieces of what coaches write, put together, are read, asked about or refused: never thrown at, and printing keeps them', () => {
    const pieces = [...READ, ...ASKED, ...REFUSED].flatMap(([text]) => text.split(/(?<=[ ,/;@])/));
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...pieces), { minLength: 1, maxLength: 12 }), (parts) => {
        const parsed = parseSession(parts.join(' '));
        if (parsed.ok) expect(read(formatSession(parsed.session))).toEqual(parsed.session);
        else for (const { message } of parsed.problems) expect(message).toMatch(/[.?]$/);
      }),
      { numRuns: 2000 },
    );
  });
});

describe('what is new in the tree', () => {
  test('a range of amounts is laid out at its most, or by choice at its least', () => {
    const lengths = (amounts?: 'min' | 'max') =>
      expand(read('3x5-6min @threshold / 30-45s, 4-6km @easy'), amounts ? { amounts } : {}).map(
        ({ durationS, distanceM }) => durationS ?? distanceM,
      );
    expect(lengths()).toEqual([360, 45, 360, 45, 360, 45, 6000]);
    expect(lengths('min')).toEqual([300, 45, 300, 45, 300, 45, 4000]);
  });
  test('a lap is that of the venue', () => {
    const parsed = parseSession('6 x 2 laps @5k / 1 lap jog', { lapM: 300 });
    expect(parsed.ok && formatSession(parsed.session)).toBe('main: 6x600 @5k / 300m jog');
  });
  test('a forgotten recovery is doubted softly, an alternation or easy running is not', () => {
    const doubts = (text: string) => readSession(text).doubts.map(({ message }) => message);
    expect(doubts('6x400 @5k')[0]).toMatch(/No recovery after each 400/);
    for (const text of ['6x400 @5k / 90s', '4x(600 @10k, 600 @marathon)', 'warm: 4x100 @strides', '3x1mi @easy'])
      expect(doubts(text)).toEqual([]);
  });
});

test('a line read before is read the same anywhere else, and is an object of its own', () => {
  const line = 'WU 10min easy; 4 x 400 at 5k pace / 90s # by the river';
  const once = readSession(line);
  const text = `# first\n${line}\n\n${line}`;
  const twice = readSession(text);
  expect(twice.session.lines.slice(0, 2)).toEqual(once.session.lines);
  expect(twice.session.lines.slice(2)).toEqual(once.session.lines);
  expect(new Set(twice.session.lines).size).toBe(4);
  const tokensOf = (from: number) =>
    twice.tokens
      .filter((token) => token.from >= from && token.to <= from + line.length)
      .map(({ from: at }) => at - from);
  const starts = once.tokens.map(({ from }) => from);
  expect(tokensOf(text.indexOf(line))).toEqual(starts);
  expect(tokensOf(text.lastIndexOf(line))).toEqual(starts);
  expect(twice.readAs.map(({ from, to }) => text.slice(from, to).trim())).toEqual([
    'WU 10min easy; 4 x 400 at 5k pace / 90s',
    'WU 10min easy; 4 x 400 at 5k pace / 90s',
  ]);
});
