/** What a list of items leaves ambiguous though each can be read: a lone time, a jog after reps, a pace or rest at its end. */
import { formatAmount, formatRecovery, formatRepPace } from './formatSession';
import { isOnce } from './lengths';
import type { Problem, ReadItem } from './reader';
import type { Amount, Item, Recovery, Rep } from './session';

/** The whole text with these items in place of the list. */
type Rewrite = (items: readonly Item[]) => string;

/** A question with its two answers, each as the items that the list would be. */
function question(
  message: string,
  { from, to }: ReadItem,
  answers: readonly [label: string, items: readonly Item[]][],
  rewrite: Rewrite,
): Problem {
  return { message, from, to, readings: answers.map(([label, items]) => ({ label, text: rewrite(items) })) };
}

const asRecovery = (amount: Amount, manner?: Recovery['manner']): Recovery => ({
  amount:
    amount.kind === 'distance'
      ? { kind: 'distance', distanceM: amount.distanceM, ...(amount.unit ? { unit: amount.unit } : {}) }
      : { kind: 'time', minS: amount.leastS ?? amount.durationS, maxS: amount.durationS },
  ...(manner ? { manner } : {}),
});

/** The list with one item as the recovery of the one before it: after each rep where that has none yet, else behind all of it. */
function withRest(list: readonly Item[], at: number, recovery: Recovery): Item[] {
  return list.flatMap((item, i): Item[] => {
    if (i === at) return [];
    if (i !== at - 1) return [item];
    if (!item.recovery) return [{ ...item, recovery }];
    return [{ count: { kind: 'fixed', n: 1 }, body: { kind: 'set', items: [item] }, recovery }];
  });
}

/** The amount of a rep that is only a time: it could be the rest before the next as well. */
function loneTime({ item: { body, recovery }, hasCount }: ReadItem): Amount | undefined {
  if (hasCount || recovery || body.kind !== 'rep') return undefined;
  const { amounts, pace, note, free, hill } = body;
  const [amount, ...others] = amounts;
  const isPlain = !pace && note === undefined && !free && !hill && others.length === 0;
  return isPlain && amount?.kind === 'duration' ? amount : undefined;
}

function aboutLoneTime(items: readonly ReadItem[], rewrite: Rewrite): Problem | undefined {
  const list = items.map(({ item }) => item);
  for (const [at, read] of items.entries()) {
    const before = items[at - 1];
    const amount = loneTime(read);
    if (!amount || !before || before.item.body.kind === 'drills' || loneTime(before)) continue;
    // Behind a rest that is there already, and with nothing to follow, it can only be running.
    if (before.item.recovery && at === items.length - 1) continue;
    const time = formatAmount(amount);
    return question(
      `Is ${time} a rest, or running of ${time}?`,
      read,
      [
        [`${time} of rest`, withRest(list, at, asRecovery(amount))],
        [`A rep of ${time}`, list],
      ],
      rewrite,
    );
  }
  return undefined;
}

/** A jog behind reps that have no recovery: after each of them, or once. */
function aboutJog(items: readonly ReadItem[], rewrite: Rewrite): Problem | undefined {
  const list = items.map(({ item }) => item);
  for (const [at, read] of items.entries()) {
    const before = list[at - 1];
    const [amount] = read.item.body.kind === 'rep' ? read.item.body.amounts : [];
    if (!read.isJog || !amount || !before || isOnce(before.count) || before.recovery) continue;
    return question(
      `Is the jog of ${formatAmount(amount)} after each rep, or once behind them?`,
      read,
      [
        ['After each rep', withRest(list, at, asRecovery(amount, 'jog'))],
        ['Once behind them', list],
      ],
      rewrite,
    );
  }
  return undefined;
}

/** A rep whose pace and rest a list may share. */
const isPlainRep = (item: Item): item is Item & { body: Rep } => item.body.kind === 'rep' && isOnce(item.count);

const isEasy = ({ pace }: Rep) => pace?.from.kind === 'named' && ['easy', 'steady'].includes(pace.from.name);

function aboutListEnd(items: readonly ReadItem[], rewrite: Rewrite): Problem | undefined {
  const list = items.map(({ item }) => item);
  const read = items.at(-1);
  if (!read || list.length < 2 || !list.every(isPlainRep)) return undefined;
  const others = list.slice(0, -1);
  const { pace } = (list.at(-1) as Item & { body: Rep }).body;
  const { recovery } = read.item;
  const sharedPace = others.every(({ body }) => !body.pace && !body.free) ? pace : undefined;
  const sharedRest = others.every((item) => !item.recovery && !isEasy(item.body)) ? recovery : undefined;
  if (!sharedPace && !sharedRest) return undefined;
  const what = [
    ...(sharedPace ? [`@${formatRepPace(sharedPace)}`] : []),
    ...(sharedRest ? [`/ ${formatRecovery(sharedRest)}`] : []),
  ].join(' ');
  const forAll = list.map((item): Item => ({
    ...item,
    body: sharedPace ? { ...item.body, pace: sharedPace } : item.body,
    ...(sharedRest ? { recovery: sharedRest } : {}),
  }));
  return question(
    `Is ${what} for all of these, or for the last only?`,
    read,
    [
      ['For all of them', forAll],
      ['For the last only', list],
    ],
    rewrite,
  );
}

/** What is to be asked about a list of items and about the sets in it: one thing at a time. */
export function questionsAbout(items: readonly ReadItem[], rewrite: Rewrite): Problem[] {
  const asked = aboutLoneTime(items, rewrite) ?? aboutJog(items, rewrite) ?? aboutListEnd(items, rewrite);
  if (asked) return [asked];
  return items.flatMap(({ item, inner }, at): Problem[] => {
    if (!inner || item.body.kind !== 'set') return [];
    const rewriteInner: Rewrite = (changed) =>
      rewrite(
        items.map((other, i) => (i === at ? { ...item, body: { kind: 'set', items: [...changed] } } : other.item)),
      );
    return questionsAbout(inner, rewriteInner);
  });
}
