/** What stands where the grammar has no place for it: what it may have been. */
import { BARE_PACE } from './paceWords';
import { seesRest } from './parseRecovery';
import type { Rewrite, Problem, Reader } from './reader';
import type { Item } from './session';

type Body = Item['body'];

/** Takes words up to what the grammar knows: to be kept as a note. */
function takeWords(r: Reader): string | undefined {
  r.skipSpace();
  const start = r.at;
  while (r.seesLetter() && !r.sees(r.paces.pattern) && !r.sees(BARE_PACE) && !seesRest(r)) {
    if (!r.take(/w\/|[a-z][a-z'’-]*(?![\w"“])\.?/iy)) break;
  }
  const words = r.text.slice(start, r.at).trim();
  return words === '' ? undefined : words;
}

/** Ways to write what follows an item without its sign so that it can be read. */
function answersFor(r: Reader, word: string, item: Item | undefined): Rewrite[] {
  if (r.sees(r.paces.pattern)) return [{ label: `At ${word} pace`, by: `@${word}` }];
  const rep = item?.body.kind === 'rep' ? item.body : undefined;
  if (/^\d[\d:.]*(?:s|sec|secs|min|mins|'|")?$/i.test(word)) {
    const isEach = rep && !rep.pace && rep.amounts[0]?.kind === 'distance';
    return [
      ...(isEach ? [{ label: `Each in ${word}`, by: `@${word}` }] : []),
      { label: `${word} recovery`, by: `/ ${word}` },
      { label: `Another item: ${word}`, by: `, ${word}` },
    ];
  }
  return [];
}

/** What follows an item right away without its sign: what it may have been. */
export function failUnexpected(r: Reader, item: Item | undefined): never {
  const start = r.at;
  const every = r.take(/(?:leaving\s+)?(?:every|on)\s+(\d+:\d\d|\d+\s*min(?:s|utes?)?)(?![\w:])/iy)?.[1];
  if (every !== undefined)
    r.fail(`A start every ${every} cannot be written: write the rest behind each rep, as in / 90s.`, start, r.at);
  const word = r.word();
  const answers = answersFor(r, word, item);
  const body = item?.body;
  const words =
    answers.length === 0 && body && body.kind !== 'set' && body.note === undefined ? takeWords(r) : undefined;
  if (words !== undefined && (r.isAtStop() || r.sees(/[/@]/y)))
    answers.push({ label: `Keep “${words}” as a note`, by: `"${words}"` });
  return r.fail(
    `“${words ?? word}” was not expected here. Put a comma between items, “/” before a recovery, “@” before a pace.`,
    start,
    words === undefined ? start + word.length : r.at,
    answers,
  );
}

/** An item that is only words, `…, last one hard`, may be a note on what comes before it. */
export function withNote(
  r: Reader,
  problem: Problem,
  at: { from: number; separator: number; start: number },
  before: Body | undefined,
): Problem {
  if (problem.readings || problem.from !== at.start || at.separator <= at.from) return problem;
  if (!before || before.kind === 'set' || before.note !== undefined) return problem;
  r.at = at.start;
  const words = takeWords(r);
  if (words === undefined || !(r.isAtStop() || r.sees(/\//y))) return problem;
  const comma = r.text.lastIndexOf(',', at.separator);
  if (comma < at.from) return problem;
  return r.withAnswers(problem, { from: comma, to: at.start + words.length }, [
    { label: `Keep “${words}” as a note`, by: ` "${words}"` },
  ]);
}
