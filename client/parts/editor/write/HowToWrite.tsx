import { useState } from 'react';
import { View } from 'react-native';
import { Press } from '../../../ui/Press';
import { SPACE } from '../../../ui/theme';
import { Text } from '../../../ui/Text';

const EXAMPLES: [string, string][] = [
  ['6x400 @5k / 90s', 'six 400s at 5k pace, 90 seconds rest'],
  ['8x200 @mile / 200m jog', 'jog 200 m between'],
  ['2x(3x600 @3k / 90s walk) / 4:00', 'two sets of three, four minutes between the sets'],
  ['1200-1000-800 @5k>mile / 2:30 jog', 'a ladder that gets faster'],
  ['8-10x400 @threshold / 40s', 'eight to ten'],
  ['20min @threshold', 'by the clock'],
  ['4x(600 @10k, 600 @marathon)', 'over and under, no break'],
  ['3x5-6min @threshold / 90s', 'five to six minutes, by athlete'],
  ['8x400 @70-72/400 / 60s', 'anything from 70 to 72 is right'],
  ['10x45s hill @effort 8 / equal jog', 'uphill by effort'],
  ['warm:  main:  finish:  cool:', 'what a line is for'],
  ['4 x 1 mile at 10k pace with 2 min rest', 'your own words do too: it says what it read'],
];

/** A few lines of shorthand to write from, folded away until asked for. */
export function HowToWrite() {
  const [open, setOpen] = useState(false);
  return (
    <View>
      <Press
        role="button"
        aria-expanded={open}
        onPress={() => setOpen(!open)}
        style={{ minHeight: 44, justifyContent: 'center', alignSelf: 'flex-start' }}
      >
        <Text as="strong" style={{ textDecorationLine: 'underline' }}>
          {open ? 'Hide the examples' : 'How to write it'}
        </Text>
      </Press>
      {open &&
        EXAMPLES.map(([shorthand, means]) => (
          <View key={shorthand} style={{ paddingVertical: SPACE.xs }}>
            <Text as="strong">{shorthand}</Text>
            <Text as="small" quiet>
              {means}
            </Text>
          </View>
        ))}
    </View>
  );
}
