import { countBehind } from './parseCount';
import { readAmount, takeChain } from './parseAmount';
import { readRepPace, takeNameInBrackets } from './parsePace';
import { takePaceInBrackets } from './parsePaceTime';
import { seesRecovery } from './parseRecovery';
import type { Reader, Span } from './reader';
import type { Count, Rep } from './session';

/*
 *   rep  = amounts [ "free" ] [ "hill" ] [ paces ] [ note ]
 *   note = '"' text '"'
 *
 * Read as well: `400 x 6`, `fartlek` for free, a note in brackets or before the pace, a pace in brackets.
 */

const STROKES_ANYWHERE = /\d\s*m?\s*\/\s*\d+m?\s*\/\s*\d/i;
const NUMBERS_IN_A_ROW = /\d{3,4}\s+\d{3,4}\s+\d{3,4}|\dm?\+\d/i;
const SMALL_LADDER_ANYWHERE = /(?:^|\D)\d{1,2}\s*-\s*\d{1,2}\s*-\s*\d{1,2}(?!\d)/;
const ON_AND_OFF_ANYWHERE = /(?:^|\D)\d\d\s*[/-]\s*\d\d(?!\d)/;

/** Reads a note if one stands here. */
export function readNote(r: Reader): string | undefined {
  r.skipSpace();
  const start = r.at;
  const note =
    r.take(/"([^"\n]*)"/y) ?? r.takeGenerously(/[“„]([^”“"\n]*)[”“]/y) ?? r.takeGenerously(/\(([a-z][^()"@\n]*)\)/iy);
  if (!note && r.sees(/"/y)) r.fail('This note has no closing quote mark.', start, r.end);
  r.mark('note', start);
  return note?.[1]?.trim().replace(/\s+/g, ' ');
}

/** A ladder with a time at its end, where the numbers before it could be metres or that too. */
function askAboutUnits(r: Reader, span: Span): void {
  const written = r.text.slice(span.from, span.to);
  const match = /^(\d+(?:\s*[-–—]\s*\d+)+)\s*(?:s|secs?|seconds?)$/i.exec(written.trim());
  const numbers = match?.[1]?.split(/\s*[-–—]\s*/);
  if (!numbers) return;
  r.ask('Are all of these seconds, or metres?', span, [
    { label: 'Seconds', by: numbers.map((number) => `${number}s`).join('-') },
    { label: 'Metres', by: numbers.map((number) => `${number}m`).join('-') },
  ]);
}

function readAmounts(r: Reader): Pick<Rep, 'amounts' | 'sequence'> {
  r.skipSpace();
  const start = r.at;
  const chain = takeChain(r);
  if (chain) {
    r.mark('amount', start);
    return { amounts: 'range' in chain ? [chain.range] : chain.ladder, sequence: 'ladder' };
  }
  const amounts = [readAmount(r)];
  const stroke = r.take(/[-–—|]/y)?.[0];
  if (stroke) {
    if (stroke === '–' || stroke === '—') r.generous();
    const more = stroke === '|' ? /\|/y : /[-–—]/y;
    do amounts.push(readAmount(r));
    while (r.take(more));
    if (r.sees(/[-–—|]/y)) r.fail('A ladder is written with “-” and a cut-down with “|”, not both in one item.');
    askAboutUnits(r, { from: start, to: r.at });
  }
  r.mark('amount', start);
  return { amounts, sequence: stroke === '|' ? 'cutDown' : 'ladder' };
}

/** Words for how hard that are no pace: what they may come to. */
function refuseVagueEffort(r: Reader): void {
  if (!r.seesLetter()) return;
  const start = r.at;
  const word = r.take(/(hard|fast|quick|strong|brisk|moderate)\b/iy)?.[1];
  if (word === undefined) return;
  r.fail(`How ${word}? Write a pace or an effort, as in @5k or @effort 8.`, start, r.at, [
    { label: 'Effort 8', by: '@effort 8' },
    { label: '5k pace', by: '@5k' },
  ]);
}

/** Lengths with strokes, signs or only spaces between them: what they may be. */
function refuseLadder(r: Reader): void {
  r.skipSpace();
  const start = r.at;
  const small = r.has(SMALL_LADDER_ANYWHERE) && r.take(/\d{1,2}(?:\s*-\s*\d{1,2}){2,}(?!\s*[\w:.'"′″’”%-])/y)?.[0];
  if (small) {
    const numbers = small.split(/\s*-\s*/);
    r.fail(`${numbers.join('-')} of what? Write the unit behind them, as in ${numbers.join('-')}min.`, start, r.at, [
      { label: 'Minutes', by: `${numbers.join('-')}min` },
      Math.max(...numbers.map(Number)) < 15
        ? { label: 'Kilometres', by: `${numbers.join('-')}km` }
        : { label: 'Seconds', by: numbers.map((number) => `${number}s`).join('-') },
    ]);
  }
  const strokes = r.has(STROKES_ANYWHERE) && r.take(/\d+m?(?:\s*\/\s*\d+m?){2,}(?![\w:])/iy)?.[0];
  if (strokes)
    r.fail('A ladder is written with “-”: the stroke stands before a recovery.', start, r.at, [
      { label: 'A ladder', by: strokes.replace(/\s*\/\s*/g, '-') },
    ]);
  const row =
    r.has(NUMBERS_IN_A_ROW) && r.take(/\d{3,4}m?(?:\s+\d{3,4}m?){2,}(?![\w:])|\d+m?(?:\+\d+m?)+(?![\w:])/iy)?.[0];
  if (row)
    r.fail('A ladder is written with “-” between its lengths.', start, r.at, [
      { label: 'A ladder', by: row.replace(/[\s+]+/g, '-') },
    ]);
  const halves = r.has(ON_AND_OFF_ANYWHERE) && r.take(/([1-4]\d)\s*[/-]\s*(\d\d)(?!\s*[\w:.%'"′″’”-])/y);
  if (halves)
    r.fail(
      `${halves[1]} and ${halves[2]} of what? Write the units, as in ${halves[1]}s / ${halves[2]}s jog.`,
      start,
      r.at,
      [
        { label: `${halves[1]} s, then ${halves[2]} s jog`, by: `${halves[1]}s / ${halves[2]}s jog` },
        { label: `${halves[1]} s, then ${halves[2]} s rest`, by: `${halves[1]}s / ${halves[2]}s` },
      ],
    );
}

/** Reads a rep, and the count that stands behind its amounts. */
export function readRep(r: Reader): { body: Rep; count?: Count | undefined } {
  r.takeGenerously(/(?:about|around|approx\.?|roughly|ca\.?|~)\s*(?=\d)/iy);
  // `8x hill 60s`, `8 x hill sprints of 10s`.
  const isHillFirst =
    r.seesLetter() && r.takeGenerously(/hills?\b(?:\s+(?:reps?|sprints?))?(?:\s+(?:of|for|over))?(?=\s*\d)/iy);
  refuseLadder(r);
  const rep: Rep = { kind: 'rep', ...readAmounts(r), free: false };
  if (isHillFirst) rep.hill = true;
  let isProgression = false;
  let count = countBehind(r);
  while (r.seesLetter()) {
    if (r.take(/free\b/iy) ?? r.takeGenerously(/fartlek\b/iy)) rep.free = true;
    else if (
      r.take(/hill\b/iy) ??
      r.takeGenerously(
        /(?:up(?:hill)?|(?:(?:steep|gentle|short|long)\s+)?hills?(?:\s+(?:reps?|sprints?))?|on a hill)\b/iy,
      )
    )
      rep.hill = true;
    else if (
      !r.takeGenerously(
        /(?:reps?|sprints?(?=\s*@)|of|run(?:ning)?|on(?!\s*\d)|on(?=[^,/]*\b(?:off|easy|jog|rest|walk)))\b(?=\s*\S)/iy,
      )
    ) {
      if (!r.takeGenerously(/progress(?:ion|ive)\b(?:\s+run)?/iy)) break;
      isProgression = true;
    }
    count ??= countBehind(r);
  }
  const inBrackets = takeNameInBrackets(r);
  const before = r.sees(/\((?!in\b|at\b)[a-z]|["“„]/iy) ? readNote(r) : undefined;
  refuseVagueEffort(r);
  const pace = inBrackets ?? readRepPace(r, rep.amounts) ?? takePaceInBrackets(r, rep.amounts, seesRecovery);
  if (pace && before !== undefined) r.generous();
  if (pace) rep.pace = pace;
  else if (isProgression)
    r.fail('From which pace to which? Write it like @easy>tempo.', r.at, r.at + 1, [
      { label: 'Easy to tempo', by: ' @easy>tempo' },
      { label: 'Steady to threshold', by: ' @steady>threshold' },
    ]);
  if (!rep.hill && r.seesLetter() && r.take(/hill\b/iy)) {
    rep.hill = true;
    r.generous();
  }
  const note = readNote(r) ?? before;
  if (note !== undefined) rep.note = note;
  return { body: rep, count };
}
