import { View } from 'react-native';
import { SPACE } from '../../ui/theme';
import { Text } from '../../ui/Text';

/** A heading of the page, and what is under it. */
export function Part({
  title,
  aside,
  children,
}: {
  title: string;
  aside?: React.ReactNode;
  children: React.ReactNode;
}) {
  return (
    <View style={{ gap: SPACE.s }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between' }}>
        <Text as="heading" level={2}>
          {title}
        </Text>
        {aside}
      </View>
      {children}
    </View>
  );
}
