import { PACE_NAMES } from '../session/paceNames';
import { formatSession } from '../session/formatSession';
import { parseSession } from '../session/parseSession';
import { read } from '../session/testing';
import { legCount } from '../session/treeTotals';
import { LEVERS, type LibrarySession, type ChainLink, type Lever } from './librarySession';
import { againFaster, nextInChain, nextStep, proposeSteps } from './progression';
import { libraryEntry, searchLibrary, type LibraryQuery } from './searchLibrary';
import { isStarter, STARTERS, withStarters } from './starters';

describe('the starter collection', () => {
  test.each(STARTERS)('$title can be read, and is of a length one can run', ({ shorthand }) => {
    const parsed = parseSession(shorthand);
    expect(parsed).toMatchObject({ ok: true });
    if (parsed.ok) expect(legCount(parsed.session)).toBeLessThan(60);
  });
  test('each says what it is for, when, and how to bend it, and none is there twice', () => {
    for (const { purpose = '', season = '', easier = '', harder = '' } of STARTERS)
      for (const note of [purpose, season, easier, harder]) expect(note).toMatch(/^[A-Z0-9].*\.$/);
    expect(new Set(STARTERS.map(({ id }) => id)).size).toBe(STARTERS.length);
    expect(new Set(STARTERS.map(({ title }) => title)).size).toBe(STARTERS.length);
  });
  test('what the coach has changed takes the place of what comes with the app', () => {
    const [first] = STARTERS as [LibrarySession];
    const changed = { ...first, title: 'Ours now', favourite: true as const };
    const library = withStarters([changed]);
    expect(library).toHaveLength(STARTERS.length);
    expect(library.filter(({ id }) => id === first.id)).toEqual([changed]);
    expect(isStarter(first.id)).toBe(true);
    expect(isStarter('01ARZ3NDEKTSV4RRFFQ69G5FAV')).toBe(false);
  });
  test('half-typed at any character nothing is thrown, and places are inside the text', () => {
    for (const { shorthand } of STARTERS)
      for (let i = 0; i <= shorthand.length; i++) {
        const text = shorthand.slice(0, i);
        const parsed = parseSession(text);
        if (parsed.ok) expect(parseSession(formatSession(parsed.session))).toMatchObject({ session: parsed.session });
        else for (const { from } of parsed.problems) expect(from).toBeLessThanOrEqual(text.length);
      }
  });
  test('with a character changed anywhere nothing is thrown, and what is read is printed and read again', () => {
    const slips = ['', 'x', '@', '/', '(', ')', '"', '-', '9', ',', ':', '\n'];
    let readable = 0;
    STARTERS.forEach(({ shorthand }, n) => {
      for (let i = 0; i < shorthand.length; i++) {
        const text = shorthand.slice(0, i) + (slips[(i + n) % slips.length] ?? '') + shorthand.slice(i + 1);
        const parsed = parseSession(text);
        if (!parsed.ok) continue;
        readable++;
        expect(parseSession(formatSession(parsed.session))).toMatchObject({ session: parsed.session });
      }
    });
    expect(readable).toBeGreaterThan(100);
  });
});

describe('searching', () => {
  const ownSession: LibrarySession = {
    id: 'own',
    title: 'Tuesday thing',
    shorthand: '10x400 @5k / 60s',
    tags: ['wet'],
    favourite: true,
  };
  const broken: LibrarySession = { id: 'broken', title: 'Half a thought', shorthand: '10x @', tags: [] };
  const gone: LibrarySession = { id: 'gone', title: 'Old one', shorthand: '400 @mile', tags: [], archived: true };
  const entries = [ownSession, broken, gone, ...STARTERS].map((session) => libraryEntry(session));
  const found = (query: LibraryQuery) => searchLibrary(entries, query).map(({ session }) => session.title);
  test.each<[string, LibraryQuery, string[]]>([
    ['a word of the title', { words: 'tuesday' }, ['Tuesday thing']],
    ['several words, any case, any order', { words: 'SHARP 1500' }, ['Sharp 200s']],
    ['a word of what it is for', { words: 'whistle' }, ['Falling clock']],
    ['a tag', { tag: 'wet' }, ['Tuesday thing']],
    ['a kind', { intent: 'transition' }, ['Back after a break']],
    ['a kind by its name', { words: 'rehearsal' }, ['The mile in pieces']],
    ['a pace', { pace: 'max' }, ['Flying 60s', 'Flat-out three kilometres']],
    ['favourites', { favourites: true }, ['Tuesday thing']],
    ['what is archived', { archived: true }, ['Old one']],
    ['what cannot be read yet', { words: 'thought' }, ['Half a thought']],
    ['a length', { fromM: 3900, belowM: 4100, pace: '5k' }, ['Tuesday thing', '400s from now to the goal']],
    ['nothing that fits', { words: 'tuesday', intent: 'test' }, []],
  ])('by %s', (_what, query, titles) => expect(found(query)).toEqual(titles));
  test('asked for nothing it is the whole library without what is archived', () =>
    expect(found({})).toHaveLength(STARTERS.length + 2));
  test('a text is read once, and only when it is asked about', () => {
    let reads = 0;
    const text = '8x400 @5k / 75s';
    const entry = libraryEntry({
      ...ownSession,
      get shorthand() {
        reads++;
        return text;
      },
    });
    expect(searchLibrary([entry], { favourites: true, tag: 'wet' })).toEqual([entry]);
    expect(reads).toBe(0);
    expect(searchLibrary([entry], { words: '8x400' })).toEqual([entry]);
    const once = reads;
    expect(searchLibrary([entry], { words: 'tuesday', pace: '5k', fromM: 3000, belowM: 4000 })).toEqual([entry]);
    expect(reads).toBe(once);
  });
  test('a pace of the coach’s own is found when it is known', () => {
    const session = { id: 'c', title: 'Cruising', shorthand: '3x1000 @cruise', tags: [] };
    const entry = libraryEntry(session, { paceNames: [...PACE_NAMES, 'cruise'] });
    expect(searchLibrary([entry], { pace: 'cruise' })).toHaveLength(1);
  });
});

describe('progressions', () => {
  const steps = (text: string, lever: Lever) =>
    proposeSteps(read(text), lever, 4).map((session) => formatSession(session).replace(/^main: /, ''));
  test.each<[Lever, string, string[]]>([
    ['more', '6x400 @5k / 90s', ['7x400 @5k / 90s', '8x400 @5k / 90s', '9x400 @5k / 90s']],
    [
      'more',
      '2x(3x600 @3k / 90s) / 4:00',
      ['2x(4x600 @3k / 90s) / 4:00', '2x(5x600 @3k / 90s) / 4:00', '2x(6x600 @3k / 90s) / 4:00'],
    ],
    ['more', '20min @threshold', ['25min @threshold', '30min @threshold', '40min @threshold']],
    ['more', '5-6x800 @5k / 2:00', ['6-7x800 @5k / 2:00', '7-8x800 @5k / 2:00', '8-9x800 @5k / 2:00']],
    ['longer', '8x400 @5k / 90s', ['6x500 @5k / 90s', '5x600 @5k / 90s', '4x800 @5k / 90s']],
    ['faster', '6x400 @5k / 90s', ['6x400 @5k>goal 5k / 90s', '6x400 @goal 5k / 90s']],
    ['faster', '6x400 @80/400 / 90s', ['6x400 @79.2/400 / 90s', '6x400 @78.4/400 / 90s', '6x400 @77.6/400 / 90s']],
    ['less-rest', '6x400 @5k / 90s walk', ['6x400 @5k / 75s walk', '6x400 @5k / 60s walk', '6x400 @5k / 50s walk']],
    ['less-rest', '6x400 @5k / 200m jog', ['6x400 @5k / 150m jog', '6x400 @5k / 120m jog', '6x400 @5k / 100m jog']],
    ['less-rest', '6x400 @5k / equal jog', ['6x400 @5k / 80% jog', '6x400 @5k / 70% jog', '6x400 @5k / 60% jog']],
    // A set of unlike reps is run once more, none of its reps twice.
    [
      'more',
      '2x(600 @3k / 60s, 400 @3k / 60s, 200 @mile) / 4:00',
      [3, 4, 5].map((sets) => `${sets}x(600 @3k / 60s, 400 @3k / 60s, 200 @mile) / 4:00`),
    ],
    [
      'sets',
      '2x(3x600 @3k / 90s) / 4:00',
      ['3x(3x600 @3k / 90s) / 4:00', '4x(3x600 @3k / 90s) / 4:00', '5x(3x600 @3k / 90s) / 4:00'],
    ],
    ['longer-same', '6x400 @5k / 90s', ['6x500 @5k / 90s', '6x600 @5k / 90s', '6x800 @5k / 90s']],
    [
      'float',
      '6x600 @5k / 200m float @easy',
      ['103% easy', '106% easy', '109% easy'].map((pace) => `6x600 @5k / 200m float @${pace}`),
    ],
    ['fewer', '8x400 @5k / 90s', ['7x400 @5k / 90s', '6x400 @5k / 90s', '5x400 @5k / 90s']],
    ['merged', '4x(2x400 @mile / 60s) / 3:00', ['2x(4x400 @mile / 60s) / 3:00', '8x400 @mile / 60s']],
  ])('%s: %s', (lever, text, expected) => expect(steps(text, lever)).toEqual([text, ...expected]));

  test('a lever that does not move gives no step', () => {
    expect(nextStep(read('20min @threshold'), 'less-rest')).toBeUndefined();
    expect(nextStep(read('6x400 @5k / 60s'), 'merged')).toBeUndefined();
    expect(nextStep(read('open x 400 @threshold / 60s'), 'more')).toBeUndefined();
    expect(nextStep(read('6x400 @goal 5k / 60s'), 'faster')).toBeUndefined();
    expect(nextStep(read('warm: 800 @easy'), 'more')).toBeUndefined();
    expect(nextStep(read('6x400 @5k / 60s'), 'sets')).toBeUndefined();
    expect(nextStep(read('6x400 @5k / 60s'), 'float')).toBeUndefined();
    expect(nextStep(read('20min @threshold'), 'fewer')).toBeUndefined();
  });

  test('a lever goes as far as was said, and no further', () => {
    const chain = (text: string, links: ChainLink[]) => {
      const found: string[] = [];
      for (let at = nextInChain(read(text), links); at && found.length < 12; at = nextInChain(at.session, links))
        found.push(`${at.lever}: ${formatSession(at.session).replace('main: ', '')}`);
      return found;
    };
    expect(
      chain('7x400 @5k / 75s', [
        { lever: 'more', by: 1, to: 9 },
        { lever: 'less-rest', by: 10, to: 50 },
      ]),
    ).toEqual([
      'more: 8x400 @5k / 75s',
      'more: 9x400 @5k / 75s',
      'less-rest: 9x400 @5k / 65s',
      'less-rest: 9x400 @5k / 55s',
      'less-rest: 9x400 @5k / 50s',
    ]);
    expect(chain('4x6min @threshold / 60s', [{ lever: 'longer-same', by: 60, to: 480 }])).toEqual([
      'longer-same: 4x7:00 @threshold / 60s',
      'longer-same: 4x8:00 @threshold / 60s',
    ]);
    expect(chain('5x400 @5k / 60s', [{ lever: 'fewer', by: 2, to: 2 }])).toEqual([
      'fewer: 3x400 @5k / 60s',
      'fewer: 2x400 @5k / 60s',
    ]);
    // One that is past its end already does not move back.
    expect(chain('12x400 @5k / 60s', [{ lever: 'more', to: 9 }])).toEqual([]);
  });

  test('a ladder that is done comes again, a second a lap faster, and once more by another', () => {
    const first = againFaster(read('warm: 800 @easy\nmain: 6x300 @goal 5k / 75s\ncool: 800 @easy'));
    expect(first && formatSession(first)).toBe('warm: 800 @easy\nmain: 6x300 @goal 5k-1s/400 / 75s\ncool: 800 @easy');
    const second = first && againFaster(first);
    expect(second && formatSession(second)).toContain('@goal 5k-2s/400');
    for (const [text, faster] of [
      ['6x300 @5k>mile / 75s', '@5k-1s/400>mile-1s/400'],
      ['6x300 @102% 5k / 75s', '@103% 5k'],
      ['6x300 @60/300 / 75s', '@59.4/300'],
      ['2x(6x300 @5k+2s/km / 75s) / 3:00', '@5k-0.5s/km'],
      ['6x2min @effort 9.5 / 75s', '@effort 10'],
    ] as const) {
      const again = againFaster(read(text));
      expect(again && formatSession(again)).toContain(faster);
      expect(again && parseSession(formatSession(again))).toMatchObject({ ok: true });
    }
    expect(againFaster(read('6x300 / 75s'))).toBeUndefined();
  });

  test.each(LEVERS)('%s leaves warm-up and cool-down alone, and what it proposes can be read', (lever) => {
    for (const { shorthand } of STARTERS) {
      const session = read(shorthand);
      for (const step of proposeSteps(session, lever, 5)) {
        expect(parseSession(formatSession(step))).toEqual({ ok: true, session: step });
        const ends = ({ lines }: typeof step) => lines.filter(({ role }) => role === 'warm' || role === 'cool');
        expect(ends(step)).toEqual(ends(session));
      }
    }
  });
});
