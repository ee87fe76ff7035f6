import { takeBackAll } from './takeBackAll';

test('everything is taken back, the last first, also what comes after one that fails', async () => {
  const done: string[] = [];
  const takes = (name: string, error?: string) => () => {
    done.push(name);
    return Promise.resolve(error === undefined ? {} : { error });
  };
  const made = [takes('library'), takes('plan', 'second'), takes('season', 'first'), () => void done.push('log')];
  expect(await takeBackAll(made)).toEqual({ error: 'first' });
  expect(done).toEqual(['log', 'season', 'plan', 'library']);
});

test('without an error there is none', async () => expect(await takeBackAll([() => Promise.resolve({})])).toEqual({}));
