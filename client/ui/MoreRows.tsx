import { View } from 'react-native';
import { SmallButton } from './SmallButton';
import { Text } from './Text';
import { SPACE } from './theme';

/** How the rows after those that are here are fetched. */
export type More = { fetch: () => void; isFetching: boolean; hasFailed: boolean };

/** The way to the rows after those that are here. */
export function MoreRows({ fetch, isFetching, hasFailed }: More) {
  return (
    <View style={{ alignItems: 'flex-start', gap: SPACE.s }}>
      {hasFailed && <Text live="polite">Earlier ones cannot be fetched just now: the server cannot be reached.</Text>}
      <SmallButton onPress={fetch}>{isFetching ? 'Fetching earlier ones …' : 'Show earlier ones'}</SmallButton>
    </View>
  );
}
