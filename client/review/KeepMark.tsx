import { useState } from 'react';
import { View } from 'react-native';
import { formatMark, type Mark } from '@core/fitness/mark';
import type { SquadMember } from '@core/squad/athlete';
import type { SquadView } from '../data/useSquad';
import { useSquadChange } from '../data/useSquadChange';
import { SmallButton } from '../ui/SmallButton';
import { SPACE } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { Text } from '../ui/Text';

type Props = {
  squad: SquadView;
  athlete: SquadMember;
  /** What may be kept of the session. */
  mark: Mark;
  /** In few words, where what it is stands beside it. */
  short?: boolean;
};

/** One estimate for each session, whatever its distance; one trial for each distance. */
const isSame = (a: Mark, b: Mark) =>
  a.runId === b.runId && a.kind === b.kind && (a.kind === 'session' || a.distanceM === b.distanceM);

/** One tap keeps a mark of the session for an athlete's paces; another takes it back. */
export function KeepMark({ squad, athlete, mark, short = false }: Props) {
  const { change } = useSquadChange(squad);
  const [trouble, setTrouble] = useState<string>();
  const kept = athlete.marks.find((candidate) => isSame(candidate, mark));
  const what = formatMark(kept ?? mark);
  const put = async (marks: Mark[], noticeText: string) => {
    const done = await change({ athletes: [{ ...athlete, marks }] }, `${athlete.name}: ${what} ${noticeText}`);
    setTrouble(done.ok ? undefined : done.message);
  };
  const keep = () => void put([...athlete.marks, mark], 'is kept for their paces.');
  const takeBack = () =>
    void put(
      athlete.marks.filter((mark) => mark !== kept),
      'no longer counts.',
    );
  return (
    <View style={{ gap: SPACE.xs, alignItems: 'flex-start' }}>
      {kept && !short && <Text as="small">{`Kept for their paces: ${what}.`}</Text>}
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
