import { readAmount, readDuration, takeChain } from './parseAmount';
import { readPace } from './parsePace';
import type { Reader } from './reader';
import { MANNERS, type Amount, type Manner, type Recovery } from './session';

/*
 *   recovery = ( duration [ "-" duration ] | distance | "equal" | "half" | NUM "%" | "ready" ) [ manner [ "@" pace ] ]
 *
 * Read as well: `with`, `w/`, `off` and `rest` for the stroke, brackets round it, the manner first (jog 200), walk back and jog back, a ratio
 * (1:1), a range with its unit once (30-45s), and “rest”, “recovery” or “between” behind it.
 */

/** What a recovery begins with, beside the stroke. */
const INTRO = /(?:(?:with|w(?=\s)|off|rest(?:ing)?|rec(?:over(?:y|ies)?)?)\b|w\/|r(?=\s*[:=]?\s*\d))\s*[:=]?/iy;
const MANNER =
  /(?:(?:easy|slow|gentle|active|light)\s+)?(stand|walk|jog|moving|float|static|keep moving)(?:ing|ging)?\b/iy;
const EITHER = /(?:walk\s*(?:\/|or)\s*jog|jog\s*(?:\/|or)\s*walk)(?:ing)?\b/iy;
const FILLER =
  /(?:an?|of|for|the|full|complete|passive|rest|recover(?:y|ies)|rec|break|off|in|after|each|between|rep|reps|set|sets|lap|laps|one)\b/iy;
const READY = /(?:(?:when\s+)?ready|(?:full|complete)\s+(?:rest|recover(?:y|ies)|walks?)|on feel|as needed)\b/iy;

/** An amount that says itself that it is a rest. */
const AMOUNT = String.raw`\d[\d:.,]*(?:\s*[-–]\s*\d[\d:.]*)?\s*(?:s|secs?|seconds?|min|mins|minutes?|m|metres?|meters?|k|kms?|mi|miles?|['′’"″]|laps?)?`;
const SELF_SAID = new RegExp(
  String.raw`(?=${AMOUNT}\s*(?:(?:easy|slow|gentle|light|of)\s+)?(?:rest|recover(?:y|ies)|rec|stand(?:ing)?|walk(?:ing)?|jog(?:ging)?|float|off|between|break)\b)`,
  'iy',
);
const MANNER_FIRST = /(?=(?:(?:easy|slow|gentle)\s+)?(?:walk|jog|float|stand|keep moving)(?:ing|ging)?\b)/iy;
const IN_BRACKETS =
  /[([](?=[^()[\]\n]*[)\]])(?=\s*(?:\d|(?:easy\s+|slow\s+)?(?:walk|jog|float|stand|rest|rec|equal|half|with)\b))/iy;

export type ReadRecovery = {
  recovery: Recovery;
  /** It says that it is the rest between sets. */
  isBetweenSets: boolean;
};

function mannerOf(r: Reader): Manner | undefined {
  if (!r.seesLetter()) return undefined;
  if (r.takeGenerously(EITHER)) return 'moving';
  const start = r.at;
  const word = r.take(MANNER)?.[1]?.toLowerCase();
  if (word === undefined) return undefined;
  const written = r.text.slice(start, r.at).trim().toLowerCase();
  if (written !== word || word === 'static') r.generous();
  if (word === 'static') return 'stand';
  if (word === 'keep moving') return 'moving';
  return MANNERS.find((manner) => manner === word);
}

/** A recovery that only says how quick it is: `1k steady`. Of a pace that is a float nothing is taken. */
function mannerAtPace(r: Reader): Manner | undefined {
  if (r.takeGenerously(/easy\b/iy)) return 'jog';
  if (!r.sees(/@?\s*(?:steady|marathon|MP)\b/iy)) return undefined;
  r.generous();
  return 'float';
}

/** Takes words that say nothing more, and says whether they named the sets. */
function takeFiller(r: Reader): boolean {
  let isBetweenSets = false;
  if (!r.seesLetter()) return false;
  for (let filler = r.takeGenerously(FILLER); filler; filler = r.takeGenerously(FILLER))
    if (/^sets?$/i.test(filler[0].trim())) isBetweenSets = true;
  return isBetweenSets;
}

/** Bare numbers that are metres: laps and parts of them. */
const isUsualDistance = (bare: number) => bare >= 100 && bare % 50 === 0;

/** A number with nothing to say what it counts: metres where that is a usual jog, else it is asked. */
function readBare(r: Reader, isTime: boolean): Recovery['amount'] | undefined {
  r.skipSpace();
  const start = r.at;
  const bare = r.take(
    /\d+(?![\w.:%'′’"″])(?!\s*(?:[-–—]\s*\d|s\b|sec|min|m\b|met|k\b|km|mi|h\b|lap|h(?:ou)?rs?\b))/iy,
  )?.[0];
  if (bare === undefined) return undefined;
  const value = Number(bare);
  if (isTime && value >= 10) {
    r.generous();
    return { kind: 'time', minS: value, maxS: value };
  }
  if (isUsualDistance(value)) {
    r.generous();
    r.at = start;
    return undefined;
  }
  const answers =
    value < 10
      ? [{ label: `${bare} minutes`, by: `${bare}min` }]
      : [
          { label: `${bare} seconds`, by: `${bare}s` },
          { label: `${bare} metres`, by: `${bare}m` },
        ];
  if (value < 50) r.refuse(`${bare} what? Write ${bare}s, ${bare}min, ${bare}m or ${bare}km.`, start, answers);
  else r.ask(`${bare} seconds or ${bare} metres?`, { from: start, to: r.at }, answers);
  return { kind: 'distance', distanceM: value };
}

const timeOf = (amount: Amount): Recovery['amount'] =>
  amount.kind === 'duration'
    ? { kind: 'time', minS: amount.leastS ?? amount.durationS, maxS: amount.durationS }
    : { kind: 'distance', distanceM: amount.distanceM, ...(amount.unit ? { unit: amount.unit } : {}) };

function readRecoveryAmount(r: Reader, isTime: boolean): Recovery['amount'] {
  const word = r.take(/(equal|half)\b/iy)?.[1]?.toLowerCase();
  if (word === 'equal' || word === 'half') return { kind: word };
  if (r.takeGenerously(/(?:same|equal)(?:\s+(?:time|distance))?\b/iy)) return { kind: 'equal' };
  if (r.take(/ready\b/iy) ?? r.takeGenerously(READY)) return { kind: 'ready' };
  const ratio = r.takeGenerously(/(\d):(\d)(?![\d:])/y);
  if (ratio) {
    const share = Number(ratio[2]) / Number(ratio[1]);
    if (!(share > 0 && share <= 10)) r.refuse('A ratio goes from 1:1 to 1:9.', ratio.index);
    return share === 1
      ? { kind: 'equal' }
      : share === 0.5
        ? { kind: 'half' }
        : { kind: 'share', percent: Math.round(share * 100) };
  }
  const share = r.take(/(\d+(?:\.\d+)?)\s*%/y);
  if (share) {
    const percent = Number(share[1]);
    if (!(percent > 0 && percent <= 1000)) r.refuse('A recovery is between 1 % and 1000 % of the rep.', share.index);
    return { kind: 'share', percent };
  }
  if (!r.sees(/\d|mile\b|lap\b/iy))
    r.fail('A recovery is expected here, as in 90s, 2:30 walk, 200m jog, equal, half or ready.');
  const start = r.at;
  const bare = readBare(r, isTime);
  if (bare) return bare;
  const chain = takeChain(r);
  if (chain && 'range' in chain) return timeOf(chain.range);
  if (chain) {
    const [longest, shortest] = chain.ladder;
    if (longest?.kind === 'duration' && shortest?.kind === 'duration' && chain.ladder.length === 2)
      r.refuse('The shorter recovery comes first, as in 60s-90s.', start);
    else r.fail('A recovery is one length, or a range as in 60s-90s.', start, r.at);
  }
  const amount = chain ? (chain.ladder[0] as Amount) : readAmount(r);
  if (amount.kind === 'distance') return timeOf(amount);
  const { durationS } = amount;
  if (!r.take(/[-–—]/y)) return { kind: 'time', minS: durationS, maxS: durationS };
  const maxS = readDuration(r);
  if (maxS < durationS) r.refuse('The shorter recovery comes first, as in 60s-90s.', start);
  return { kind: 'time', minS: durationS, maxS };
}

/** Walking or jogging back is as long as the rep, where that has one length. */
function backAfter(manner: Manner, amounts: readonly Amount[]): Recovery {
  const [amount, ...others] = amounts;
  if (manner === 'walk' && amount?.kind === 'distance' && others.length === 0)
    return { amount: { kind: 'distance', distanceM: amount.distanceM }, manner };
  return { amount: { kind: 'equal' }, manner };
}

/** Reads a recovery, its sign taken already. @param isTime a bare number behind the word that stood for the sign is seconds. */
function readAfterSign(r: Reader, amounts: readonly Amount[], isTime: boolean): ReadRecovery {
  r.skipSpace();
  const start = r.at;
  if (!r.sees(READY)) takeFiller(r);
  const first = r.sees(READY) ? undefined : mannerOf(r);
  if (first) r.generous();
  let recovery: Recovery;
  if (first && r.takeGenerously(/(?:back(?:\s+down)?|down)\b/iy)) recovery = backAfter(first, amounts);
  else {
    if (!r.sees(READY)) takeFiller(r);
    if (first && !r.sees(/\d|equal|same|half|mile|lap/iy) && !r.sees(READY))
      r.fail(`How long is the ${first}? Write it like 90s ${first}, or equal ${first}.`, start, r.at, [
        { label: 'As long as the rep', by: `equal ${first}` },
        { label: '90 s', by: `90s ${first}` },
      ]);
    recovery = { amount: readRecoveryAmount(r, isTime), ...(first ? { manner: first } : {}) };
  }
  const isBefore = takeFiller(r);
  const manner = first ?? mannerOf(r) ?? mannerAtPace(r);
  if (manner) recovery = { ...recovery, manner };
  if (r.seesLetter()) r.takeGenerously(/back\b/iy);
  const isAfter = takeFiller(r);
  r.mark('recovery', start);
  if (manner === 'float') {
    const isPace = r.take(/@/y) ?? r.takeGenerously(/at\b/iy) ?? r.takeGenerously(/(?=(?:steady|marathon|MP)\b)/iy);
    if (isPace) recovery.pace = readPace(r);
  }
  return { recovery, isBetweenSets: isBefore || isAfter };
}

const LEADS_TO_ONE =
  /(?:\d|(?:mile|lap|equal|same|half|an?|of|full|complete|passive|rest|recover(?:y|ies))\b|the\b(?!\s+(?:last|first|final)))/iy;

/** True if what stands here, behind “with”, is a recovery or could be one. */
const leadsToRecovery = (r: Reader): boolean =>
  r.isAtStop() || r.sees(LEADS_TO_ONE) || r.sees(READY) || r.sees(MANNER) || r.sees(EITHER);

/** True if a recovery begins here, with a sign or a word of its own. */
export const seesRecovery = (r: Reader): boolean =>
  r.sees(/\//y) || r.sees(INTRO) || r.sees(MANNER_FIRST) || r.sees(SELF_SAID);

/** Reads a recovery if one stands here; nothing is taken where there is none. @param amounts of the rep it follows. */
export function takeRecovery(r: Reader, amounts: readonly Amount[]): ReadRecovery | undefined {
  if (r.take(/\//y)) return readAfterSign(r, amounts, false);
  if (r.isAtStop()) return undefined;
  if (r.takeGenerously(IN_BRACKETS)) {
    r.take(INTRO);
    const read = readAfterSign(r, amounts, false);
    if (!r.take(/[)\]]/y)) r.fail('This bracket is not closed where its recovery ends.');
    return read;
  }
  // A dash with a rest behind it: `6x400 @5k - 60s jog`.
  if (r.sees(/[-–—−]/y)) {
    const start = r.at;
    r.take(/[-–—−]/y);
    if (!r.sees(MANNER_FIRST) && !r.sees(SELF_SAID)) r.at = start;
  }
  r.skipSpace();
  const from = r.at;
  const intro = r.takeGenerously(INTRO);
  if (intro && /^w/i.test(intro[0]) && r.sees(/\d+\s*[x×*]|(?:\d+\s+)?strides?\b|drills\b/iy)) {
    const word = intro[0].trim();
    r.fail(
      `“${word}” stands before a recovery. Reps that come within or behind this are items of their own.`,
      from,
      r.at,
      [{ label: 'They come behind it', by: ',' }],
    );
  }
  // `w/ the last one fast`: a note, and no recovery.
  if (intro && /^w/i.test(intro[0]) && !leadsToRecovery(r)) {
    r.at = from;
    return undefined;
  }
  if (intro) return readAfterSign(r, amounts, !/^w/i.test(intro[0]));
  if (r.sees(MANNER_FIRST) || r.sees(SELF_SAID)) {
    r.generous();
    return readAfterSign(r, amounts, false);
  }
  return undefined;
}

const REST_WORD =
  /(?:rest|recover(?:y)?|walk|stand|r\s*[=:]?\s*(?=\d)|(?:equal|half)\s+(?:jog|walk|float|rest|recovery)|(?:jog|float)(?:ging|ing)?\s+(?:back|down))\b/iy;
const REST_ANYWHERE = /rest|recover|walk|stand|break|between|off|jog|float|r\s*[=:]?\s*\d/i;
const REST_BEHIND = new RegExp(
  String.raw`(?=${AMOUNT}\s*(?:rest|recover(?:y)?|walk(?:ing)?|stand(?:ing)?|break|(?:easy\s+|jog\s+)?between|off(?!\s*\d)|(?:easy |slow )?jog(?:ging)?\s+(?:rest|rec|recovery))\b)`,
  'iy',
);

/** True if what stands here, on its own, is a rest and no running. */
export const seesRest = (r: Reader): boolean =>
  r.has(REST_ANYWHERE) && (r.seesLetter() ? r.sees(REST_WORD) : r.sees(REST_BEHIND));
