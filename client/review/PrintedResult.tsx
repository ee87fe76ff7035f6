import { View } from 'react-native';
import type { Review } from '@core/review/review';
import { repLabel } from '@core/run/plan';
import { Printed } from '../ui/Printed';
import { SPACE, usePalette } from '../ui/theme';
import { Words } from '../ui/Words';
import { evennessText, timeText } from './reviewWords';
import { Spread } from './Spread';

type Props = {
  title: string;
  about: string;
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
        <Words as="label" style={{ width: 130 }}>
          {review.name}
        </Words>
        {review.columns.map(({ rep, repIndex }, at) => (
          <Words as="label" key={repIndex} style={cell}>{`${at + 1}: ${repLabel(rep)}`}</Words>
        ))}
        <Words as="label" style={cell}>
          even
        </Words>
      </View>
      {review.rows.map((row) => (
        <View key={row.athleteId} style={line}>
          <Words as="small" style={{ width: 130 }}>
            {row.name}
          </Words>
          {row.cells.map((one) => (
            <Words as="small" key={one.repIndex} style={cell}>
              {timeText(one)}
            </Words>
          ))}
          <Words as="small" style={cell}>
            {evennessText(row.evenness)}
          </Words>
        </View>
      ))}
    </View>
  );
}

/** A session on paper, for the squad or for one: what matters, the spread, and every time. */
export function PrintedResult({ title, about, texts, reviews, done }: Props) {
  return (
    <Printed label={title} isLandscape={reviews.some(({ columns }) => columns.length > 6)} done={done}>
      <View style={{ gap: SPACE.s }}>
        <Words as="title" level={1}>
          {title}
        </Words>
        <Words as="small">{about}</Words>
        {texts.map((text) => (
          <Words key={text}>{text}</Words>
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
