import { useState } from 'react';
import { View } from 'react-native';
import { listed } from '@core/units/listed';
import { ModalSheet } from '../ui/ModalSheet';
import { Press } from '../ui/Press';
import { capitalised } from '@core/units/capitalised';
import { usePalette } from '../ui/theme';
import { Text } from '../ui/Text';
import { GLOSSARY, type Term } from './glossary';

/** A small ? beside words that are not everybody's, which opens what the glossary says of them. */
export function WhatIs({ terms }: { terms: readonly Term[] }) {
  const palette = usePalette();
  const [isOpen, setOpen] = useState(false);
  const question = terms.length > 1 ? `What do ${listed(terms)} mean?` : `What does ${listed(terms)} mean?`;
  return (
    <>
      <Press
        role="button"
        aria-label={question}
        onPress={() => setOpen(true)}
        style={{ width: 44, height: 44, alignItems: 'center', justifyContent: 'center' }}
      >
        <View
          style={{
            width: 22,
            height: 22,
            borderRadius: 11,
            borderWidth: 1.5,
            borderColor: palette.quiet,
            alignItems: 'center',
            justifyContent: 'center',
          }}
        >
          <Text as="label" quiet>
            ?
          </Text>
        </View>
      </Press>
      {isOpen && (
        <ModalSheet title={terms.length > 1 ? 'What these words mean' : question} close={() => setOpen(false)}>
          {terms.map((term) => (
            <View key={term}>
              <Text as="strong">{term}</Text>
              <Text>{`${capitalised(GLOSSARY[term])}.`}</Text>
            </View>
          ))}
        </ModalSheet>
      )}
    </>
  );
}
