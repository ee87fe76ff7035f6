import { View } from 'react-native';
import { PrimaryButton } from './PrimaryButton';
import { SPACE } from './theme';
import { Text } from './Text';

type Props = { title: string; children: string; action?: { label: string; onPress: () => void } };

/** What a list says when there is nothing in it, with the one next step. */
export function Empty({ title, children, action }: Props) {
  return (
    <View style={{ paddingVertical: SPACE.xl, gap: SPACE.m, maxWidth: 460 }}>
      <Text as="heading" level={2}>
        {title}
      </Text>
      <Text quiet>{children}</Text>
      {action && (
        <View style={{ alignItems: 'flex-start' }}>
          <PrimaryButton main onPress={action.onPress}>
            {action.label}
          </PrimaryButton>
        </View>
      )}
    </View>
  );
}
