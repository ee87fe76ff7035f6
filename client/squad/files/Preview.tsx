import { View } from 'react-native';
import type { Candidate, ImportChoice, ImportCount } from '@core/formats/roster/importPeople';
import type { RowProblem } from '@core/formats/roster/table';
import { formatDistance } from '@core/units/distance';
import { formatMarkTime } from '@core/units/time';
import { Press } from '../../ui/Press';
import { Select } from '../../ui/Select';
import { RADIUS, SPACE, usePalette } from '../../ui/theme';
import { SmallButton } from '../../ui/SmallButton';
import { Tick } from '../../ui/Tick';
import { Text } from '../../ui/Text';
import { dayName } from '../../ui/days';
import { STATUS_WORDS } from '../../data/athleteText';

/** So many are shown; a list of thousands helps nobody on a phone. */
const MOST = 60;

const placeText = ({ row, column }: RowProblem) => (column === undefined ? `Row ${row}` : `Row ${row}, ${column}`);

type ProblemsProps = Pick<Props, 'problems' | 'leavesOut' | 'setLeavesOut' | 'rowText' | 'leaveMarksOut'>;

function Problems({ problems, leavesOut, setLeavesOut, rowText, leaveMarksOut }: ProblemsProps) {
  const palette = usePalette();
  const failed = [...new Set(problems.map(({ row }) => row))];
  const rows = failed.length;
  return (
    <View
      role="group"
      aria-label="Rows that cannot be read"
      style={{ gap: SPACE.s, padding: SPACE.m, borderRadius: RADIUS, borderWidth: 2, borderColor: palette.late }}
    >
      <Text as="heading" level={2}>
        {rows === 1 ? '1 row cannot be read' : `${rows} rows cannot be read`}
      </Text>
      {problems.slice(0, MOST).map((problem, i) => (
        <View key={i}>
          <Text as="strong">{rowText(problem.row) ?? placeText(problem)}</Text>
          <Text as="small">{`${placeText(problem)}: ${problem.message}`}</Text>
        </View>
      ))}
      {problems.length > MOST && <Text as="small">{`… and ${problems.length - MOST} more.`}</Text>}
      <Text as="small" quiet>
        Mend them in the file and pick it again, choose another use for a column above, or leave these rows out. Nothing
        is imported until you say so.
      </Text>
      <View style={{ alignItems: 'flex-start' }}>
        <SmallButton onPress={() => leaveMarksOut(failed)}>
          {rows === 1 ? 'Bring it in without a mark' : `Bring these ${rows} in without a mark`}
        </SmallButton>
      </View>
      <Press
        role="checkbox"
        aria-checked={leavesOut}
        onPress={() => setLeavesOut(!leavesOut)}
        style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s, minHeight: 44 }}
      >
        <Tick on={leavesOut} />
        <Text as="strong">{rows === 1 ? 'Leave this row out' : `Leave these ${rows} rows out`}</Text>
      </Press>
    </View>
  );
}

/** One person of the file: what would be stored, and who in the squad it may be. */
function Person({ candidate, decide }: { candidate: Candidate; decide: (decision: ImportChoice) => void }) {
  const palette = usePalette();
  const { person, decision, alike } = candidate;
  const summary = [
    ...(person.bornYear === undefined ? [] : [`born ${person.bornYear}`]),
    ...(person.groupName === undefined ? [] : [person.groupName]),
    ...(person.status === undefined || person.status === 'training' ? [] : [STATUS_WORDS[person.status]]),
    ...person.marks.map(
      (mark) => `${formatDistance(mark.distanceM)} ${formatMarkTime(mark.timeS)} (${dayName(mark.date)})`,
    ),
  ].join(' · ');
  const value = decision.kind === 'same' ? decision.athleteId : decision.kind;
  const isUncertain = decision.kind === 'new' && alike.length > 0;
  return (
    <View
      role="listitem"
      style={{
        gap: SPACE.xs,
        paddingVertical: SPACE.s,
        paddingLeft: SPACE.s,
        borderBottomWidth: 1,
        borderBottomColor: palette.line,
        borderLeftWidth: 5,
        borderLeftColor: isUncertain ? palette.warning : 'transparent',
      }}
    >
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: SPACE.s }}>
        <View style={{ flex: 1, minWidth: 160 }}>
          <Text as="strong">{person.name}</Text>
          {summary !== '' && (
            <Text as="small" quiet>
              {summary}
            </Text>
          )}
        </View>
        <View style={{ width: 170 }}>
          <Select
            label={`${person.name} is`}
            quiet
            options={[
              { value: 'new', text: 'someone new' },
              ...alike.map(({ id, name }) => ({ value: id, text: `${name}, in the squad` })),
              { value: 'leaveOut', text: 'left out' },
            ]}
            value={value}
            onChange={(chosen) =>
              decide(chosen === 'new' || chosen === 'leaveOut' ? { kind: chosen } : { kind: 'same', athleteId: chosen })
            }
          />
        </View>
      </View>
      {isUncertain && (
        <Text as="small">{`Is this ${alike.map(({ name }) => name).join(' or ')}, who is in the squad already?`}</Text>
      )}
    </View>
  );
}

/** `12 new athletes, 3 changed, 20 marks`. */
export function countText({ added, changed, marks, groups }: ImportCount): string {
  const some = (n: number, singular: string, many: string) => (n === 0 ? [] : [`${n} ${n === 1 ? singular : many}`]);
  return [
    ...some(added, 'new athlete', 'new athletes'),
    ...some(changed, 'athlete changed', 'athletes changed'),
    ...some(marks, 'mark', 'marks'),
    ...some(groups, 'new group', 'new groups'),
  ].join(', ');
}

type Props = {
  problems: readonly RowProblem[];
  doubts: readonly RowProblem[];
  leavesOut: boolean;
  setLeavesOut: (leavesOut: boolean) => void;
  /** Returns a row's own words. */
  rowText: (row: number) => string | undefined;
  /** Imports the people of these rows without their marks. */
  leaveMarksOut: (rows: readonly number[]) => void;
  list: readonly Candidate[];
  decide: (name: string, decision: ImportChoice) => void;
};

/** Everything an import would do, before it does it. */
export function Preview({ problems, doubts, leavesOut, setLeavesOut, rowText, leaveMarksOut, list, decide }: Props) {
  // Those to be looked at first.
  const sorted = [...list].sort(
    (a, b) =>
      Number(b.decision.kind === 'new' && b.alike.length > 0) - Number(a.decision.kind === 'new' && a.alike.length > 0),
  );
  return (
    <View style={{ gap: SPACE.l }}>
      {problems.length > 0 && <Problems {...{ problems, leavesOut, setLeavesOut, rowText, leaveMarksOut }} />}
      {doubts.length > 0 && (
        <View role="note" style={{ gap: SPACE.xs }}>
          {doubts.slice(0, 10).map((doubt, i) => (
            <Text as="small" key={i}>{`${placeText(doubt)}: ${doubt.message} It is taken all the same.`}</Text>
          ))}
        </View>
      )}
      {list.length > 0 && (
        <View>
          <Text as="heading" level={2}>
            {list.length === 1 ? '1 athlete in the file' : `${list.length} athletes in the file`}
          </Text>
          <View role="list">
            {sorted.slice(0, MOST).map((candidate) => (
              <Person
                key={candidate.person.name}
                candidate={candidate}
                decide={(decision) => decide(candidate.person.name, decision)}
              />
            ))}
          </View>
          {sorted.length > MOST && <Text quiet>{`… and ${sorted.length - MOST} more.`}</Text>}
        </View>
      )}
    </View>
  );
}
