import { View } from 'react-native';
import type { Mark } from '@core/fitness/mark';
import type { SquadMember } from '@core/squad/athlete';
import { formatDistance } from '@core/units/distance';
import { formatMarkTime } from '@core/units/time';
import type { SquadView } from '../squad/useSquad';
import { SmallButton } from '../ui/SmallButton';
import { SPACE } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { Words } from '../ui/Words';
import { useKeepMark } from './useKeepMark';

type Props = {
  squad: SquadView;
  athlete: SquadMember;
  /** What may be kept of the session; another of the same distance and kind takes the place of none. */
  mark: Mark;
  /** Said instead of what the mark is, where that stands beside it. */
  short?: boolean;
};

const isSame = (a: Mark, b: Mark) => a.runId === b.runId && a.kind === b.kind && a.distanceM === b.distanceM;

/** One tap keeps a mark of the session for an athlete's paces; another takes it back. */
export function KeepMark({ squad, athlete, mark, short = false }: Props) {
  const { keep, takeBack, trouble } = useKeepMark(squad);
  const kept = athlete.marks.find((one) => isSame(one, mark));
  const what = `${formatDistance(mark.distanceM)} in ${formatMarkTime((kept ?? mark).timeS)}`;
  return (
    <View style={{ gap: SPACE.xs, alignItems: 'flex-start' }}>
      {kept && !short && <Words as="small">{`Kept for their paces: ${what}.`}</Words>}
      {kept ? (
        <SmallButton label={`Take back ${what} of ${athlete.name}`} onPress={() => takeBack(athlete, kept)}>
          Take it back
        </SmallButton>
      ) : (
        <SmallButton label={`Keep ${what} for ${athlete.name}’s paces`} onPress={() => keep(athlete, mark)}>
          {short ? 'Keep' : `Keep ${what} for their paces`}
        </SmallButton>
      )}
      {trouble !== undefined && <Trouble>{trouble}</Trouble>}
    </View>
  );
}
