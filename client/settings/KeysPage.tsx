import { View } from 'react-native';
import { Keys } from '../parts/Keys';
import { backOr } from '../ui/backOr';
import { Page } from '../ui/Page';
import { SPACE } from '../ui/theme';
import { Text } from '../ui/Text';
import { KEYS_BY_PLACE } from './keys';

const back = backOr('/settings');

/** The app by keyboard. */
export function KeysPage() {
  return (
    <Page title="Keys" onBack={back} readOnly>
      {KEYS_BY_PLACE.map(({ where, keys }) => (
        <View key={where} style={{ gap: SPACE.s }}>
          <Text as="heading" level={2}>
            {where}
          </Text>
          <Keys keys={keys} />
        </View>
      ))}
    </Page>
  );
}
