import { useState } from 'react';
import type { Mark } from '@core/fitness/mark';
import type { SquadMember } from '@core/squad/athlete';
import { formatDistance } from '@core/units/distance';
import { formatMarkTime } from '@core/units/time';
import { useSquadChange } from '../squad/useSquadChange';
import type { SquadView } from '../squad/useSquad';

/** Keeps a mark of a session for an athlete's paces, and takes it back; what went wrong is in `trouble`. */
export function useKeepMark(squad: SquadView) {
  const { change, saving } = useSquadChange(squad);
  const [trouble, setTrouble] = useState<string>();
  const put = async (athlete: SquadMember, marks: Mark[], says: string) => {
    const done = await change({ athletes: [{ ...athlete, marks }] }, says);
    setTrouble(done.ok ? undefined : done.message);
  };
  const what = ({ distanceM, timeS }: Mark) => `${formatDistance(distanceM)} in ${formatMarkTime(timeS)}`;
  return {
    trouble,
    saving,
    keep: (athlete: SquadMember, mark: Mark) =>
      void put(athlete, [...athlete.marks, mark], `${athlete.name}: ${what(mark)} is kept for their paces.`),
    takeBack: (athlete: SquadMember, mark: Mark) =>
      void put(
        athlete,
        athlete.marks.filter((one) => one !== mark),
        `${athlete.name}: ${what(mark)} no longer counts.`,
      ),
  };
}
