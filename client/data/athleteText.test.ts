import { agoText } from './athleteText';

const daysAgo = (days: number) => {
  const day = new Date();
  day.setDate(day.getDate() - days);
  const two = (n: number) => String(n).padStart(2, '0');
  return `${day.getFullYear()}-${two(day.getMonth() + 1)}-${two(day.getDate())}`;
};

test.each([
  [0, 'today'],
  [-3, 'today'],
  [1, '1 day ago'],
  [13, '13 days ago'],
  [14, '2 weeks ago'],
  [100, '14 weeks ago'],
  [365, '12 months ago'],
])('%d days back is “%s”', (days, text) => expect(agoText(daysAgo(days))).toBe(text));
