import fc from 'fast-check';
import {
  addPart,
  duplicateItem,
  insertItems,
  isWithin,
  itemAt,
  itemsAt,
  liftItem,
  moveItem,
  moveLine,
  openSet,
  removeItem,
  replaceItem,
  setRole,
  wrapItem,
  type ItemPath,
} from './edit';
import { formatSession } from './formatSession';
import { parseSession, readSession } from './parseSession';
import { lineOf, PARTS } from './parts';
import { rewriteText } from './rewriteText';
import type { Item, SessionTree } from './session';
import { anySession, read } from './testing';
import { legCount, MAX_LEGS } from './treeTotals';

const SETS = '300 @mile, 2x(400 @5k, 200 @mile / 60s) / 3:00, 100 @strides';
const printed = (session: SessionTree) => formatSession(session).replace('main: ', '');

/** Every path there is in a session, sets and what is in them. */
function pathsOf(session: SessionTree): ItemPath[] {
  const within = (items: readonly Item[], parent: ItemPath): ItemPath[] =>
    items.flatMap((item, i) => {
      const path = [...parent, i];
      return [path, ...(item.body.kind === 'set' ? within(item.body.items, path) : [])];
    });
  return session.lines.flatMap((line, i) => within(line.items, [i]));
}

describe('moving', () => {
  test.each([
    [[0, 0], [0, 3], '2x(400 @5k, 200 @mile / 60s) / 3:00, 100 @strides, 300 @mile'],
    [[0, 2], [0, 0], '100 @strides, 300 @mile, 2x(400 @5k, 200 @mile / 60s) / 3:00'],
    [[0, 0], [0, 1, 1], '2x(400 @5k, 300 @mile, 200 @mile / 60s) / 3:00, 100 @strides'],
    [[0, 2], [0, 1, 2], '300 @mile, 2x(400 @5k, 200 @mile / 60s, 100 @strides) / 3:00'],
    [[0, 1, 0], [0, 0], '400 @5k, 300 @mile, 2x(200 @mile / 60s) / 3:00, 100 @strides'],
    [[0, 1, 1], [0, 1, 0], '300 @mile, 2x(200 @mile / 60s, 400 @5k) / 3:00, 100 @strides'],
    [[0, 1], [0, 1, 0], SETS],
    [[0, 1], [0, 1], SETS],
    [[0, 9], [0, 0], SETS],
  ])('%j in front of %j', (from, to, expected) => expect(printed(moveItem(read(SETS), from, to))).toBe(expected));

  test('to another line', () => {
    const session = read('warm: 800 @easy\nmain: 400 @5k, 200 @mile');
    expect(formatSession(moveItem(session, [1, 0], [0, 1]))).toBe('warm: 800 @easy, 400 @5k\nmain: 200 @mile');
    expect(formatSession(moveItem(session, [0, 0], [1, 2]))).toBe('main: 400 @5k, 200 @mile, 800 @easy');
  });

  test('out of a set that is then empty', () => {
    expect(printed(liftItem(read('3x(400 @5k) / 60s, 200 @mile'), [0, 0, 0]))).toBe('400 @5k, 200 @mile');
    expect(printed(liftItem(read(SETS), [0, 1, 0]))).toBe(
      '300 @mile, 2x(200 @mile / 60s) / 3:00, 400 @5k, 100 @strides',
    );
    expect(printed(liftItem(read(SETS), [0, 0]))).toBe(SETS);
  });
});

describe('other changes', () => {
  test('duplicate, replace and remove, a set around one and away again', () => {
    const session = read(SETS);
    expect(printed(duplicateItem(session, [0, 1, 1]))).toBe(
      '300 @mile, 2x(400 @5k, 200 @mile / 60s, 200 @mile / 60s) / 3:00, 100 @strides',
    );
    expect(printed(removeItem(removeItem(session, [0, 1, 0]), [0, 1, 0]))).toBe('300 @mile, 100 @strides');
    expect(printed(replaceItem(session, [0, 1], [itemAt(session, [0, 0]) as Item]))).toBe(
      '300 @mile, 300 @mile, 100 @strides',
    );
    expect(printed(wrapItem(session, [0, 0]))).toBe(SETS.replace('300 @mile', '2x(300 @mile)'));
    expect(printed(openSet(wrapItem(session, [0, 0]), [0, 0]))).toBe(SETS);
    expect(printed(openSet(session, [0, 0]))).toBe(SETS);
    expect(itemsAt(session, [0, 0])).toEqual([]);
  });
  test('lines: what they are for, and their order', () => {
    const session = read('400 @5k\ncool: 800 @easy');
    expect(formatSession(setRole(session, 0, 'finish'))).toBe('finish: 400 @5k\ncool: 800 @easy');
    expect(formatSession(moveLine(session, 0, 1))).toBe('cool: 800 @easy\nmain: 400 @5k');
    expect(moveLine(session, 0, -1)).toEqual(session);
  });
  test('parts come where they belong, in whatever order they are added', () => {
    const shuffled = [13, 4, 0, 12, 1, 2];
    const session = shuffled.reduce<SessionTree>(
      (so, i) => addPart(so, lineOf(PARTS[i] as (typeof PARTS)[number])).session,
      { lines: [] },
    );
    expect(formatSession(session)).toBe(
      'warm: 1600 @easy, drills, 4x100 @strides / 60s walk\nmain: 6x400 @5k / 90s walk\nfinish: 4x200 @mile / 200m jog\ncool: 1200 @easy',
    );
    expect(addPart(session, lineOf(PARTS[10] as (typeof PARTS)[number])).path).toEqual([1, 1]);
  });
  test.each(PARTS)('the part $name can be read', (part) => expect(lineOf(part).items.length).toBeGreaterThan(0));
});

type Change = { kind: string; a: number; b: number; part: (typeof PARTS)[number] };

describe('any change', () => {
  const change = fc.record({
    kind: fc.constantFrom('remove', 'duplicate', 'wrap', 'lift', 'open', 'move', 'insert', 'role', 'line'),
    a: fc.nat(),
    b: fc.nat(),
    part: fc.constantFrom(...PARTS),
  });
  const changed = (session: SessionTree, { kind, a, b, part }: Change) => {
    const paths = pathsOf(session);
    const path = paths[a % paths.length] ?? [0, 0];
    const to = paths[b % paths.length] ?? [0, 0];
    switch (kind) {
      case 'remove':
        return removeItem(session, path);
      case 'duplicate':
        return duplicateItem(session, path);
      case 'wrap':
        return wrapItem(session, path);
      case 'lift':
        return liftItem(session, path);
      case 'open':
        return openSet(session, path);
      case 'move':
        return moveItem(session, path, to);
      case 'insert':
        return insertItems(session, path, lineOf(part).items);
      case 'role':
        return setRole(session, path[0] ?? 0, lineOf(part).role);
      default:
        return moveLine(session, path[0] ?? 0, b % 2 === 0 ? 1 : -1);
    }
  };
  test('prints text that is read as the same tree, unless it is too deep or too long', () => {
    fc.assert(
      fc.property(anySession, fc.array(change, { minLength: 1, maxLength: 8 }), (start, changes) => {
        let session = start;
        for (const edit of changes) {
          const next = changed(session, edit);
          const tooDeep = pathsOf(next).some((path) => path.length > 7);
          if (tooDeep || legCount(next) > MAX_LEGS || next.lines.length === 0) continue;
          session = next;
        }
        expect(parseSession(formatSession(session))).toMatchObject({ ok: true, session });
      }),
    );
  });

  test('written into the text it was read from, it is the changed session', () => {
    fc.assert(
      fc.property(anySession, change, (start, edit) => {
        const text = `# Tuesday\n\n${formatSession(start).split('\n').join('\n# and then\n')}\n# the end`;
        const reading = readSession(text);
        const next = changed(reading.session, edit);
        if (next.lines.length === 0 || legCount(next) > MAX_LEGS || pathsOf(next).some((path) => path.length > 7))
          return;
        const rewritten = rewriteText(text, reading, next);
        expect(parseSession(rewritten)).toMatchObject({ ok: true, session: next });
        expect(rewritten).toMatch(/# Tuesday[^]*# the end$/);
        expect(rewritten.match(/# and then/g)?.length).toBe(text.match(/# and then/g)?.length);
      }),
    );
  });

  test('nothing is lost by a move', () => {
    const leaves = (session: SessionTree) =>
      pathsOf(session)
        .map((path) => itemAt(session, path))
        .flatMap((item) => (item && item.body.kind !== 'set' ? [JSON.stringify(item)] : []))
        .sort();
    fc.assert(
      fc.property(anySession, fc.nat(), fc.nat(), (session, a, b) => {
        const paths = pathsOf(session);
        const from = paths[a % paths.length] ?? [0, 0];
        const to = paths[b % paths.length] ?? [0, 0];
        const moved = moveItem(session, from, to);
        expect(leaves(moved)).toEqual(leaves(session));
        if (isWithin(to, from)) expect(moved).toBe(session);
      }),
    );
  });
});

test('into an empty text nothing but the session is written', () => {
  const reading = readSession(' \n');
  expect(rewriteText(' \n', reading, read('400 @5k'))).toBe('main: 400 @5k');
});

test('parts that share a line stay as they were written, unless one of them changes; a comment behind a line stays', () => {
  const text = 'WU 10min easy; 6x400 @5k / 90s; CD 10min easy # by the river\ncool: drills # stretch';
  const reading = readSession(text);
  expect(reading.session.lines.map(({ role }) => role)).toEqual(['warm', 'main', 'cool', 'cool']);
  const longer = duplicateItem(reading.session, [3, 0]);
  expect(rewriteText(text, reading, longer)).toBe(
    'WU 10min easy; 6x400 @5k / 90s; CD 10min easy # by the river\ncool: drills, drills # stretch',
  );
  const other = duplicateItem(reading.session, [1, 0]);
  const rewritten = rewriteText(text, reading, other);
  expect(read(rewritten)).toEqual(other);
  expect(rewritten).toContain('warm: 10min @easy\nmain: 6x400');
  const swapped = moveLine(reading.session, 1, 1);
  expect(read(rewriteText(text, reading, swapped))).toEqual(swapped);
});

test('lines that did not change stay as they were written', () => {
  const text = '# hills next week\nWARM: 1600@easy\n\n6 X 400 @5K / 90″\ncool: 1200 @easy # not a comment';
  const reading = readSession(text.replace(' # not a comment', ''));
  const next = replaceItem(reading.session, [2, 0], lineOf(PARTS[13] as (typeof PARTS)[number]).items.slice());
  const longer = duplicateItem(next, [2, 0]);
  expect(rewriteText(text.replace(' # not a comment', ''), reading, longer)).toBe(
    '# hills next week\nWARM: 1600@easy\n\n6 X 400 @5K / 90″\ncool: 1200 @easy, 1200 @easy',
  );
});
