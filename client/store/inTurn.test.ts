import { inTurn } from './inTurn';

test('what concerns one thing is done in the order it was asked for, also after one that failed; another does not wait', async () => {
  const done: string[] = [];
  let letGo = () => {};
  const held = new Promise<void>((resolve) => (letGo = resolve));
  const first = inTurn('plan', async () => {
    await held;
    done.push('first');
    throw new Error('refused');
  });
  const second = inTurn('plan', () => Promise.resolve(done.push('second')));
  await inTurn('venue', () => Promise.resolve(done.push('another')));
  expect(done).toEqual(['another']);
  letGo();
  await expect(first).rejects.toThrow('refused');
  expect(await second).toBe(3);
  expect(done).toEqual(['another', 'first', 'second']);
});
