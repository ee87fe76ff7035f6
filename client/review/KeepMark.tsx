import { useState } from 'react';
import { View } from 'react-native';
import { formatMark, type Mark } from '@core/fitness/mark';
import type { SquadMember } from '@core/squad/athlete';
import type { SquadView } from '../data/useSquad';
import { useSquadChange } from '../data/useSquadChange';
import { SmallButton } from '../ui/SmallButton';
import { SPACE } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { Words } from '../ui/Words';

type Props = {
  squad: SquadView;
  athlete: SquadMember;
  /** What may be kept of the session. */
  mark: Mark;
  /** In few words, where what it is stands beside it. */
  short?: boolean;
};

/** Of an estimate there is one for each session, whatever distance it is told over; of trials one for each distance. */
const isSame = (a: Mark, b: Mark) =>
  a.runId === b.runId && a.kind === b.kind && (a.kind === 'session' || a.distanceM === b.distanceM);

/** One tap keeps a mark of the session for an athlete's paces; another takes it back. */
export function KeepMark({ squad, athlete, mark, short = false }: Props) {
  const { change } = useSquadChange(squad);
  const [trouble, setTrouble] = useState<string>();
  const kept = athlete.marks.find((one) => isSame(one, mark));
  const what = formatMark(kept ?? mark);
  const put = async (marks: Mark[], says: string) => {
    const done = await change({ athletes: [{ ...athlete, marks }] }, `${athlete.name}: ${what} ${says}`);
    setTrouble(done.ok ? undefined : done.message);
  };
  const keep = () => void put([...athlete.marks, mark], 'is kept for their paces.');
  const takeBack = () =>
    void put(
      athlete.marks.filter((one) => one !== kept),
      'no longer counts.',
    );
  return (
    <View style={{ gap: SPACE.xs, alignItems: 'flex-start' }}>
      {kept && !short && <Words as="small">{`Kept for their paces: ${what}.`}</Words>}
      {kept ? (
        <SmallButton label={`Take back ${what} of ${athlete.name}`} onPress={takeBack}>
          Take it back
        </SmallButton>
      ) : (
        <SmallButton label={`Keep ${what} for ${athlete.name}’s paces`} onPress={keep}>
          {short ? 'Keep' : `Keep ${what} for their paces`}
        </SmallButton>
      )}
      {trouble !== undefined && <Trouble>{trouble}</Trouble>}
    </View>
  );
}
