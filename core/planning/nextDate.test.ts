import { nextDate } from './nextDate';

const TUESDAY = '2026-11-03';
const on = (more: Partial<Parameters<typeof nextDate>[0]> = {}) =>
  nextDate({ ranOn: TUESDAY, today: '2026-11-04', turn: undefined, everyDays: undefined, busy: new Set(), ...more });

test('the thread’s next turn goes before all else, then the progression’s interval', () => {
  expect(on({ turn: '2026-11-12', everyDays: 21 })).toEqual({ date: '2026-11-12', why: 'turn' });
  expect(on({ everyDays: 21 })).toEqual({ date: '2026-11-24', why: 'progression', everyDays: 21 });
});

test('else the same day next week; a week later where that is past, or another session is on it', () => {
  expect(on()).toEqual({ date: '2026-11-10', why: 'next-week' });
  expect(on({ busy: new Set(['2026-11-10']) })).toEqual({ date: '2026-11-17', why: 'weekday' });
  expect(on({ today: '2026-11-20' })).toEqual({ date: '2026-11-24', why: 'weekday' });
  expect(on({ today: '2026-11-30', everyDays: 21 })).toEqual({ date: '2026-12-01', why: 'weekday' });
});

test('where the same day next week is taken, the next hard day that the season leaves free', () => {
  const asked = {
    ranOn: '2026-11-10',
    today: '2026-11-11',
    turn: undefined,
    everyDays: undefined,
    busy: new Set(['2026-11-17', '2026-11-19']),
    hardDays: () => ['2026-11-05', '2026-11-19', '2026-11-21'],
  };
  expect(nextDate(asked)).toEqual({ date: '2026-11-21', why: 'free' });
  expect(nextDate({ ...asked, hardDays: () => [] })).toEqual({ date: '2026-11-24', why: 'weekday' });
  expect(nextDate({ ...asked, busy: new Set<string>() }).why).toBe('next-week');
});
