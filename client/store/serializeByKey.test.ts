import { serializeByKey } from './serializeByKey';

test('what concerns one thing is done in the order it was asked for, also after one that failed; another does not wait', async () => {
  const done: string[] = [];
  let letGo = () => {};
  const blocked = new Promise<void>((resolve) => (letGo = resolve));
  const first = serializeByKey('plan', async () => {
    await blocked;
    done.push('first');
    throw new Error('refused');
  });
  const second = serializeByKey('plan', () => Promise.resolve(done.push('second')));
  await serializeByKey('venue', () => Promise.resolve(done.push('another')));
  expect(done).toEqual(['another']);
  letGo();
  await expect(first).rejects.toThrow('refused');
  expect(await second).toBe(3);
  expect(done).toEqual(['another', 'first', 'second']);
});
