import { editDistance } from '../units/closestNames';

/** A name without accents, capitals, signs and doubled spaces: for finding the same person written differently. */
export const plainName = (name: string) =>
  name
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^\p{L}\p{N} ]/gu, ' ')
    .trim()
    .replace(/\s+/g, ' ');

/** The same for names that differ only in accents, capitals, signs, spaces, and the order of their words. */
export const nameKey = (name: string) => plainName(name).split(' ').sort().join(' ');

/** True if two different names may well be one person's: one or two letters apart, or one the other with words left out. */
export function isLikelyName(a: string, b: string): boolean {
  const [x, y] = [plainName(a), plainName(b)];
  const [p, q] = [nameKey(a), nameKey(b)];
  if (x === '' || y === '' || p === q) return false;
  const most = Math.min(x.length, y.length) < 8 ? 1 : 2;
  if (Math.abs(x.length - y.length) <= most && editDistance(p, q) <= most) return true;
  const [few, many] = x.length < y.length ? [x, y] : [y, x];
  const words = many.split(' ');
  return few.includes(' ') && few.split(' ').every((word) => words.includes(word));
}
