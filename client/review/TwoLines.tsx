import { View } from 'react-native';
import { Text } from '../ui/Text';

type Props = { over: string; under?: string | undefined; /** The lower line for screen readers. */ label?: string };

/** A figure in a table's cell, and a smaller line below it. */
export function TwoLines({ over, under, label }: Props) {
  return (
    <View style={{ alignItems: 'flex-end' }}>
      <Text as="strong">{over}</Text>
      {under !== undefined && (
        <Text as="label" quiet {...(label === undefined ? {} : { label })}>
          {under}
        </Text>
      )}
    </View>
  );
}
