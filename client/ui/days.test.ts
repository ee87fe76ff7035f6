import { clubNow, dayInText, dayName, onDay, setTimeZone, subscribeToday, today } from './days';

beforeEach(() => jest.useFakeTimers({ now: new Date('2026-12-30T22:15:00') }));
afterEach(() => {
  jest.useRealTimers();
  setTimeZone(undefined);
});

test.each([
  ['2026-12-30', 'Today'],
  ['2026-12-31', 'Tomorrow'],
  ['2026-12-29', 'Yesterday'],
  ['2026-12-24', 'Thu 24 Dec'],
  ['2027-01-02', '2 Jan 2027'],
  ['', 'No date'],
  ['soon', 'No date'],
])('%j is called %s', (date, name) => expect(dayName(date)).toBe(name));

test('today is the day of this device’s calendar, to the last minute', () => {
  expect(today()).toBe('2026-12-30');
  jest.setSystemTime(new Date('2026-12-30T23:59:59'));
  expect(today()).toBe('2026-12-30');
  jest.setSystemTime(new Date('2026-12-31T00:00:00'));
  expect(today()).toBe('2026-12-31');
});

test('today is the club’s, wherever the phone is', () => {
  jest.setSystemTime(new Date('2026-12-30T21:30:00Z'));
  setTimeZone('Australia/Sydney');
  expect(clubNow()).toEqual({ date: '2026-12-31', time: '08:30' });
  expect(dayName('2026-12-31')).toBe('Today');
  setTimeZone('America/Denver');
  expect(clubNow()).toEqual({ date: '2026-12-30', time: '14:30' });
});

test('who shows today hears of another time zone at once, and of another day within a minute', () => {
  const heard: string[] = [];
  const unsubscribe = subscribeToday(() => heard.push(today()));
  setTimeZone('Pacific/Kiritimati');
  expect(heard).toEqual(['2026-12-31']);
  setTimeZone(undefined);
  jest.setSystemTime(new Date('2026-12-30T23:59:30'));
  jest.advanceTimersByTime(60_000);
  expect(heard.slice(1)).toEqual(['2026-12-30', '2026-12-31']);
  unsubscribe();
  setTimeZone('Pacific/Kiritimati');
  jest.advanceTimersByTime(120_000);
  expect(heard).toHaveLength(3);
});

test('a time zone that this browser does not know gives the device’s day', () => {
  setTimeZone('Moon/Tranquility');
  expect(today()).toBe('2026-12-30');
});

test('within a sentence', () => {
  expect([dayInText('2026-12-31'), dayInText('2026-12-24')]).toEqual(['tomorrow', 'Thu 24 Dec']);
  expect([onDay('2026-12-29'), onDay('2027-01-02')]).toEqual(['yesterday', 'on 2 Jan 2027']);
});
