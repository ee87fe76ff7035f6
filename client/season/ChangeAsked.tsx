import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import { View } from 'react-native';
import type { SessionMove } from '@core/season/difference';
import type { SeasonPlan } from '@core/season/season';
import { SPECIAL_WORDS } from '@core/season/weekText';
import { PrimaryButton } from '../ui/PrimaryButton';
import { RADIUS, SPACE, usePalette } from '../ui/theme';
import { Text } from '../ui/Text';
import type { Proposed } from '../data/useSeasonEdit';

const short = (date: string) => format(parseISO(date), 'EEE d MMM');

function moveText({ threadId, special, from, to }: SessionMove, { threads }: SeasonPlan): string {
  const name = special ? SPECIAL_WORDS[special] : (threads.find(({ id }) => id === threadId)?.name ?? 'Hard day');
  if (to === undefined) return `${name}, ${short(from ?? '')}: falls out`;
  if (from === undefined) return `${name}: new on ${short(to)}`;
  return `${name}: ${short(from)} → ${short(to)}`;
}

/** So many are listed one by one. */
const LISTED = 6;

type Props = { proposed: Proposed; season: SeasonPlan; take: () => void; leave: () => void };

/** What a change would move, before it is taken. */
export function ChangeAsked({ proposed, season, take, leave }: Props) {
  const palette = usePalette();
  const { difference, text } = proposed;
  const { moves } = difference;
  return (
    <View
      role="alertdialog"
      aria-label="What would change"
      style={{
        gap: SPACE.s,
        padding: SPACE.m,
        borderRadius: RADIUS,
        borderWidth: 2,
        borderColor: palette.ink,
        backgroundColor: palette.raised,
      }}
    >
      <Text as="strong">{difference.text}</Text>
      <Text as="small" quiet>
        {`${text.replace(/\.$/, '')}, and the rest is laid out again. Pinned days, what was written and what is over stay.`}
      </Text>
      {moves.slice(0, LISTED).map((move, i) => (
        <Text key={i} as="small">
          {moveText(move, season)}
        </Text>
      ))}
      {moves.length > LISTED && <Text as="small">{`and ${moves.length - LISTED} more`}</Text>}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <PrimaryButton main icon="check" onPress={take}>
          Take it
        </PrimaryButton>
        <PrimaryButton onPress={leave}>Leave it as it was</PrimaryButton>
      </View>
    </View>
  );
}
