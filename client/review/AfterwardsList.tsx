import { format } from 'date-fns/format';
import { View } from 'react-native';
import { deviceId } from '../log/deviceId';
import { eventWords } from '../log/undoing';
import { TextButton } from '../ui/TextButton';
import { SPACE, usePalette } from '../ui/theme';
import { Text } from '../ui/Text';
import { saidAfterwards } from './afterwards';
import type { ReadRun } from './useReview';

/** What was said of the session after its end: by which phone, when, and a way to take it back. */
export function AfterwardsList({ read }: { read: ReadRun }) {
  const palette = usePalette();
  const all = saidAfterwards(read.state);
  if (all.length === 0) return null;
  const here = deviceId();
  return (
    <View style={{ gap: SPACE.xs }}>
      <Text as="heading" level={2}>
        Added afterwards
      </Text>
      <View role="list">
        {all.map(({ event, saidAtMs, counts, undoneBy }) => {
          const words = eventWords(read.state, event);
          const undo = counts ? event.id : undoneBy;
          return (
            <View
              key={event.id}
              role="listitem"
              style={{
                flexDirection: 'row',
                alignItems: 'center',
                gap: SPACE.s,
                minHeight: 48,
                borderBottomWidth: 1,
                borderBottomColor: palette.line,
              }}
            >
              <View style={{ flex: 1 }}>
                <Text quiet={!counts} {...(counts ? {} : { style: { textDecorationLine: 'line-through' } })}>
                  {words}
                </Text>
                <Text as="label" quiet>
                  {`${format(saidAtMs, 'd MMM, HH:mm')} · ${event.deviceId === here ? 'this phone' : 'another phone'}`}
                </Text>
              </View>
              {undo !== undefined && (
                <TextButton
                  label={`${counts ? 'Take back' : 'Bring back'} ${words}`}
                  onPress={() => read.correct({ type: 'undone', eventId: undo })}
                >
                  {counts ? 'Take back' : 'Bring back'}
                </TextButton>
              )}
            </View>
          );
        })}
      </View>
    </View>
  );
}
