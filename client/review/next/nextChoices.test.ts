import type { LibrarySession, Progression } from '@core/library/librarySession';
import type { StepsFrom } from '@core/library/stepsFrom';
import type { RanAthlete, SameRun } from '@core/review/history';
import type { ReadyAnswer } from '@core/judgement/nextReady';
import { librarySteps } from './librarySteps';
import { groupVerdict, leversFor, otherLever, placedFor, stepsBy, stuckOn } from './nextChoices';
import { easyDayText, groupText, ownText, stuckText } from './nextText';

const answer = (athleteId: string, verdict: ReadyAnswer['verdict'], more: Partial<ReadyAnswer> = {}): ReadyAnswer => ({
  athleteId,
  groupId: 'g',
  verdict,
  reasons: [],
  ...more,
});
const session = (id: string, shorthand: string): LibrarySession => ({ id, title: `Step ${id}`, shorthand, tags: [] });
const SESSIONS = [session('1', 'main: 4x1000 @threshold / 60s'), session('2', 'main: 5x1000 @threshold / 60s')];
const progression: Progression = { id: 'p', name: 'Kilometres', lever: 'more', stepIds: ['1', '2'] };
const ran = { shorthand: SESSIONS[0]?.shorthand ?? '', libraryId: '1' };

test('by the progression, by a lever, or by what the efforts ask for', () => {
  const source = { ran, progression, sessions: SESSIONS };
  expect(stepsBy({ ...source, what: 'progression' }).on).toMatchObject({ libraryId: '2' });
  expect(stepsBy({ ...source, what: 'less-rest' }).on?.shorthand).toBe('main: 4x1000 @threshold / 50s');
  const advice = {
    lever: 'recovery' as const,
    path: [0, 0],
    set: { kind: 'recovery' as const, durationS: 90 },
    from: 60,
    to: 90,
  };
  const asked = stepsBy({ ...source, what: 'efforts', advice });
  // It is what was meant: also for who runs it again.
  expect([asked.on?.shorthand, asked.repeat.shorthand]).toEqual(Array(2).fill('main: 4x1000 @threshold / 90s'));
  expect(leversFor(source).map(({ lever }) => lever)).toEqual(['more', 'longer', 'faster', 'less-rest', 'fewer']);
  expect(leversFor({ ...source, intent: 'threshold' }).map(({ lever }) => lever)).not.toContain('faster');
});

test('everyone gets what was chosen for them; a step that there is none of is the same again', () => {
  const steps: StepsFrom = { repeat: { shorthand: 'same', libraryId: '1' }, on: { shorthand: 'more' } };
  const placed = placedFor(
    [answer('a', 'on'), answer('b', 'back'), answer('c', 'repeat')],
    (id) => (id === 'a' ? 'on' : id === 'b' ? 'back' : 'repeat'),
    () => steps,
    (id) => id,
  );
  expect(placed.map(({ step, shorthand, libraryId, fromId }) => [step, shorthand, libraryId, fromId])).toEqual([
    ['on', 'more', undefined, '1'],
    ['repeat', 'same', '1', '1'],
    ['repeat', 'same', '1', '1'],
  ]);
});

test('who was not there does not say what a group is ready for', () => {
  expect(groupVerdict([answer('a', 'on'), answer('b', 'repeat', { isAbsent: true })])).toBe('on');
  expect(groupVerdict([answer('b', 'repeat', { isAbsent: true })])).toBeUndefined();
});

test('the third time the same on one lever: another one is named', () => {
  const run = (runId: string, date: string, more: Partial<SameRun> = {}): SameRun => ({
    runId,
    date,
    title: '',
    kinds: [],
    conditions: {},
    relation: 'same',
    ...more,
  });
  const part = (runId: string, athleteId: string, nextStep?: 'on' | 'repeat') =>
    ({ runId, athleteId, isThere: true, ...(nextStep ? { nextStep } : {}) }) as RanAthlete;
  const same = {
    runs: [run('now', '2026-11-20'), run('two', '2026-11-01'), run('one', '2026-10-10')],
    athletes: [
      part('two', 'a', 'repeat'),
      part('one', 'a', 'repeat'),
      part('two', 'b', 'repeat'),
      part('one', 'b', 'on'),
      part('two', 'c', 'repeat'),
      part('one', 'd', 'repeat'),
      part('two', 'd'),
    ],
  };
  const here = { runId: 'now', date: '2026-11-20' };
  const answers = ['a', 'b', 'c', 'd'].map((id) => answer(id, 'repeat'));
  expect(stuckOn(answers, same, here)).toEqual(['a']);
  expect(stuckOn([answer('a', 'on')], same, here)).toEqual([]);
  // Another step of the progression is another session.
  const [now, two, first] = same.runs;
  const step = { relation: 'step' as const, kinds: [{ role: 'main' as const, distanceM: 400, count: 6 }] };
  const runs = [now, two, first].flatMap((ran) => (ran ? [ran === two ? { ...ran, ...step } : ran] : []));
  expect(stuckOn(answers, { ...same, runs }, here)).toEqual([]);
  expect(stuckOn(answers, undefined, here)).toEqual([]);
  expect(otherLever('more', ['more', 'longer', 'less-rest'])).toBe('less-rest');
  expect(otherLever('more', ['more'])).toBeUndefined();
});

describe('what it adds to the library', () => {
  let n = 0;
  const newId = () => `new${n++}`;
  beforeEach(() => (n = 0));
  const place = (step: 'on' | 'repeat', shorthand: string, libraryId?: string) => ({
    athleteId: 'a',
    groupId: 'g',
    label: '',
    step,
    shorthand,
    fromId: '2',
    ...(libraryId === undefined ? {} : { libraryId }),
  });
  const six = 'main: 6x1000 @threshold / 60s';
  test('a new step goes behind the one it comes from, once for all who run it', () => {
    const titled = { ...ran, title: 'Today' };
    const steps = librarySteps({
      placed: [place('on', six), place('on', six), place('repeat', 'x')],
      progression: { ...progression, stepIds: ['1', '2', '9'] },
      sessions: SESSIONS,
      ran: titled,
      newId,
    });
    expect(steps?.change).toEqual({
      sessions: [{ id: 'new0', title: 'Step 1, 4', shorthand: six, tags: [] }],
      progressions: [{ ...progression, stepIds: ['1', '2', 'new0', '9'] }],
    });
    expect(steps?.idOf(six)).toBe('new0');
    expect(steps?.ranId).toBeUndefined();
  });
  test('a progression can begin with a session that is not in the library', () => {
    const steps = librarySteps({
      placed: [{ ...place('on', six), fromId: undefined as never }],
      sessions: SESSIONS,
      ran: { title: 'Today', shorthand: 'main: 5x1000', intent: 'threshold' },
      begins: { lever: 'more', name: 'Today: more of it' },
      newId,
    });
    expect(steps?.change.progressions).toEqual([
      { id: 'new1', name: 'Today: more of it', lever: 'more', stepIds: ['new0', 'new2'] },
    ]);
    expect(steps?.change.sessions?.map(({ title }) => title)).toEqual(['Today', 'Today, 2']);
    expect(steps?.ranId).toBe('new0');
  });
  test('nothing where nobody goes on to anything new, or nothing is to be kept', () => {
    const source = { sessions: SESSIONS, ran: { ...ran, title: 'Today' }, newId };
    expect(librarySteps({ ...source, placed: [place('on', six, '2')], progression })).toBeUndefined();
    expect(librarySteps({ ...source, placed: [place('repeat', six)], progression })).toBeUndefined();
    expect(librarySteps({ ...source, placed: [place('on', six)] })).toBeUndefined();
  });
});

test('in words', () => {
  expect(groupText(['on', 'on', 'repeat'], 'on')).toBe('2 of 3 are ready for a step on.');
  expect(groupText(['on'], 'on')).toBe('The one who ran it is ready for a step on.');
  expect(groupText(['repeat', 'repeat'], 'repeat')).toBe('Both: repeat it.');
  expect(groupText(['back', 'back', 'on'], 'back')).toBe('2 of 3: ease it.');
  expect(groupText([], undefined)).toBe('Nothing is proposed yet.');
  expect(ownText(['Kit', 'Gus', 'Hana'], { kind: 'count', n: 3 }, 4)).toBe('Kit, Gus and Hana stop after 3.');
  expect(ownText(['Kit'], { kind: 'recovery', durationS: 90 }, 4)).toBe('Kit rests 90 s.');
  expect(easyDayText([])).toBeUndefined();
  expect(easyDayText(['Ada', 'Bo', 'Cleo', 'Dov', 'Esi'])).toMatch(/^5 athletes have heavy or sore legs/);
  expect(stuckText(['Ada'])).toBe('The third time in a row that Ada runs this again. Another lever may move them.');
});
