import { libraryEntry, searchLibrary } from '@core/library/searchLibrary';
import { STARTERS } from '@core/library/starters';
import { expand } from '@core/session/expand';
import { parseSession, readSession } from '@core/session/parseSession';
import { report, timed } from './measure';

const TIMES = 1000;
const LINES = Array.from({ length: 200 }, () => 'main: 1x(400 @5k / 60s walk), 200 @mile "quick" / 200m jog').join(
  '\n',
);
/** Letters by a fixed rule, so that every run has the same. */
const NOISE = Array.from(
  { length: 100_000 },
  (_, i) => 'x@/()-|>"0123456789 kmsi,:\n%'[(i * 7919 + (i >> 3)) % 28],
).join('');

/** The session language: reading the starter collection against JSON.parse of the same trees, long texts, and the search. */
export async function language(): Promise<void> {
  const texts = STARTERS.map(({ shorthand }) => shorthand);
  const trees = texts.map((text) => JSON.stringify(parseSession(text)));
  const all = (run: (i: number) => unknown) => () => {
    for (let n = 0; n < TIMES; n++) for (let i = 0; i < texts.length; i++) run(i);
  };
  const parsing = await timed(
    5,
    all((i) => {
      const parsed = parseSession(texts[i] ?? '');
      return parsed.ok && expand(parsed.session);
    }),
  );
  const json = await timed(
    5,
    all((i) => JSON.parse(trees[i] ?? '') as unknown),
  );
  report(`${texts.length} starter sessions × ${TIMES} parsed and expanded`, parsing, {
    against: ['JSON.parse of the same trees', json],
  });
  report('a text of 200 lines read', await timed(30, () => readSession(LINES)), { limitMs: 20 });
  report('100 kB of noise refused', await timed(30, () => readSession(NOISE)), { limitMs: 20 });
  report('20 kB of noise read', await timed(30, () => readSession(NOISE.slice(0, 20_000))), { limitMs: 20 });
  const entries = Array.from({ length: 2000 }, (_, i) => {
    const starter = STARTERS[i % STARTERS.length] as (typeof STARTERS)[number];
    return { ...starter, id: String(i), title: `${starter.title} ${i}` };
  });
  report(
    '2,000 sessions in the library read for searching',
    await timed(5, () => entries.map((entry) => libraryEntry(entry))),
  );
  const library = entries.map((entry) => libraryEntry(entry));
  const words = [...'threshold 60s'].map((_, i, letters) => letters.slice(0, i + 1).join(''));
  report(
    '2,000 sessions searched, a letter typed',
    (
      await Promise.all(
        words.map((typed) => timed(10, () => searchLibrary(library, { words: typed, pace: 'threshold' }))),
      )
    ).flat(),
    { limitMs: 50 },
  );
}
