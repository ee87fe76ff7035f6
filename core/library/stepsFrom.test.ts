/** On, again or back from a session that was run. */
import type { LibrarySession, Progression } from './librarySession';
import { changedText, stepsFrom } from './stepsFrom';

const sessionOf = (id: string, shorthand: string): LibrarySession => ({
  id,
  title: `Stage ${id}`,
  shorthand: `main: ${shorthand}`,
  tags: [],
});
const STAGES = [
  sessionOf('1', '6x300 @goal 5k / 75s'),
  sessionOf('2', '5x600 @goal 5k / 75s'),
  sessionOf('3', '5x900 @goal 5k / 75s'),
];
const ladder: Progression = { id: 'p', name: 'Stages', lever: 'longer', stepIds: ['1', '2', '3'], round: 3 };
const from = (id: string, progression = ladder, sessions = STAGES) => {
  const shorthand = sessions.find((session) => session.id === id)?.shorthand ?? '';
  return stepsFrom({ ran: { shorthand, libraryId: id }, progression, sessions });
};

test('in a progression its own steps come next, and come before', () => {
  expect(from('2')).toEqual({
    on: { shorthand: 'main: 5x900 @goal 5k / 75s', libraryId: '3', title: 'Stage 3' },
    repeat: { shorthand: 'main: 5x600 @goal 5k / 75s', libraryId: '2' },
    back: { shorthand: 'main: 6x300 @goal 5k / 75s', libraryId: '1', title: 'Stage 1' },
    at: 1,
  });
});

test('before the first step there is an easier one', () => {
  expect(from('1').back).toEqual({ shorthand: 'main: 5x300 @goal 5k / 75s' });
});

test('a ladder that is done is run again faster, stage by stage, and faster again after that', () => {
  expect(from('3')).toMatchObject({
    on: { shorthand: 'main: 6x300 @goal 5k-1s/400 / 75s', title: 'Stage 1' },
    isNewRound: true,
  });
  const more = [
    ...STAGES,
    sessionOf('4', '6x300 @goal 5k-1s/400 / 75s'),
    sessionOf('5', '5x600 @goal 5k-1s/400 / 75s'),
    sessionOf('6', '5x900 @goal 5k-1s/400 / 75s'),
  ];
  const longer = (n: number) => ({ ...ladder, stepIds: more.slice(0, n).map(({ id }) => id) });
  expect(from('4', longer(4), more)).toMatchObject({ on: { shorthand: 'main: 5x600 @goal 5k-1s/400 / 75s' } });
  expect(from('4', longer(4), more)).not.toHaveProperty('isNewRound');
  expect(from('6', longer(6), more).on?.shorthand).toBe('main: 6x300 @goal 5k-2s/400 / 75s');
});

test('after the last step the levers go on, one after the other; a chain that is done gives none', () => {
  const chain = [
    { lever: 'longer-same' as const, to: 1000 },
    { lever: 'less-rest' as const, by: 10, to: 60 },
  ];
  const { round: _none, ...steps } = ladder;
  const going = { ...steps, chain };
  expect(from('3', going).on).toEqual({ shorthand: 'main: 5x1000 @goal 5k / 75s', lever: 'longer-same' });
  const last = [...STAGES.slice(0, 2), sessionOf('3', '5x1000 @goal 5k / 60s')];
  expect(from('3', going, last)).not.toHaveProperty('on');
  // Without a chain it is the progression's own lever.
  expect(from('3', { ...steps, lever: 'more' }).on).toEqual({ shorthand: 'main: 6x900 @goal 5k / 75s', lever: 'more' });
});

test('another lever goes before what would come by itself', () => {
  const ran = { shorthand: 'main: 5x600 @goal 5k / 75s', libraryId: '2' };
  const steps = stepsFrom({ ran, progression: ladder, sessions: STAGES, lever: 'less-rest' });
  expect(steps).toMatchObject({
    on: { shorthand: 'main: 5x600 @goal 5k / 65s', lever: 'less-rest' },
    back: { libraryId: '1' },
  });
});

test('without a progression a lever is asked for; the same again is always there', () => {
  const ran = { shorthand: 'main: 8x400 @5k / 75s # by the river' };
  expect(stepsFrom({ ran, sessions: [] })).toEqual({
    repeat: ran,
    back: { shorthand: 'main: 7x400 @5k / 75s # by the river' },
  });
  expect(stepsFrom({ ran, sessions: [], lever: 'more' }).on?.shorthand).toBe('main: 9x400 @5k / 75s # by the river');
  expect(stepsFrom({ ran, sessions: [], lever: 'sets' })).not.toHaveProperty('on');
});

test('a step that is gone from the library, and a text that cannot be read, give no step', () => {
  expect(from('2', ladder, STAGES.slice(0, 2))).not.toMatchObject({ on: { libraryId: '3' } });
  expect(stepsFrom({ ran: { shorthand: '8x @' }, sessions: [], lever: 'more' })).toEqual({
    repeat: { shorthand: '8x @' },
  });
  expect(changedText('8x @', (session) => session)).toBeUndefined();
});
