import { useMemo } from 'react';
import { View } from 'react-native';
import type { PaceMetres, RanAthlete, RunHead } from '@core/review/history';
import { loadByWeek } from '@core/review/story';
import { easyDaysOf } from '@core/season/easyDays';
import type { SquadMember } from '@core/squad/athlete';
import { useSeasons } from '../data/useSeasons';
import { dayName } from '../ui/days';
import { WeekBars } from '../ui/charts/Charts';
import { SPACE } from '../ui/theme';
import { Text } from '../ui/Text';
import { useToday } from '../ui/useToday';

type Props = {
  name: string;
  runs: readonly RunHead[];
  athletes: readonly RanAthlete[];
  metres: readonly PaceMetres[];
  window: { from: string; to: string };
  /** The athletes this load is of; easy days of their season count too. */
  members: readonly SquadMember[];
  /** They are several: each figure is the mean of them. */
  isMean?: boolean;
};

/** Load week by week: effort × minutes, hard minutes, and metres at each pace; of what was recorded. */
export function LoadPart({ name, runs, athletes, metres, window, members, isMean = false }: Props) {
  const { seasons } = useSeasons();
  const now = useToday();
  const easy = useMemo(
    () => members.flatMap((member) => easyDaysOf(member, seasons ?? [], { from: window.from, to: now })),
    [members, seasons, window, now],
  );
  const weeks = useMemo(
    () => loadByWeek({ runs, athletes }, metres, window, easy),
    [runs, athletes, metres, window, easy],
  );
  const latest = weeks.at(-1);
  if (!latest || weeks.every(({ minutes }) => minutes === 0)) return <Text quiet>Nothing was run in these weeks.</Text>;
  const jumps = weeks.filter(({ isJump }) => isJump);
  const round = (value: number) => String(Math.round(value));
  const spoken = (of: (week: (typeof weeks)[number]) => number) =>
    weeks.map((week) => `${round(of(week))} in the week of ${dayName(week.from)}`).join(', ');
  return (
    <View style={{ gap: SPACE.m }}>
      <Text as="heading" level={2}>
        Load by week
      </Text>
      <WeekBars
        description={`${name}, load by week: ${spoken(({ load }) => load)}.`}
        bars={weeks.map(({ from, load, plannedLoad, isJump }) => ({
          date: from,
          value: load,
          planned: plannedLoad,
          isMarked: isJump,
        }))}
        unit="Effort × minutes; the line is what was planned."
      />
      {jumps.map(({ from }) => (
        <Text as="small" key={from}>
          {`The week of ${dayName(from)} had sessions more than a third above the mean of those before it.`}
        </Text>
      ))}
      <Text as="heading" level={2}>
        Hard minutes by week
      </Text>
      <WeekBars
        description={`${name}, hard minutes by week: ${spoken(({ hardMinutes }) => hardMinutes)}.`}
        bars={weeks.map(({ from, hardMinutes, plannedHardMinutes }) => ({
          date: from,
          value: hardMinutes,
          planned: plannedHardMinutes,
        }))}
        unit="Minutes of reps quicker than marathon pace; the line is what was planned."
      />
      <View role="list" aria-label="Metres at each pace, week by week" style={{ gap: 2 }}>
        {[...weeks]
          .reverse()
          .filter((week) => week.metres.length > 0)
          .slice(0, 8)
          .map((week) => (
            <View role="listitem" key={week.from}>
              <Text as="small">
                {`Week of ${dayName(week.from)}: ${week.metres.map(({ pace, distanceM }) => `${round(distanceM)} m ${pace === '' ? 'by effort' : `@${pace}`}`).join(', ')}; ${week.hardDays.toFixed(isMean ? 1 : 0)} hard ${!isMean && week.hardDays === 1 ? 'day' : 'days'}.`}
              </Text>
            </View>
          ))}
      </View>
      <Text as="small" quiet>
        {`${easy.length > 0 ? 'Recorded sessions, and the season’s easy days as ticked or planned: easy running at effort 3, long runs at 4.' : 'Of recorded sessions only: easy days count where a season has them.'}${weeks.some(({ hasPredicted }) => hasPredicted) ? ' Where nobody reported an effort, the one predicted from the times stands in.' : ''}${isMean ? ' Each figure is the mean of those who ran.' : ''}`}
      </Text>
    </View>
  );
}
