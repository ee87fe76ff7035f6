import { View } from 'react-native';
import type { Review } from '@core/review/review';
import { repLabel } from '@core/run/plan';
import { Printed } from '../ui/Printed';
import { SPACE, usePalette } from '../ui/theme';
import { Text } from '../ui/Text';
import { evennessText, timeText } from './reviewText';
import { Spread } from './Spread';

type Props = {
  title: string;
  subtitle: string;
  /** Sentences above the times. */
  texts: readonly string[];
  reviews: readonly Review[];
  done: () => void;
};

function Times({ review }: { review: Review }) {
  const palette = usePalette();
  const cell = { flex: 1, minWidth: 62, padding: 2 } as const;
  const line = { flexDirection: 'row', borderBottomWidth: 1, borderBottomColor: palette.line } as const;
  return (
    <View>
      <View style={line}>
        <Text as="label" style={{ width: 130 }}>
          {review.name}
        </Text>
        {review.columns.map(({ rep, repIndex }, at) => (
          <Text as="label" key={repIndex} style={cell}>{`${at + 1}: ${repLabel(rep)}`}</Text>
        ))}
        <Text as="label" style={cell}>
          even
        </Text>
      </View>
      {review.rows.map((row) => (
        <View key={row.athleteId} style={line}>
          <Text as="small" style={{ width: 130 }}>
            {row.name}
          </Text>
          {row.cells.map((repCell) => (
            <Text as="small" key={repCell.repIndex} style={cell}>
              {timeText(repCell)}
            </Text>
          ))}
          <Text as="small" style={cell}>
            {evennessText(row.evenness)}
          </Text>
        </View>
      ))}
    </View>
  );
}

/** A session on paper, for the squad or for one: what matters, the spread, and every time. */
export function PrintedResult({ title, subtitle, texts, reviews, done }: Props) {
  return (
    <Printed label={title} isLandscape={reviews.some(({ columns }) => columns.length > 6)} done={done}>
      <View style={{ gap: SPACE.s }}>
        <Text as="title" level={1}>
          {title}
        </Text>
        <Text as="small">{subtitle}</Text>
        {texts.map((text) => (
          <Text key={text}>{text}</Text>
        ))}
        {reviews.map((review) => (
          <View key={review.groupId} style={{ gap: SPACE.s }}>
            <Spread review={review} />
            <Times review={review} />
          </View>
        ))}
      </View>
    </Printed>
  );
}
