import { View } from 'react-native';
import { PrimaryButton } from './PrimaryButton';
import { SPACE } from './theme';
import { Words } from './Words';

type Props = { title: string; children: string; action?: { label: string; onPress: () => void } };

/** What a list says when there is nothing in it, with the one next step. */
export function Empty({ title, children, action }: Props) {
  return (
    <View style={{ paddingVertical: SPACE.xl, gap: SPACE.m, maxWidth: 460 }}>
      <Words as="heading" level={2}>
        {title}
      </Words>
      <Words quiet>{children}</Words>
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
