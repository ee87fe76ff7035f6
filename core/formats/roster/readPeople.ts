import { doubtAboutMark, MARK_KINDS, type Mark, type MarkKind } from '../../fitness/mark';
import { LEANINGS, type Leaning } from '../../fitness/shapePrior';
import { CHIP, sinceWeeks, STATUSES, type Athlete, type Goal, type Status } from '../../squad/athlete';
import { nameKey } from '../../squad/likeness';
import { dayOrderOf, parseDayCell, type DayOrder } from '../../units/day';
import { formatDistance, parseDistance } from '../../units/distance';
import { known } from '../../units/known';
import { otherReadingOf, parseTime } from '../../units/time';
import { columnName, type ColumnUse } from './columns';
import { shapeProblem, type CsvTable, type RowProblem, type TableRow } from './table';

/** What a file says about one person. */
export type ImportedPerson = Partial<Omit<Athlete, 'name' | 'marks' | 'groupId' | 'archived'>> & {
  name: string;
  marks: Mark[];
  groupName?: string;
  /** The rows it came from. */
  rows: number[];
};

export type ReadPeople = {
  people: ImportedPerson[];
  /** Rows that cannot be imported, in order, each with every reason. */
  problems: RowProblem[];
  /** Marks that are hardly believable; imported all the same. */
  doubts: RowProblem[];
  /** Times that were probably meant otherwise than written; imported once the coach has answered. */
  questions: TimeQuestion[];
  /** How many marks have no date in the file; imported once it is given. */
  undated: number;
  /** Number of times without a distance; imported once one is given. */
  undistanced: number;
};

/** A time that cannot have been run as written, and what it was probably meant to be. */
export type TimeQuestion = RowProblem & { id: string; text: string; meantS: number };

/** The answer to a question: as it was probably meant, or without that mark. */
export type TimeAnswer = 'meant' | 'leaveOut';

export type ReadOptions = {
  uses: readonly ColumnUse[];
  hasHeadings: boolean;
  today: string;
  /** How 3/10 is to be read; settled from the file if left out. */
  dayOrder?: DayOrder;
  /** Answers to questions, by their id. */
  answers?: ReadonlyMap<string, TimeAnswer>;
  /** The day of marks that have none in the file (YYYY-MM-DD); without one they are not taken. */
  markDate?: string;
  /** The distance of times that have none in the file, in metres; without one they are not taken. */
  markDistanceM?: number;
  /** Rows imported without their marks. */
  withoutMarks?: ReadonlySet<number>;
};

/** A cell that was made harmless on export is read as it was. */
const plain = (cell: string) => cell.replace(/^'(?=[=+\-@\t\r])/, '');

const KIND_WORDS: Record<string, MarkKind> = {
  'session estimate': 'session',
  'coach’s estimate': 'estimate',
  "coach's estimate": 'estimate',
  'time trial': 'trial',
  tt: 'trial',
};
const STATUS_WORDS: Record<string, Status> = {
  'easing back': 'easing',
  active: 'training',
  ok: 'training',
  hurt: 'injured',
};

function oneOf<T extends string>(text: string, values: readonly T[], words: Record<string, T> = {}): T | undefined {
  const word = text
    .toLowerCase()
    .replace(/[–/]/g, '-')
    .replace(/\s*-\s*/g, '-');
  return values.find((value) => value === word) ?? words[text.toLowerCase()];
}

/** Reads the cells of a row by their use; problems name the column. */
class RowReader {
  readonly problems: RowProblem[] = [];
  readonly questions: TimeQuestion[] = [];
  undated = 0;
  undistanced = 0;

  constructor(
    private readonly row: TableRow,
    private readonly table: CsvTable,
    private readonly options: ReadOptions & { dayOrder: DayOrder },
  ) {}

  /** The cell of the column with this use, with its column's name; undefined where there is none or it is empty. */
  cell(use: ColumnUse): { text: string; column: string } | undefined {
    const index = this.options.uses.findIndex((candidate) => candidate === use);
    const text = index < 0 ? '' : plain(this.row.cells[index] ?? '');
    return text === '' ? undefined : { text, column: columnName(this.table, this.options.hasHeadings, index) };
  }

  text(use: ColumnUse): string | undefined {
    return this.cell(use)?.text;
  }

  /** Reads a cell; an unreadable one becomes a problem. */
  read<T>(use: ColumnUse, reader: (text: string) => { value: T } | { message: string }): T | undefined {
    const cell = this.cell(use);
    if (!cell) return undefined;
    const read = reader(cell.text);
    if ('value' in read) return read.value;
    this.fail(read.message, cell.column);
    return undefined;
  }

  choice<T extends string>(use: ColumnUse, values: readonly T[], words?: Record<string, T>): T | undefined {
    return this.read(use, (text) => {
      const value = oneOf(text, values, words);
      return value === undefined ? { message: `“${text}” is none of ${values.join(', ')}.` } : { value };
    });
  }

  distance(use: ColumnUse) {
    return this.read(use, (text) => {
      const read = parseDistance(text);
      return read.ok ? { value: read.distanceM } : read;
    });
  }

  time(use: ColumnUse, distanceM: number | undefined) {
    return this.read(use, (text) => {
      const read = parseTime(text, distanceM);
      return read.ok ? { value: read.timeS } : read;
    });
  }

  /** The time of a mark; undefined while its question is open. */
  markTime(use: ColumnUse, distanceM: number): number | undefined {
    const cell = this.cell(use);
    const meantS = cell && otherReadingOf(cell.text, distanceM);
    if (!cell || meantS === undefined) return this.time(use, distanceM);
    const { row } = this.row;
    const id = `${row} ${cell.column}`;
    const answer = this.options.answers?.get(id);
    if (answer === 'meant') return meantS;
    const message = `“${cell.text}” over ${formatDistance(distanceM)} cannot have been run.`;
    if (answer === undefined) this.questions.push({ id, row, column: cell.column, message, text: cell.text, meantS });
    return undefined;
  }

  /** Returns whether the row is imported without its marks. */
  isWithoutMarks(): boolean {
    return this.options.withoutMarks?.has(this.row.row) ?? false;
  }

  /** A mark on its row's date, or on the date chosen for those without. */
  mark(mark: Omit<Mark, 'date'>, date: string | undefined): Mark[] {
    if (date !== undefined) return [{ ...mark, date }];
    this.undated++;
    return this.options.markDate === undefined ? [] : [{ ...mark, date: this.options.markDate }];
  }

  date(use: ColumnUse) {
    return this.read(use, (text) => {
      const read = parseDayCell(text, this.options.today, this.options.dayOrder);
      return read.ok ? { value: read.date } : read;
    });
  }

  fail(message: string, column?: string): void {
    this.problems.push({ row: this.row.row, message, ...(column === undefined ? {} : { column }) });
  }
}

function nameIn(reader: RowReader): string {
  const whole = reader.text('name') ?? [reader.text('firstName'), reader.text('familyName')].filter(Boolean).join(' ');
  // `Brindlecote, Ada` is how lists are sorted, not what anyone is called.
  const [family, first, ...more] = whole.split(',').map((part) => part.trim());
  return (first !== undefined && first !== '' && more.length === 0 ? `${first} ${family}` : whole).replace(/\s+/g, ' ');
}

function bornYearIn(reader: RowReader, options: ReadOptions & { dayOrder: DayOrder }): number | undefined {
  return reader.read('bornYear', (text) => {
    const year = /^(19|20)\d\d$/.test(text) ? Number(text) : undefined;
    // Only the year of a date of birth is kept.
    const day = year === undefined ? parseDayCell(text, options.today, options.dayOrder) : undefined;
    const value = year ?? (day?.ok ? Number(day.date.slice(0, 4)) : undefined);
    return value === undefined || value > Number(options.today.slice(0, 4))
      ? { message: `“${text}” is not a year of birth. Write it like 2009.` }
      : { value };
  });
}

function marksIn(reader: RowReader, { uses, today, markDistanceM }: ReadOptions): Mark[] {
  const date = reader.date('date');
  const kind = reader.choice('kind', MARK_KINDS, KIND_WORDS) ?? 'race';
  const note = reader.text('note')?.slice(0, 200);
  const isLeftOut = /^(yes|y|true|x|1)$/i.test(reader.text('leftOut') ?? '');
  const more = { kind, ...(note ? { note } : {}), ...(isLeftOut ? { leftOut: true as const } : {}) };
  const marks: Mark[] = [];
  const hasDistance = reader.cell('distance') !== undefined;
  const isUndistanced = !hasDistance && reader.time('time', markDistanceM) !== undefined;
  if (isUndistanced) reader.undistanced++;
  const distanceM = isUndistanced ? markDistanceM : reader.distance('distance');
  if (distanceM !== undefined) {
    const timeS = reader.markTime('time', distanceM);
    if (timeS !== undefined) marks.push(...reader.mark({ distanceM, timeS, ...more }, date));
  }
  if (reader.cell('distance') && !reader.cell('time')) reader.fail('There is a distance but no time.');
  for (const use of uses) {
    if (typeof use === 'string') continue;
    const overS = reader.markTime(use, use.markM);
    if (overS !== undefined) marks.push(...reader.mark({ distanceM: use.markM, timeS: overS, ...more }, date));
  }
  if (marks.some((mark) => mark.date > today))
    reader.fail(`The mark is dated ${date ?? 'on a day'}, which is still to come.`);
  return marks;
}

function goalIn(reader: RowReader): Goal | undefined {
  const distanceM = reader.distance('goalDistance');
  const timeS = reader.time('goalTime', distanceM);
  const date = reader.date('goalDate');
  const race = reader.text('goalRace')?.slice(0, 80);
  if (distanceM !== undefined && timeS !== undefined && date !== undefined)
    return { distanceM, timeS, date, ...(race ? { race } : {}) };
  if (reader.cell('goalTime') || reader.cell('goalDistance'))
    if (reader.problems.length === 0) reader.fail('A goal needs a distance, a time and a date.');
  return undefined;
}

function personIn(reader: RowReader, options: ReadOptions & { dayOrder: DayOrder }): Omit<ImportedPerson, 'rows'> {
  const name = nameIn(reader);
  if (name === '') reader.fail('There is no name.');
  if (name.length > 80) reader.fail('A name can have 80 characters at most.');
  const weeks = reader.read('weeks', (text) =>
    /^\d{1,4}$/.test(text) ? { value: Number(text) } : { message: `“${text}” is not a number of weeks.` },
  );
  const found = {
    tileName: reader.text('tileName')?.slice(0, 12),
    bornYear: bornYearIn(reader, options),
    leaning: reader.choice<Leaning>('leaning', LEANINGS),
    runningSince: weeks === undefined ? undefined : sinceWeeks(weeks, options.today),
    weeklyKm: reader.read('weeklyKm', (text) =>
      /^\d{1,3}([.,]\d)?( ?km)?$/i.test(text)
        ? { value: Number.parseFloat(text.replace(',', '.')) }
        : { message: `“${text}” is not a number of kilometres.` },
    ),
    status: reader.choice<Status>('status', STATUSES, STATUS_WORDS),
    notes: reader.text('notes')?.slice(0, 2000),
    chip: reader.read('chip', (text) => (CHIP.pattern.test(text) ? { value: text } : { message: CHIP.says })),
    groupName: reader.text('group')?.slice(0, 40),
    goal: goalIn(reader),
  };
  return {
    name,
    marks: reader.isWithoutMarks() ? [] : marksIn(reader, options),
    ...known<Pick<ImportedPerson, keyof typeof found>>(found),
  };
}

/** Merges two rows of one person; the later row wins where both say something. */
function joined(before: ImportedPerson, more: Omit<ImportedPerson, 'rows'>, row: number): ImportedPerson {
  return { ...before, ...more, marks: [...before.marks, ...more.marks], rows: [...before.rows, row] };
}

/**
 * Reads the people and marks in a table. Rows of one name are one person. A row with anything in it that cannot be read is
 * left out whole, and every reason is said with its row and column.
 */
export function readPeople(table: CsvTable, options: ReadOptions): ReadPeople {
  const body = table.rows.slice(options.hasHeadings ? 1 : 0);
  const dateColumns = options.uses.flatMap((use, i) => (use === 'date' || use === 'goalDate' ? [i] : []));
  const dayOrder =
    options.dayOrder ?? dayOrderOf(body.flatMap(({ cells }) => dateColumns.map((column) => cells[column] ?? '')));
  const withOrder = { ...options, dayOrder };
  const people = new Map<string, ImportedPerson>();
  const wearers = new Map<string, { key: string; row: number }>();
  const problems: RowProblem[] = [...table.problems];
  const doubts: RowProblem[] = [];
  const questions: TimeQuestion[] = [];
  let undated = 0;
  let undistanced = 0;
  for (const row of body) {
    const shape = shapeProblem(row, table);
    if (shape) {
      problems.push(shape);
      continue;
    }
    const reader = new RowReader(row, table, withOrder);
    const person = personIn(reader, withOrder);
    const key = nameKey(person.name);
    const before = people.get(key);
    if (before?.bornYear !== undefined && person.bornYear !== undefined && before.bornYear !== person.bornYear)
      reader.fail(
        `Row ${before.rows[0]} has another ${person.name}, born ${before.bornYear}. If they are two, write one of the names differently.`,
      );
    const wearer = person.chip === undefined ? undefined : wearers.get(person.chip);
    if (wearer && wearer.key !== key)
      reader.fail(`Row ${wearer.row} gives chip “${person.chip}” to someone else. Each needs one of their own.`);
    if (reader.problems.length > 0) {
      problems.push(...reader.problems);
      continue;
    }
    questions.push(...reader.questions);
    undated += reader.undated;
    undistanced += reader.undistanced;
    for (const mark of person.marks) {
      const doubt = doubtAboutMark(mark);
      if (doubt !== undefined) doubts.push({ row: row.row, message: doubt });
    }
    if (person.chip !== undefined) wearers.set(person.chip, { key, row: row.row });
    people.set(key, before ? joined(before, person, row.row) : { ...person, rows: [row.row] });
  }
  problems.sort((a, b) => a.row - b.row);
  return { people: [...people.values()], problems, doubts, questions, undated, undistanced };
}
