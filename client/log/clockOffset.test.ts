import { isNews, measureClock } from './clockOffset';

/** A phone that is `behindMs` behind its server, over a line with these ways there and back. */
function line(behindMs: number, ways: readonly (readonly [there: number, back: number] | undefined)[]) {
  let phoneMs = 1000;
  let turn = 0;
  return measureClock(
    async () => {
      const way = ways[turn++ % ways.length];
      if (!way) return undefined;
      phoneMs += way[0];
      const serverMs = phoneMs + behindMs;
      phoneMs += way[1];
      return serverMs;
    },
    () => phoneMs,
  );
}

test('an even line is measured exactly', async () =>
  expect(await line(5000, [[20, 20]])).toEqual({ offsetMs: 5000, errorMs: 20 }));

test('the quickest answer is believed, and it is never off by more than it says', async () => {
  const ways = [[300, 10], [5, 25], [40, 900], undefined, [80, 80]] as const;
  const measured = await line(-1200, ways);
  expect(measured?.errorMs).toBe(15);
  expect(Math.abs((measured?.offsetMs ?? 0) + 1200)).toBeLessThanOrEqual(15);
});

test('without a server nothing is known', async () => expect(await line(0, [undefined])).toBeUndefined());

test('what nobody could time, or what may be only the line, is no news', () => {
  expect(isNews({ offsetMs: 20, errorMs: 2 }, 0)).toBe(false);
  expect(isNews({ offsetMs: 80, errorMs: 100 }, 0)).toBe(false);
  expect(isNews({ offsetMs: 80, errorMs: 5 }, 0)).toBe(true);
  expect(isNews({ offsetMs: 5000, errorMs: 5 }, 4990)).toBe(false);
});
