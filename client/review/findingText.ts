/** Findings in a coach's words, a sentence each. */
import { MOST_NAMES, type Finding, type FindingKind, type Findings, type Person } from '@core/judgement/findings';
import { counted } from '@core/units/counted';
import { listed } from '@core/units/listed';
import { formatTime } from '@core/units/time';

/** Names with what each came to; more than a few are counted. */
function named(list: readonly Person[], each: (person: Person) => string): string {
  const shown = list.slice(0, MOST_NAMES).map((person) => each(person));
  const more = list.length - shown.length;
  return listed(more > 0 ? [...shown, `${more} more`] : shown);
}

const names = (list: readonly Person[]) => named(list, ({ name }) => name);
const seconds = (s: number) => `${Math.abs(s) < 2 ? Math.abs(s).toFixed(1) : Math.round(Math.abs(s))}\u00a0s`;
const percent = (value: number) => `${Math.abs(value).toFixed(1)}\u00a0%`;
const plain = (value: number) => value.toFixed(value % 1 === 0 ? 0 : 1);

/** `Ran 8 s a rep early: Ada`; `Early: Ada 8 s a rep, Bo 6 s` if they differ. */
function byHowMuch(list: readonly Person[], way: 'early' | 'late'): string {
  const [first] = list;
  if (!first) return '';
  if (list.every(({ value }) => seconds(value) === seconds(first.value)))
    return `Ran ${seconds(first.value)} a rep ${way}: ${names(list)}`;
  const each = named(list, ({ name, value }) => `${name} ${seconds(value)}`);
  return `Ran ${way}, each rep: ${each}`;
}

/** In the middle of a rep, or after it: `in rep 3`, `after rep 3`. */
const where = ({ value, isMid }: Person) =>
  value === 0 ? 'before the first rep' : isMid ? `in rep ${value}` : `after rep ${value}`;

const stop = (how: (person: Person) => string) => (finding: Finding) => named(finding.people, how);

/** To the nearest 5 s: a lower bound is not more exact. */
const roundTime = (s: number) => formatTime(Math.round(s / 5) * 5, 0);

const TEXTS: Record<FindingKind, (finding: Finding) => string> = {
  pain: stop((person) =>
    person.reason === 'pain'
      ? `Stopped ${where(person)} with pain: ${person.name}`
      : `Pain: ${person.name}, rep ${person.value}`,
  ),
  unwell: ({ people }) => `Not well: ${named(people, ({ name, value }) => `${name}, rep ${value}`)}`,
  niggle: ({ people }) => `Niggle: ${named(people, ({ name, value }) => `${name}, rep ${value}`)}`,
  heat: ({ value = 0, airC = 0 }) =>
    `It was ${Math.round(airC)}\u00a0°C (felt ${Math.round(value)}): that alone costs about ${Math.round((value - 20) * 0.3)}\u00a0% in reps over 3 minutes`,
  stopped: stop((person) => `Stopped ${where(person)}: why? ${person.name}`),
  spent: stop((person) => `Spent in rep ${person.value} of ${person.of ?? person.value}: ${person.name}`),
  stitch: stop((person) =>
    person.reason === 'stitch'
      ? `Stopped ${where(person)}, stitch: ${person.name}`
      : `Stitch: ${person.name}, rep ${person.value}`,
  ),
  creeping: ({ people }) =>
    `The same work has felt ${named(people, ({ name, value }) => `${plain(value)} harder in the last three for ${name}`)}: tired, ill, heat`,
  'far-quicker': ({ people }) =>
    `Far quicker than the marks allow: ${named(people, ({ name, value }) => `${name} a 5k of ${roundTime(value)} or better`)}. A fresh trial, or set the level`,
  early: ({ people }) => `${byHowMuch(people, 'early')}. Run the target`,
  quickened: ({ people }) =>
    `Fell behind as the targets quickened: ${named(people, ({ name, value }) => `${name}, ${percent(value)} late at the end`)}`,
  'fell-behind': ({ people }) =>
    `Fell behind: ${named(people, ({ name, value, of = 0 }) => `${name} from rep ${value}, ${percent(of)} late at the end`)}`,
  late: ({ people }) => byHowMuch(people, 'late'),
  'rest-off': ({ value = 0 }) =>
    `Rests came out ${Math.round(Math.abs(value))}\u00a0s ${value > 0 ? 'longer' : 'shorter'} than planned`,
  'not-run': ({ people }) =>
    `Not all of it: ${named(people, ({ name, value }) => `${name} missed ${counted(value, 'rep')}`)}`,
  'first-early': ({ people }) =>
    `First rep too quick: ${named(people, ({ name, value }) => `${name} by ${seconds(value)}`)}`,
  'last-fast': ({ people }) =>
    `Raced the last rep: ${named(people, ({ name, value }) => `${name} by ${seconds(value)}`)}`,
  faded: ({ people }) =>
    `Slowed from first to last: ${named(people, ({ name, value }) => `${name} by ${percent(value)}`)}`,
  harder: ({ people }) => `Harder than meant: ${told(people)}`,
  easier: ({ people }) => `Easier than meant: ${told(people)}`,
};

/** `Kit 10, Hana 9 (meant 7)`; each with their own where those differ. */
function told(people: readonly Person[]): string {
  const meant = new Set(people.map(({ of = 0 }) => plain(of)));
  const [only = ''] = meant;
  if (meant.size > 1) return named(people, ({ name, value, of = 0 }) => `${name} ${plain(value)}, meant ${plain(of)}`);
  const list = named(people, ({ name, value }) => `${name} ${plain(value)}`);
  return people.length === 1 ? `${list}, meant ${only}` : `${list} (meant ${only})`;
}

/** A finding as a sentence. */
export function findingText(finding: Finding): string {
  const text = TEXTS[finding.kind](finding);
  return finding.kind === 'creeping' ? `${text}?` : `${text}.`;
}

/** One sentence if all is well, or nothing can be judged. */
function restingText({ judged, on, finished, untargeted, byTheClock = 0 }: Findings): string {
  if (judged === 0 && byTheClock > 0)
    return `${byTheClock} of ${counted(byTheClock, 'rep')} by the clock run; no metres were taken.`;
  if (finished === 0) return 'No rep was finished.';
  if (untargeted === 'flat-out') return 'Flat out: the times are the result.';
  if (untargeted === 'no-pace') return 'No pace was asked, so no targets to hold this against.';
  if (judged === 0) return 'No marks yet on that day, so no targets to hold this against.';
  if (on === judged) return judged === 1 ? 'On target.' : 'All on target.';
  return `${on} of ${counted(judged, 'rep')} on target; nobody far off.`;
}

/** Efforts reported for the whole session, if nobody reported one by rep. */
function wholeText({ wholeEffort }: Findings): string[] {
  if (!wholeEffort) return [];
  const { told: effort, meant, people } = wholeEffort;
  const as = effort > meant + 1.2 ? 'harder than meant' : effort < meant - 2 ? 'easier than meant' : 'as meant';
  return [`Effort ${plain(Math.round(effort * 10) / 10)}${people > 1 ? ' on average' : ''}, ${as}.`];
}

/** Findings, a sentence each; one sentence if all is well or nothing can be judged. */
export function findingTexts(findings: Findings): string[] {
  const list = findings.findings.map(findingText);
  const isSaid = findings.findings.some(({ kind }) => kind === 'harder' || kind === 'easier');
  const whole = isSaid ? [] : wholeText(findings);
  return list.length > 0 ? [...list, ...whole].slice(0, 3) : [restingText(findings), ...whole];
}

/** Findings without the coach's own: illness, tiredness and stops are not handed on. */
export const handedOn = (findings: Findings): Findings => ({
  ...findings,
  findings: findings.findings.filter(({ kind }) => !PRIVATE.includes(kind)),
});
const PRIVATE: readonly FindingKind[] = ['pain', 'unwell', 'niggle', 'stopped', 'spent', 'stitch', 'creeping'];
