import ICAL from 'ical.js';
import { changeSeason } from '../season/changes';
import { layOutSeason } from '../season/layout/layOut';
import { seasonFrom } from '../season/templates/seasonFrom';
import { seasonTemplates, type SeasonTemplate } from '../season/templates/templates';
import { daysAfter } from '../units/dayNumber';
import { writeICalendar, type CalendarOptions } from './iCalendar';

const MONDAY = '2027-01-04';
const [FIVE_K] = seasonTemplates as [SeasonTemplate];
/** Over the day the clocks change. */
const season = seasonFrom(FIVE_K, {
  firstDay: MONDAY,
  races: [
    {
      id: 'harbour',
      date: daysAfter(MONDAY, 83),
      name: 'Harbour; meeting, “5k”',
      weight: 'A',
      startTime: '14:30',
      place: 'Harbour track',
      entries: [{ athleteId: '01J0000000000000000000ADA0', distanceM: 5000, goalS: 1000 }],
    },
  ],
});
const OPTIONS: CalendarOptions = {
  id: 's1',
  name: 'Spring',
  sequence: 4,
  atMs: Date.UTC(2027, 0, 1),
  startTime: '17:30',
};
const write = (plan = season, more: Partial<CalendarOptions> = {}) =>
  writeICalendar({ kind: 'season', season: plan, weeks: layOutSeason(plan) }, { ...OPTIONS, ...more });
const read = (text: string) =>
  new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent').map((event) => new ICAL.Event(event));

test('an independent reader finds every hard day, long run and race', () => {
  const events = read(write());
  const days = layOutSeason(season).flatMap((week) => week.days);
  const count = (kind: string) => days.filter((day) => day.kind === kind).length;
  expect(events).toHaveLength(count('hard') + count('long') + count('race'));
  const race = events.find(({ uid }) => uid === 's1-race-harbour@zest-lap');
  expect(race).toMatchObject({ summary: 'Harbour; meeting, “5k”', location: 'Harbour track', sequence: 4 });
  // At half past two wherever it is read, also in summer time.
  expect(race?.startDate.toString()).toBe('2027-03-28T14:30:00');
  const long = events.find(({ uid }) => uid === 's1-long-1@zest-lap');
  expect(long?.startDate.isDate).toBe(true);
  expect([long?.startDate.toString(), long?.endDate.toString()]).toEqual(['2027-01-10', '2027-01-11']);
  expect(new Set(events.map(({ uid }) => uid)).size).toBe(events.length);
  const threshold = events.find(({ uid }) => uid === 's1-thr-1@zest-lap');
  expect(threshold?.description).toContain('main: 2x8:00 @threshold / 90s jog');
});

test('a session keeps its UID when it moves', () => {
  const [race] = season.races;
  if (!race) throw new Error('No race.');
  const moved = changeSeason(season, { kind: 'putRace', race: { ...race, date: daysAfter(race.date, 14) } });
  const uids = (text: string) => new Set(read(text).map(({ uid }) => uid));
  const after = uids(write(moved, { sequence: 5 }));
  for (const uid of uids(write())) expect(after).toContain(uid);
});

test('nobody is named', () => expect(write()).not.toMatch(/ADA0/));

test('all days where they are asked for, whole days where there is no time', () => {
  const events = read(write(season, { days: 'all' }));
  expect(events.length).toBeGreaterThan(80);
  const { startTime: _none, ...untimed } = OPTIONS;
  const text = writeICalendar({ kind: 'season', season, weeks: layOutSeason(season) }, untimed);
  expect(read(text).filter(({ startDate }) => !startDate.isDate)).toHaveLength(1);
});

test('sessions on their days', () => {
  const sessions = [
    {
      id: 'a',
      title: 'Sharp 200s',
      date: '2027-02-01',
      shorthand: 'main: 10x200 @1500 / 200m jog',
      startTime: '18:00',
    },
    { id: 'b', title: 'Long', date: '2027-02-07', shorthand: 'main: 90min @easy' },
  ];
  const events = read(writeICalendar({ kind: 'sessions', sessions }, OPTIONS));
  expect(events.map(({ summary, startDate }) => [summary, startDate.toString()])).toEqual([
    ['Sharp 200s', '2027-02-01T18:00:00'],
    ['Long', '2027-02-07'],
  ]);
});
