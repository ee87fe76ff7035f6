import { dayNumber, weekdayOf } from './dayNumber';

const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** A day (YYYY-MM-DD) in few characters: `Sun 22 Nov`. */
export const shortDay = (date: string): string =>
  `${WEEKDAYS[weekdayOf(dayNumber(date))] ?? ''} ${Number(date.slice(8, 10))} ${MONTHS[Number(date.slice(5, 7)) - 1] ?? ''}`;
