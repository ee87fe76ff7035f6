import { router, type Href } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { ModalSheet } from '../ui/ModalSheet';
import { SPACE } from '../ui/theme';
import { TextButton } from '../ui/TextButton';
import { Text } from '../ui/Text';

/** One link of a chain of reasons, and the way to what it rests on. */
export type WhyLine = { text: string; href?: Href; open?: string };

type Props = {
  /** The sentence to explain. */
  what: string;
  /** Worked out when it is opened. */
  lines: () => readonly WhyLine[];
};

/** A small “Why?” that opens the short chain of facts behind a sentence. */
export function Why({ what, lines }: Props) {
  const [isOpen, setOpen] = useState(false);
  return (
    <>
      <TextButton label={`Why? ${what}`} onPress={() => setOpen(true)}>
        Why?
      </TextButton>
      {isOpen && (
        <ModalSheet title="Why?" close={() => setOpen(false)}>
          <Text as="strong">{what}</Text>
          <View role="list" style={{ gap: SPACE.s }}>
            {lines().map(({ text, href, open = 'Open' }) => (
              <View
                role="listitem"
                key={text}
                style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: SPACE.s }}
              >
                <Text style={{ flexGrow: 1, flexShrink: 1, flexBasis: 200 }}>{text}</Text>
                {href !== undefined && (
                  <TextButton
                    label={`${open}: ${text}`}
                    onPress={() => {
                      setOpen(false);
                      router.push(href);
                    }}
                  >
                    {open}
                  </TextButton>
                )}
              </View>
            ))}
          </View>
        </ModalSheet>
      )}
    </>
  );
}
