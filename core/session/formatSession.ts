import { MILE_M } from '../units/distance';
import { formatTime } from '../units/time';
import type { Amount, Count, Item, Line, Pace, Recovery, Rep, RepPace, SessionTree } from './session';

/** A number without a tail of zeros: 74, 2.5. */
const plain = (value: number) => String(Math.round(value * 1000) / 1000);

/** `400`, `30m`, `1.5mi`: a bare whole number of 50 or more is metres. */
function formatMetres(distanceM: number, unit?: 'mi'): string {
  if (unit === 'mi') return `${plain(distanceM / MILE_M)}mi`;
  return Number.isInteger(distanceM) && distanceM >= 50 ? String(distanceM) : `${plain(distanceM)}m`;
}

/** `90s`, `2:30`, `20min`: short times in seconds, whole minutes from ten up in minutes. */
export function formatDuration(durationS: number): string {
  if (durationS < 100 || !Number.isInteger(durationS)) return `${plain(durationS)}s`;
  if (durationS >= 600 && durationS < 3600 && durationS % 60 === 0) return `${durationS / 60}min`;
  return formatTime(durationS);
}

/** A range with its unit once at the end: `30-45s`, `5-6min`, `4-6mi`, `2-3km`. */
function formatRange(amount: Amount): string | undefined {
  if (amount.kind === 'distance') {
    if (amount.leastM === undefined) return undefined;
    const [per, unit] = amount.unit === 'mi' ? [MILE_M, 'mi'] : [1000, 'km'];
    return `${plain(amount.leastM / per)}-${plain(amount.distanceM / per)}${unit}`;
  }
  const { leastS, durationS } = amount;
  if (leastS === undefined) return undefined;
  const isMinutes = leastS % 30 === 0 && durationS % 30 === 0 && durationS >= 120;
  return isMinutes ? `${plain(leastS / 60)}-${plain(durationS / 60)}min` : `${plain(leastS)}-${plain(durationS)}s`;
}

export function formatAmount(amount: Amount): string {
  const range = formatRange(amount);
  if (range !== undefined) return range;
  return amount.kind === 'distance' ? formatMetres(amount.distanceM, amount.unit) : formatDuration(amount.durationS);
}

/** `400`, `km`, `mi`: what a pace or an offset is counted over. */
function formatPer(perM: number): string {
  if (perM === 1000) return 'km';
  if (Math.abs(perM - MILE_M) < 0.001) return 'mi';
  return formatMetres(perM);
}

/** A pace as it is written after the `@`: `5k`, `goal 5k`, `5k-1.5s/400`, `95% 10k`, `74/400`, `effort 6-8`. */
export function formatPace(pace: Pace): string {
  switch (pace.kind) {
    case 'named': {
      const { offset } = pace;
      const moved = offset
        ? `${offset.offsetS < 0 ? '-' : '+'}${plain(Math.abs(offset.offsetS))}s/${formatPer(offset.perM)}`
        : '';
      return `${pace.goal ? 'goal ' : ''}${pace.name}${moved}`;
    }
    case 'share':
      return `${plain(pace.percent)}% ${pace.name}`;
    case 'absolute': {
      const decimals = Number.isInteger(pace.timeS) ? 0 : Number.isInteger(Math.round(pace.timeS * 1000) / 100) ? 1 : 2;
      return `${formatTime(pace.timeS, decimals, 100)}/${formatPer(pace.perM)}`;
    }
    case 'effort':
      return pace.min === pace.max ? `effort ${plain(pace.min)}` : `effort ${plain(pace.min)}-${plain(pace.max)}`;
  }
}

/** `5k`, `5k>goal 5k`, `70-72/400` or `10k..half`. */
export function formatRepPace(pace: RepPace): string {
  const { from, band } = pace;
  if (band?.kind === 'absolute' && from.kind === 'absolute' && band.perM === from.perM)
    return formatPace(from).replace('/', `-${formatPace(band)}`.replace(/\/.*$/, '/'));
  if (band) return `${formatPace(from)}..${formatPace(band)}`;
  return pace.to ? `${formatPace(pace.from)}>${formatPace(pace.to)}` : formatPace(pace.from);
}

/** `90s walk`, `200m jog`, `equal`, `80% float @easy`. */
export function formatRecovery(recovery: Recovery): string {
  const { amount, manner, pace } = recovery;
  const parts: string[] = [];
  switch (amount.kind) {
    case 'time':
      parts.push(
        amount.minS === amount.maxS
          ? formatDuration(amount.minS)
          : `${formatDuration(amount.minS)}-${formatDuration(amount.maxS)}`,
      );
      break;
    case 'distance':
      // Always with its unit: a bare number after the stroke would read like a pace.
      parts.push(amount.unit === 'mi' ? formatMetres(amount.distanceM, 'mi') : `${plain(amount.distanceM)}m`);
      break;
    case 'share':
      parts.push(`${plain(amount.percent)}%`);
      break;
    default:
      parts.push(amount.kind);
  }
  if (manner) parts.push(manner);
  if (pace) parts.push(`@${formatPace(pace)}`);
  return parts.join(' ');
}

function formatCount(count: Count): string {
  switch (count.kind) {
    case 'fixed':
      return count.n === 1 ? '' : `${count.n}x`;
    case 'range':
      return `${count.min}-${count.max}x`;
    case 'open':
      return 'open x ';
  }
}

const formatNote = (note: string | undefined) => (note === undefined ? [] : [`"${note}"`]);

/** Of a range the most, for a ladder: that has no ranges in it. */
const withoutRange = (amount: Amount): Amount =>
  amount.kind === 'distance' ? { ...amount, leastM: undefined } : { ...amount, leastS: undefined };

/** In a ladder of unlike amounts metres are said to be metres: `50-60s` is a range. */
function formatAmounts(rep: Rep): string {
  const { sequence } = rep;
  const amounts = rep.amounts.length > 1 ? rep.amounts.map(withoutRange) : rep.amounts;
  const isMetres = (amount: Amount) => amount.kind === 'distance' && !amount.unit && amount.leastM === undefined;
  const areAlike = amounts.length < 2 || amounts.every(isMetres);
  const texts = amounts.map((amount) =>
    !areAlike && amount.kind === 'distance' && isMetres(amount) ? `${plain(amount.distanceM)}m` : formatAmount(amount),
  );
  return texts.join(sequence === 'ladder' ? '-' : '|');
}

function formatRep(rep: Rep): string {
  const amounts = formatAmounts(rep);
  const pace = rep.pace ? [`@${formatRepPace(rep.pace)}`] : [];
  return [amounts, ...(rep.free ? ['free'] : []), ...(rep.hill ? ['hill'] : []), ...pace, ...formatNote(rep.note)].join(
    ' ',
  );
}

/** One item as it stands in its line: `6x400 @5k / 90s`. */
export function formatItem(item: Item): string {
  const { body } = item;
  let text: string;
  if (body.kind === 'set') text = `(${body.items.map(formatItem).join(', ')})`;
  else if (body.kind === 'drills') text = ['drills', ...formatNote(body.note)].join(' ');
  else text = formatRep(body);
  const recovery = item.recovery ? ` / ${formatRecovery(item.recovery)}` : '';
  return `${formatCount(item.count)}${text}${recovery}`;
}

/** One line with what it is for: `main: 6x400 @5k / 90s`. */
export const formatLine = (line: Line) => `${line.role}: ${line.items.map(formatItem).join(', ')}`;

/** Prints a session in the one canonical form of the shorthand; parsing it gives the same tree again. */
export function formatSession(session: SessionTree): string {
  return session.lines.map(formatLine).join('\n');
}
