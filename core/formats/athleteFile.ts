import type { SquadMember } from '../squad/athlete';
import type { AthleteFile } from '../api/athleteFile';
import { check, type Checked } from '../api/check';
import { athleteSchema, type AthleteInput } from '../api/schemas';

const FORMAT: AthleteFile['format'] = 'zest-lap/athlete';
const VERSION: AthleteFile['version'] = 1;

/**
 * Reads such a file: profile and marks. Ids, group and pace book belong to another squad, and results to its sessions: they are not
 * imported.
 */
export function readAthleteFile(text: string): Checked<AthleteInput> {
  const refuse = (message: string): Checked<AthleteInput> => ({
    ok: false,
    field: '',
    message: `${message} Nothing was imported.`,
  });
  let file: { format?: unknown; version?: unknown; athlete?: Partial<SquadMember> } | null;
  try {
    file = JSON.parse(text) as typeof file;
  } catch {
    return refuse('This is not readable JSON.');
  }
  if (file?.format !== FORMAT) return refuse('This is not an athlete saved from Zest Lap.');
  if (typeof file.version !== 'number' || file.version > VERSION)
    return refuse(
      `This file was saved by a newer Zest Lap (version ${String(file.version)}, this one knows ${VERSION}).`,
    );
  const { id: _id, groupId: _groupId, paceBookId: _bookId, ...athlete } = file.athlete ?? {};
  const { marks } = athlete;
  const ownMarks = Array.isArray(marks) ? { marks: marks.map(({ id: _markId, ...mark }) => mark) } : {};
  const checked = check(athleteSchema, { ...athlete, ...ownMarks });
  return checked.ok ? checked : { ...checked, message: `${checked.message} Nothing was imported.` };
}
