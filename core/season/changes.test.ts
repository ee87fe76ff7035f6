import { daysAfter } from '../units/dayNumber';
import { changeSeason, putOff, shiftedBy, type SeasonChange } from './changes';
import { compareSeasons } from './difference';
import { athleteOn, easingDays, exceptionOn } from './exceptions';
import { layOutSeason } from './layout/layOut';
import { schoolNotes } from './templates/schools';
import { seasonFrom } from './templates/seasonFrom';
import { daysOf, type AthleteException, type SeasonPlan } from './season';
import { seasonTemplates, type SeasonTemplate } from './templates/templates';
import { weekText } from './weekText';

const MONDAY = '2026-09-07';
const RACE = { id: 'harbour', date: daysAfter(MONDAY, 83), name: 'Harbour meeting', weight: 'A' as const };
const [FIVE_K] = seasonTemplates as [SeasonTemplate];
const season = seasonFrom(FIVE_K, { firstDay: MONDAY, races: [RACE] });

const dayOn = (plan: SeasonPlan, date: string) => {
  const day = daysOf(layOutSeason(plan)).find((day) => day.date === date);
  if (!day) throw new Error(`No ${date}.`);
  return day;
};
const differs = (change: SeasonChange, plan = season) =>
  compareSeasons(layOutSeason(plan), layOutSeason(changeSeason(plan, change)));
/** Of a week by number (from 1), a day by number (Monday is 0). */
const on = (week: number, day: number) => daysAfter(MONDAY, (week - 1) * 7 + day);

describe('a change says what it does', () => {
  test('a race a week later moves what is laid back from it', () => {
    const later = differs({ kind: 'putRace', race: { ...RACE, date: daysAfter(RACE.date, 7) } });
    expect(later).toMatchObject({ moved: 19, fellOut: 0, added: 0 });
    expect(later.text).toBe('19 sessions move.');
  });
  test('a race a week sooner takes a week of base', () => {
    expect(differs({ kind: 'putRace', race: { ...RACE, date: daysAfter(RACE.date, -7) } }).fellOut).toBe(0);
    const muchSooner = differs({ kind: 'putRace', race: { ...RACE, date: daysAfter(RACE.date, -28) } });
    expect(muchSooner.fellOut).toBeGreaterThan(3);
    expect(muchSooner.text).toMatch(/^\d+ sessions move, \d+ fall out\.$/);
  });
  test('nothing', () => expect(differs({ kind: 'pin', date: on(4, 1) }).text).toBe('Nothing moves.'));
  test('an easy day only', () =>
    expect(differs({ kind: 'setDay', date: on(4, 0), day: { kind: 'off' } }).text).toBe(
      '1 day changes, no session moves.',
    ));
  test('from a day on', () => {
    const before = layOutSeason(season);
    const after = layOutSeason(changeSeason(season, { kind: 'setDay', date: on(4, 1), day: { kind: 'easy' } }));
    expect(compareSeasons(before, after, on(12, 0)).moves).toEqual([]);
  });
});

describe('a day dragged onto another', () => {
  test('they change places, both are pinned, and what stood beside it gives way', () => {
    const changed = changeSeason(season, { kind: 'swap', from: on(4, 1), to: on(4, 2) });
    expect(dayOn(changed, on(4, 2))).toMatchObject({ kind: 'hard', thread: { id: 'thr', step: 0 }, pinned: true });
    expect(dayOn(changed, on(4, 1))).toMatchObject({ kind: 'strides', pinned: true });
    expect(differs({ kind: 'swap', from: on(4, 1), to: on(4, 2) }).text).toBe('1 session moves.');
    expect(dayOn(changeSeason(changed, { kind: 'unpin', date: on(4, 2) }), on(4, 2)).pinned).toBeUndefined();
  });
  test('two hard days exchange their threads', () => {
    const changed = changeSeason(season, { kind: 'swap', from: on(4, 1), to: on(4, 4) });
    expect(dayOn(changed, on(4, 1)).thread?.id).toBe('falling');
    expect(dayOn(changed, on(4, 4)).thread?.id).toBe('thr');
  });
  test('next to another hard day that one moves', () => {
    const changed = changeSeason(season, { kind: 'swap', from: on(4, 1), to: on(4, 3) });
    expect(dayOn(changed, on(4, 3))).toMatchObject({ kind: 'hard', pinned: true });
    expect(dayOn(changed, on(4, 4)).kind).not.toBe('hard');
  });
  test('a race is not dragged so', () =>
    expect(changeSeason(season, { kind: 'swap', from: RACE.date, to: on(12, 0) })).toEqual(season));
});

test('a longer phase is kept, and takes its weeks from the base', () => {
  const changed = changeSeason(season, { kind: 'phaseWeeks', place: 3, weeks: 3 });
  const phases = layOutSeason(changed).map(({ phase }) => phase);
  expect(phases.filter((phase) => phase === 'middle')).toHaveLength(3);
  expect(phases.filter((phase) => phase === 'base')).toHaveLength(1);
});

test('a week off is a break, and is come back from step by step', () => {
  const off = (days: number) =>
    changeSeason(season, {
      kind: 'putDaysOff',
      off: { id: 'half-term', from: on(5, 0), to: daysAfter(on(5, 0), days - 1), reason: 'half-term' },
    });
  const phases = (plan: SeasonPlan) => layOutSeason(plan).map(({ phase }) => phase);
  expect(phases(off(6)).slice(4, 6)).toEqual(['break', 'early']);
  expect(phases(off(7)).slice(4, 6)).toEqual(['break', 'transition']);
  expect(phases(off(14)).slice(4, 7)).toEqual(['break', 'break', 'transition']);
  expect(dayOn(off(7), on(5, 1))).toMatchObject({ kind: 'off', note: 'half-term' });
  expect(phases(changeSeason(off(7), { kind: 'removeDaysOff', id: 'half-term' }))).toEqual(phases(season));
});

describe('the review held a thread', () => {
  const thr = (plan: SeasonPlan) =>
    daysOf(layOutSeason(plan)).flatMap(({ thread }) => (thread?.id === 'thr' ? [thread.step] : []));
  const decided = (step: 'on' | 'repeat' | 'back', date = on(4, 2)) =>
    changeSeason(season, { kind: 'decide', decision: { threadId: 'thr', date, step } });
  test('it waits, goes back, or on', () => {
    expect(thr(season)).toEqual([0, 1]);
    expect(thr(decided('repeat'))).toEqual([0, 0]);
    expect(thr(decided('back'))).toEqual([0, 0]);
    expect(thr(decided('on'))).toEqual([0, 1]);
    expect(thr(decided('repeat', on(1, 0)))).toEqual([0, 1]);
  });
  test('by readiness it only goes on when told to', () => {
    const stages = seasonFrom(seasonTemplates[8] as SeasonTemplate, { firstDay: MONDAY, races: [] });
    const steps = (plan: SeasonPlan) =>
      daysOf(layOutSeason(plan)).flatMap(({ thread }) => (thread?.id === 'stages' ? [thread.step] : []));
    expect(new Set(steps(stages))).toEqual(new Set([0]));
    const told = changeSeason(stages, { kind: 'decide', decision: { threadId: 'stages', date: on(2, 3), step: 'on' } });
    expect(steps(told).slice(0, 4)).toEqual([0, 0, 1, 1]);
  });
});

describe('a session was missed', () => {
  const thr = (how: 'next' | 'slide' | 'skip') =>
    daysOf(layOutSeason(changeSeason(season, { kind: 'miss', date: on(4, 1), how }))).flatMap(
      ({ thread, date, missed }) =>
        thread?.id === 'thr' ? [{ date, step: thread.step, ...(missed ? { missed } : {}) }] : [],
    );
  test('slide: the next turn has its step', () =>
    expect(thr('slide')).toEqual([
      { date: on(4, 1), step: 0, missed: 'slide' },
      { date: on(7, 1), step: 0 },
    ]));
  test('skip: it is gone', () =>
    expect(thr('skip')).toEqual([
      { date: on(4, 1), step: 0, missed: 'skip' },
      { date: on(7, 1), step: 1 },
    ]));
  test('next: on the next free hard day', () =>
    expect(thr('next').slice(0, 2)).toEqual([
      { date: on(4, 1), step: 0, missed: 'slide' },
      { date: on(4, 4), step: 0 },
    ]));
});

describe('heavy legs put the next hard day off', () => {
  const off = (date: string, plan = season) => putOff(layOutSeason(plan), date);
  test('by a day, where the next one is easy', () =>
    expect(off(on(4, 1))).toEqual({ kind: 'swap', from: on(4, 1), to: on(4, 2) }));
  test('not onto the day before another hard day or a race: then it is easy', () => {
    const close = changeSeason(season, { kind: 'setDay', date: on(4, 3), day: { kind: 'hard', threadId: 'gears' } });
    expect(off(on(4, 1), close)).toEqual({ kind: 'setDay', date: on(4, 1), day: { kind: 'easy' } });
    const race: SeasonPlan = { ...season, races: [RACE, { id: 'c', date: on(4, 3), name: 'Open', weight: 'C' }] };
    const [hard] = daysOf(layOutSeason(race)).filter(({ date, kind }) => kind === 'hard' && date >= on(4, 0));
    expect(hard && off(hard.date, race)?.kind).toMatch(/swap|setDay/);
  });
  test('only what is hard and not over', () => {
    expect(off(on(4, 0))).toBeUndefined();
    expect(off(on(4, 1), { ...season, fixed: [{ date: on(4, 1), kind: 'hard', because: 'past' }] })).toBeUndefined();
    expect(off('2099-01-01')).toBeUndefined();
  });
});

describe('a thread', () => {
  const thread = { ...season.threads.find(({ id }) => id === 'thr')!, name: 'Ours', spacingDays: 20 };
  test('is changed in its place, or comes after the others', () => {
    const changed = changeSeason(season, { kind: 'putThread', thread });
    expect(changed.threads.map(({ id }) => id)).toEqual(season.threads.map(({ id }) => id));
    expect(changed.threads.find(({ id }) => id === 'thr')?.name).toBe('Ours');
    expect(changeSeason(season, { kind: 'putThread', thread: { ...thread, id: 'new' } }).threads.at(-1)?.id).toBe(
      'new',
    );
  });
  test('goes with its turns; days that were pinned to it are free, what is written stays', () => {
    const pinned = changeSeason(season, { kind: 'setDay', date: on(5, 1), day: { kind: 'hard', threadId: 'thr' } });
    const written: SeasonPlan = {
      ...pinned,
      fixed: [...pinned.fixed, { date: on(4, 1), kind: 'hard', because: 'written', threadId: 'thr', sessionId: 's' }],
    };
    const without = changeSeason(written, { kind: 'removeThread', threadId: 'thr' });
    expect(without.threads.some(({ id }) => id === 'thr')).toBe(false);
    expect(JSON.stringify(without.cycles)).not.toContain('"thr"');
    expect(without.fixed.map(({ date }) => date)).toEqual([on(4, 1)]);
    expect(daysOf(layOutSeason(without)).filter((day) => day.thread?.id === 'thr' && !day.because)).toEqual([]);
  });
});

test('a session of its own becomes the hard day', () => {
  const adopted = changeSeason(season, { kind: 'adopt', date: on(4, 5), sessionId: 's' });
  expect(dayOn(adopted, on(4, 5))).toMatchObject({ kind: 'hard', because: 'written', sessionId: 's' });
  expect(dayOn(adopted, on(4, 5)).thread).toBeUndefined();
  const turn = changeSeason(season, { kind: 'adopt', date: on(4, 1), sessionId: 's', isTurn: true });
  expect(dayOn(turn, on(4, 1))).toMatchObject({ because: 'written', sessionId: 's', thread: { id: 'thr', step: 0 } });
});

test('a copy for another year has no past', () => {
  const pinned = changeSeason(season, { kind: 'pin', date: on(4, 1) });
  const next = shiftedBy(pinned, 364);
  expect(next).toMatchObject({ firstDay: daysAfter(MONDAY, 364), decisions: [], exceptions: [] });
  const entered = { ...RACE, entries: [{ athleteId: 'ada', distanceM: 5000 }] };
  const ran = { ...season, races: [entered], done: [{ date: MONDAY, amount: { unit: 'km' as const, amount: 5 } }] };
  expect(JSON.stringify(shiftedBy(ran, 364))).not.toMatch(/ada|done/);
  expect(layOutSeason(next).map(({ phase }) => phase)).toEqual(layOutSeason(season).map(({ phase }) => phase));
});

describe('one athlete', () => {
  const ill: AthleteException = { id: '1', athleteId: 'ada', kind: 'ill', from: '2026-10-05', to: '2026-10-08' };
  const ada = { id: 'ada', status: 'training' as const };
  test('is away while ill, eases back as long as it was, and is then as before', () => {
    const on5 = (date: string) => athleteOn(ada, [ill], date).status;
    expect(['2026-10-04', '2026-10-05', '2026-10-08', '2026-10-09', '2026-10-12', '2026-10-13'].map(on5)).toEqual([
      'training',
      'away',
      'away',
      'easing',
      'easing',
      'training',
    ]);
    expect(athleteOn({ id: 'bo', status: 'training' as const }, [ill], '2026-10-06').status).toBe('training');
  });
  test('no longer than a fortnight, and not after being away', () => {
    expect(easingDays({ kind: 'injured', from: '2026-01-01', to: '2026-03-01' })).toBe(14);
    expect(easingDays({ kind: 'away', from: '2026-01-01', to: '2026-01-09' })).toBe(0);
    expect(exceptionOn([{ ...ill, kind: 'race' }], 'ada', '2026-10-06')).toMatchObject({
      status: 'away',
      isEasing: false,
    });
  });
});

test('what other schools would not do is said once', () => {
  expect(schoolNotes(season)).toEqual([]);
  const three = seasonFrom(FIVE_K, { firstDay: MONDAY, races: [RACE], hardDays: 3 });
  expect(schoolNotes(three)).toHaveLength(2);
});

test('the week as text names no one', () => {
  const week = layOutSeason(season)[3];
  expect(week && weekText(season, week)).toBe(
    [
      '5k, 12 weeks, early',
      'Mon 28 Sep: Easy',
      'Tue 29 Sep: Threshold, longer reps: 2x8:00 @threshold / 90s jog',
      'Wed 30 Sep: Easy with strides',
      'Thu 1 Oct: Easy',
      'Fri 2 Oct: Falling strides: (70s-50s-35s-20s @mile / 80s jog) / 3:00 jog',
      'Sat 3 Oct: Off',
      'Sun 4 Oct: Long run, 12 km',
    ].join('\n'),
  );
  const race = layOutSeason(season).at(-1);
  expect(race && weekText(season, race)).toContain('Sun 29 Nov: Harbour meeting');
});
