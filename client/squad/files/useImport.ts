import { useMemo, useState } from 'react';
import { ulid } from 'ulid';
import { guessColumns, isHeadingRow, withoutTitles, type ColumnUse } from '@core/formats/roster/columns';
import { candidates, importChange, type ImportChoice } from '@core/formats/roster/importPeople';
import { readPeople, type ImportedPerson, type TimeAnswer } from '@core/formats/roster/readPeople';
import { readChatList } from '@core/formats/roster/chatList';
import { parseDistance } from '@core/units/distance';
import { readTable, type CsvTable } from '@core/formats/roster/table';
import { dayOrderOf, type DayOrder } from '@core/units/day';
import type { PickedFile } from '../../ui/FilePicker';
import { today } from '../../ui/days';
import { everyoneIn, type SquadView } from '../../data/useSquad';

/** A table whose columns are to be settled. */
type OpenTable = {
  kind: 'table';
  name: string;
  table: CsvTable;
  hasHeadings: boolean;
  uses: ColumnUse[];
  dayOrder: DayOrder;
};

/** A file that was opened: a table, or people already read. */
type Opened = OpenTable | { kind: 'people'; name: string; people: ImportedPerson[] };

const isDate = (use: ColumnUse) => use === 'date' || use === 'goalDate' || use === 'bornYear';

function opened(name: string, table: CsvTable, hasHeadings: boolean): OpenTable {
  const uses = guessColumns(table, hasHeadings, today());
  const dates = table.rows.flatMap(({ cells }) => cells.filter((_, i) => isDate(uses[i] ?? 'ignore')));
  return { kind: 'table', name, table, hasHeadings, uses, dayOrder: dayOrderOf(dates) };
}

/** Reads a table from a file or from pasted text. */
function openTable(name: string, bytes: Uint8Array): { ok: true; file: OpenTable } | { ok: false; message: string } {
  const read = readTable(bytes);
  if (!read.ok) return read;
  const table = withoutTitles(read.table, today());
  return { ok: true, file: opened(name, table, isHeadingRow(table.rows[0]?.cells ?? [], today())) };
}

/** Returns true for columns that headings or values identify, as opposed to a list from a message. */
const isColumns = ({ table, hasHeadings, uses }: OpenTable): boolean =>
  table.width >= 2 &&
  (hasHeadings || (uses.includes('name') && uses.some((use) => use === 'time' || typeof use === 'object')));

/** A file on its way into the squad: opened, its columns settled, what is in it, and the one change it comes to. */
export function useImport(squad: SquadView) {
  const [file, setFile] = useState<Opened>();
  const [trouble, setTrouble] = useState<string>();
  const [decisions, setDecisions] = useState<ReadonlyMap<string, ImportChoice>>(new Map());
  const [leavesOut, setLeavesOut] = useState(false);
  const [answers, setAnswers] = useState<ReadonlyMap<string, TimeAnswer>>(new Map());
  const [markDate, setMarkDate] = useState('');
  const [leavesUndated, setLeavesUndated] = useState(false);
  const [markDistance, setMarkDistance] = useState('');
  const [leavesUndistanced, setLeavesUndistanced] = useState(false);
  const [withoutMarks, setWithoutMarks] = useState<ReadonlySet<number>>(new Set());

  const start = (next: Opened | undefined, message?: string) => {
    setFile(next);
    setTrouble(message);
    setDecisions(new Map());
    setLeavesOut(false);
    setAnswers(new Map());
    setMarkDate('');
    setLeavesUndated(false);
    setMarkDistance('');
    setLeavesUndistanced(false);
    setWithoutMarks(new Set());
  };
  const show = (read: ReturnType<typeof openTable>) => (read.ok ? start(read.file) : start(undefined, read.message));
  const open = async ({ name, bytes }: PickedFile): Promise<void> => {
    if (/\.json$/i.test(name)) {
      const { readAthleteFile } = await import('../../data/checks');
      const athlete = readAthleteFile(new TextDecoder().decode(bytes));
      if (!athlete.ok) return start(undefined, athlete.message);
      const { archived: _archived, ...person } = athlete.value;
      return start({ kind: 'people', name, people: [{ ...person, rows: [1] }] });
    }
    return show(openTable(name, bytes));
  };

  const over = useMemo(() => parseDistance(markDistance), [markDistance]);
  const read = useMemo(() => {
    if (!file) return undefined;
    if (file.kind === 'people')
      return { people: file.people, problems: [], doubts: [], questions: [], undated: 0, undistanced: 0 };
    const { table, hasHeadings, uses, dayOrder } = file;
    const isDayGiven = markDate !== '' && markDate <= today();
    return readPeople(table, {
      uses,
      hasHeadings,
      dayOrder,
      today: today(),
      answers,
      withoutMarks,
      ...(isDayGiven ? { markDate } : {}),
      ...(over.ok ? { markDistanceM: over.distanceM } : {}),
    });
  }, [file, answers, markDate, withoutMarks, over]);
  const undated = read?.undated ?? 0;
  const undistanced = read?.undistanced ?? 0;
  const everyone = useMemo(() => everyoneIn(squad), [squad]);
  const list = useMemo(
    () =>
      candidates(read?.people ?? [], everyone).map((candidate) => ({
        ...candidate,
        decision: decisions.get(candidate.person.name) ?? candidate.decision,
      })),
    [read, everyone, decisions],
  );
  const result = useMemo(
    () => importChange(list, { settings: squad.settings, athletes: everyone }, ulid),
    [list, squad.settings, everyone],
  );
  return {
    file,
    trouble,
    open,
    /** What was copied from a spreadsheet or a message. */
    openText: (text: string) => {
      const name = 'Pasted list';
      const read = openTable(name, new TextEncoder().encode(text));
      const chat = read.ok && isColumns(read.file) ? undefined : readChatList(text, today());
      return chat ? start(opened(name, chat, true)) : show(read);
    },
    close: () => start(undefined),
    setUse: (index: number, use: ColumnUse) =>
      file?.kind === 'table' &&
      setFile({
        ...file,
        // One column for each thing: choosing it anew takes it off the column that had it.
        uses: file.uses.map((before, i) =>
          i === index ? use : before === use && typeof use === 'string' ? 'ignore' : before,
        ),
      }),
    setHeadings: (hasHeadings: boolean) =>
      file?.kind === 'table' && setFile(opened(file.name, file.table, hasHeadings)),
    setDayOrder: (dayOrder: DayOrder) => file?.kind === 'table' && setFile({ ...file, dayOrder }),
    decide: (name: string, decision: ImportChoice) => setDecisions(new Map([...decisions, [name, decision]])),
    problems: read?.problems ?? [],
    doubts: read?.doubts ?? [],
    leavesOut,
    setLeavesOut,
    questions: read?.questions ?? [],
    answer: (ids: readonly string[], answer: TimeAnswer) =>
      setAnswers((before) => new Map([...before, ...ids.map((id) => [id, answer] as const)])),
    undated,
    isUndatedOpen: undated > 0 && !leavesUndated && (markDate === '' || markDate > today()),
    markDate,
    setMarkDate,
    leavesUndated,
    setLeavesUndated,
    undistanced,
    isUndistancedOpen: undistanced > 0 && !leavesUndistanced && !over.ok,
    markDistance,
    setMarkDistance,
    leavesUndistanced,
    setLeavesUndistanced,
    /** Returns a row's own words; undefined if the file has no such row. */
    rowText: (row: number): string | undefined => {
      const cells =
        file?.kind === 'table' ? file.table.rows.find((candidate) => candidate.row === row)?.cells : undefined;
      return cells?.filter((cell) => cell !== '').join(', ');
    },
    leaveMarksOut: (rows: readonly number[]) => setWithoutMarks((before) => new Set([...before, ...rows])),
    list,
    ...result,
  };
}
