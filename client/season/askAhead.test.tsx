import { hook } from '../testing';
import { asksAhead } from './askAhead';
import { useSeasonData } from './useSeasonData';

test('all that this week shows is asked for ahead, and not once more when it is drawn', async () => {
  const asked: string[] = [];
  jest.spyOn(global, 'fetch').mockImplementation((request) => {
    asked.push((request as Request).url.replace(/\?.*/, ''));
    // Never answered: the same question is not asked again meanwhile.
    return new Promise(() => undefined);
  });
  // Questions go out after some promises, all of which are kept before the next task.
  const out = () => new Promise((done) => setTimeout(done));
  for (const ask of asksAhead()) ask();
  await out();
  const ahead = [...asked];
  hook(() => useSeasonData());
  await out();
  expect(asked).toEqual(ahead);
  expect(ahead).toContain('/api/sessions/days');
});
