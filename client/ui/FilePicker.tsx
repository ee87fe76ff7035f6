import { useRef } from 'react';
import { unstable_createElement } from 'react-native-web';
import { View } from 'react-native';
import { PrimaryButton } from './PrimaryButton';
import { SPACE } from './theme';
import { Text } from './Text';

type Props = { title: string; children: string; accept: string; onPick: (file: File) => void };

/** A file to bring in, and what it may be. */
export function FilePicker({ title, children, accept, onPick }: Props) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <View style={{ gap: SPACE.s, alignItems: 'flex-start' }}>
      <Text as="heading" level={2}>
        {title}
      </Text>
      <Text as="small" quiet>
        {children}
      </Text>
      {unstable_createElement('input', {
        ref: input,
        type: 'file',
        accept,
        'aria-label': 'File to bring in',
        hidden: true,
        onChange: (event: { target: HTMLInputElement }) => {
          const file = event.target.files?.item(0);
          if (file) onPick(file);
          // So that the same file, mended, can be picked again.
          event.target.value = '';
        },
      })}
      <PrimaryButton main icon="plus" onPress={() => input.current?.click()}>
        Pick a file
      </PrimaryButton>
    </View>
  );
}
