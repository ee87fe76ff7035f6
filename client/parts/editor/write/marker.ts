import type { Problem, Token, TokenKind } from '@core/session/reader';

/** A stretch of the text that looks the same all along: what it is, and whether something is wrong with it. */
export type Stretch = { from: number; to: number; kind?: TokenKind; isWrong: boolean };

/** Cuts a text at the ends of its tokens and problems; put together again the stretches are the text. */
export function stretches(text: string, tokens: readonly Token[], problems: readonly Problem[]): Stretch[] {
  const inText = (at: number) => Math.min(text.length, Math.max(0, at));
  const cuts = new Set([0, text.length]);
  for (const { from, to } of [...tokens, ...problems]) cuts.add(inText(from)).add(inText(to));
  const sorted = [...cuts].sort((a, b) => a - b);
  return sorted.slice(0, -1).map((from, i): Stretch => {
    const to = sorted[i + 1] ?? text.length;
    const isIn = (span: { from: number; to: number }) => span.from <= from && to <= span.to;
    // A pace stands inside nothing else; where tokens meet, the later one is the smaller.
    const kind = tokens.findLast(isIn)?.kind;
    return { from, to, ...(kind ? { kind } : {}), isWrong: problems.some(isIn) };
  });
}
