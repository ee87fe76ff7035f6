import { useRef, useState } from 'react';
import { unstable_createElement } from 'react-native-web';
import { View } from 'react-native';
import { PrimaryButton } from './PrimaryButton';
import { SPACE } from './theme';
import { Text } from './Text';
import { Trouble } from './Trouble';

/** A file that was picked, read. */
export type PickedFile = { name: string; bytes: Uint8Array };

type Props = {
  title: string;
  children: string;
  accept: string;
  /** What is done with it; may take a while, and fail. */
  onPick: (file: PickedFile) => Promise<void> | void;
};

/** Larger is no list that anyone has written. */
const MOST_BYTES = 20_000_000;

/** A file to bring in, and what it may be. */
export function FilePicker({ title, children, accept, onPick }: Props) {
  const input = useRef<HTMLInputElement>(null);
  const [trouble, setTrouble] = useState<string>();
  const pick = async (file: File) => {
    setTrouble(undefined);
    if (file.size > MOST_BYTES) return setTrouble('This file is too large. Nothing was imported.');
    const buffer = await file.arrayBuffer().catch(() => undefined);
    if (!buffer) return setTrouble('This file cannot be read any more. Pick it again. Nothing was imported.');
    try {
      await onPick({ name: file.name, bytes: new Uint8Array(buffer) });
    } catch {
      setTrouble('What reads files cannot be fetched: check that the server is running and pick it again.');
    }
  };
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
          if (file) void pick(file);
          // So that the same file, mended, can be picked again.
          event.target.value = '';
        },
      })}
      <PrimaryButton main icon="plus" onPress={() => input.current?.click()}>
        Pick a file
      </PrimaryButton>
      {trouble !== undefined && <Trouble>{trouble}</Trouble>}
    </View>
  );
}
