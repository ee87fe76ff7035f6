import { checkPaceBook } from '@core/paces/checkPaceBook';
import type { PaceBasis, PaceBook, PaceEntry } from '@core/paces/paceBook';
import { formatDistance, parseDistance } from '@core/units/distance';
import { formatTime, parseTime } from '@core/units/time';
import type { Problems, Read } from '../../ui/form/useReadForm';

/** An entry of the book as typed: text until it is read. */
export type EntryFields = {
  name: string;
  short: string;
  tolerance: string;
  kind: PaceBasis['kind'];
  distance: string;
  duration: string;
  of: string;
  share: string;
  /** Never quicker than this share of that pace; no percentage, no limit. */
  mostShare: string;
  mostOf: string;
  offset: string;
  per: string;
  effort: string;
};

const BLANK: Omit<EntryFields, 'name' | 'short' | 'tolerance' | 'kind'> = {
  distance: '5k',
  duration: '60:00',
  of: 'threshold',
  share: '97',
  mostShare: '',
  mostOf: 'steady',
  offset: '10',
  per: '1000',
  effort: '7',
};

/** Percent as a coach writes it: `1`, `1.5`. */
const percent = (share: number) => String(Math.round(share * 1000) / 10);

export function toEntryFields({ name, short, tolerance, basis }: PaceEntry): EntryFields {
  const fields: EntryFields = { ...BLANK, name, short, tolerance: percent(tolerance), kind: basis.kind };
  switch (basis.kind) {
    case 'race':
      return { ...fields, distance: formatDistance(basis.distanceM) };
    case 'held':
      return { ...fields, duration: formatTime(basis.durationS, 0, 0) };
    case 'share':
      return {
        ...fields,
        of: basis.of,
        share: percent(basis.share),
        ...(basis.atMost ? { mostOf: basis.atMost.of, mostShare: percent(basis.atMost.share) } : {}),
      };
    case 'offset':
      return { ...fields, of: basis.of, offset: String(basis.offsetS), per: String(basis.perM) };
    case 'effort':
      return { ...fields, effort: String(basis.effort) };
  }
}

/** A number within bounds, or undefined. A comma is a decimal point, a long dash a minus. */
function numberIn(text: string, min: number, max: number): number | undefined {
  const typed = text.trim().replace(',', '.').replace('−', '-');
  const value = /^[+-]?\d+(\.\d+)?$/.test(typed) ? Number(typed) : Number.NaN;
  return value >= min && value <= max ? value : undefined;
}

const notAShare = (typed: string) => `“${typed}” is not a share. Write a percentage from 20 to 200, like 97.`;
const wrong = (problems: Problems) => ({ ok: false as const, problems });

function readBasis(fields: EntryFields): Read<PaceBasis> {
  switch (fields.kind) {
    case 'race': {
      const read = parseDistance(fields.distance);
      return read.ok
        ? { ok: true, value: { kind: 'race', distanceM: read.distanceM } }
        : wrong({ distance: read.message });
    }
    case 'held': {
      const read = parseTime(fields.duration);
      if (!read.ok) return wrong({ duration: read.message });
      if (read.timeS < 10 || read.timeS > 36_000)
        return wrong({ duration: 'A pace is held for between 10 seconds and 10 hours.' });
      return { ok: true, value: { kind: 'held', durationS: read.timeS } };
    }
    case 'share': {
      const share = numberIn(fields.share, 20, 200);
      const hasMost = fields.mostShare.trim() !== '';
      const most = hasMost ? numberIn(fields.mostShare, 20, 200) : undefined;
      const isMostWrong = hasMost && most === undefined;
      if (share === undefined || isMostWrong)
        return wrong({
          ...(share === undefined ? { share: notAShare(fields.share) } : {}),
          ...(isMostWrong ? { mostShare: notAShare(fields.mostShare) } : {}),
        });
      const basis = { kind: 'share' as const, of: fields.of, share: share / 100 };
      return {
        ok: true,
        value: most === undefined ? basis : { ...basis, atMost: { of: fields.mostOf, share: most / 100 } },
      };
    }
    case 'offset': {
      const offsetS = numberIn(fields.offset, -120, 600);
      const perM = numberIn(fields.per, 100, 2000);
      if (offsetS === undefined || perM === undefined)
        return wrong({
          ...(offsetS === undefined ? { offset: 'Write seconds from −120 to 600.' } : {}),
          ...(perM === undefined ? { per: 'Write metres from 100 to 2000.' } : {}),
        });
      return { ok: true, value: { kind: 'offset', of: fields.of, offsetS, perM } };
    }
    case 'effort': {
      const effort = numberIn(fields.effort, 1, 10);
      return effort === undefined
        ? wrong({ effort: `“${fields.effort}” is not an effort. Write a number from 1 to 10.` })
        : { ok: true, value: { kind: 'effort', effort } };
    }
  }
}

/** A typed entry read out, or all that is wrong with it. */
export function readEntry(fields: EntryFields): Read<PaceEntry> {
  const basis = readBasis(fields);
  const tolerance = numberIn(fields.tolerance, 0, 20);
  const short = fields.short.trim();
  const isShort = short !== '' && short.length <= 4;
  if (basis.ok && tolerance !== undefined && isShort)
    return {
      ok: true,
      value: { name: fields.name.trim().toLowerCase(), short, tolerance: tolerance / 100, basis: basis.value },
    };
  return wrong({
    ...(isShort ? {} : { short: 'A short name has 1 to 4 characters.' }),
    ...(tolerance === undefined
      ? { tolerance: `“${fields.tolerance}” is not a tolerance. Write a percentage from 0 to 20, like 1.` }
      : {}),
    ...(basis.ok ? {} : basis.problems),
  });
}

/** The book with an entry changed, added (index past the end) or taken out (no entry), and what is then wrong with it. */
export function withEntry(
  book: PaceBook,
  index: number,
  entry: PaceEntry | undefined,
): { book: PaceBook; problem?: string } {
  const entries = [...book.entries];
  if (entry) entries[index] = entry;
  else entries.splice(index, 1);
  const next = { ...book, entries };
  const problems = checkPaceBook(next);
  const [first] = problems.filter((problem) => problem.index === index).concat(problems);
  return first ? { book: next, problem: first.message } : { book: next };
}

/** A copy to be changed. */
export const copyOf = (book: PaceBook, id: string, taken: readonly string[]): PaceBook => {
  const names = [`${book.name}, my own`, ...Array.from({ length: 50 }, (_, i) => `${book.name}, my own ${i + 2}`)];
  const name = names.find((candidate) => !taken.includes(candidate)) ?? book.name;
  return { ...book, id, name: name.slice(0, 60) };
};
