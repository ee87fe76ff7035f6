import { View } from 'react-native';
import type { SeasonCheck } from '@core/season/checks/checks';
import { schoolNotes } from '@core/season/templates/schools';
import type { SeasonPlan } from '@core/season/season';
import { dayName } from '../ui/days';
import { SmallButton } from '../ui/SmallButton';
import { SPACE, usePalette } from '../ui/theme';
import { Text } from '../ui/Text';
import type { SeasonEdit } from '../data/useSeasonEdit';

type Props = { season: SeasonPlan; checks: readonly SeasonCheck[]; leftOut: readonly string[]; edit: SeasonEdit };

/** What to look at again, each with what mends it; and once, what other schools would do otherwise. */
export function CheckList({ season, checks, leftOut, edit }: Props) {
  const palette = usePalette();
  const notes = [...leftOut, ...schoolNotes(season)];
  return (
    <View role="region" aria-label="To look at again" style={{ gap: SPACE.s }}>
      <Text as="heading" level={2}>
        To look at again
      </Text>
      {checks.length === 0 && <Text quiet>Nothing: hard days are apart, and every race has its taper.</Text>}
      {checks.map(({ code, date, text, mend }) => (
        <View
          key={`${code} ${date}`}
          style={{ gap: SPACE.xs, paddingLeft: SPACE.m, borderLeftWidth: 4, borderLeftColor: palette.warning }}
        >
          <Text as="label" quiet>
            {dayName(date)}
          </Text>
          <Text>{text}</Text>
          {mend && (
            <View style={{ flexDirection: 'row' }}>
              <SmallButton onPress={() => edit.change(mend.change, `${mend.text}: done.`)}>{mend.text}</SmallButton>
            </View>
          )}
        </View>
      ))}
      {notes.map((note) => (
        <Text key={note} as="small" quiet>
          {note}
        </Text>
      ))}
    </View>
  );
}
