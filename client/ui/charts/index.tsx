import { View } from 'react-native';
import { lazyPart } from '../lazyScreen';
import { Text } from '../Text';

const fetched = () => import('./Charts');

/** As high as a chart, so that nothing jumps when it is there. */
const Waiting = () => <View style={{ height: 190 }} aria-busy />;
const Failed = () => (
  <Text as="small" quiet>
    The chart has to be fetched once, and the server cannot be reached. The figures are all here.
  </Text>
);

export const WeekBars = lazyPart(async () => (await fetched()).WeekBars, Waiting, Failed);
export const DateLines = lazyPart(async () => (await fetched()).DateLines, Waiting, Failed);
