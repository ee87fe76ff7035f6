import { SerializeByKey } from './serializeByKey';

test('one at a time for a key, others beside it; too many are not taken; one that fails holds up nobody', async () => {
  const queues = new SerializeByKey(1);
  const log: string[] = [];
  const work =
    (name: string, fails = false) =>
    async () => {
      log.push(`${name} begins`);
      await Promise.resolve();
      log.push(`${name} ends`);
      if (fails) throw new Error(name);
      return name;
    };
  const first = queues.run('a', work('1', true));
  const second = queues.run('a', work('2'));
  expect(queues.run('a', work('3'))).toBeUndefined();
  const beside = queues.run('b', work('4'));
  await expect(first).rejects.toThrow('1');
  expect(await Promise.all([second, beside])).toEqual(['2', '4']);
  expect(log.indexOf('2 begins')).toBeGreaterThan(log.indexOf('1 ends'));
  expect(log.indexOf('4 begins')).toBeLessThan(log.indexOf('1 ends'));
  expect(await queues.run('a', work('5'))).toBe('5');
});
