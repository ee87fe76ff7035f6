import { useState } from 'react';
import { View } from 'react-native';
import { IconButton } from 'react-native-paper';
import { SmallButton } from '../../ui/SmallButton';
import { TextField } from '../../ui/TextField';
import { SPACE } from '../../ui/theme';
import { WhenField } from '../../ui/WhenField';
import { Text } from '../../ui/Text';
import { SideBySide } from '../../ui/SideBySide';
import type { Planning } from '../../data/usePlanning';

/** When the track is someone else's. */
export function BusyTimes({ planning }: { planning: Planning }) {
  const { plan, decide } = planning;
  const busy = plan.busy ?? [];
  const [added, setAdded] = useState<{ from: string; to: string; who: string }>();
  const isReady = added && added.from !== '' && added.to !== '' && added.from < added.to;
  const set = (part: Partial<NonNullable<typeof added>>) => added && setAdded({ ...added, ...part });
  return (
    <View style={{ gap: SPACE.s }}>
      <Text as="heading" level={3}>
        When the track is someone else’s
      </Text>
      {busy.map((span, i) => {
        const text = `${span.from} to ${span.to}${span.who ? `, ${span.who}` : ''}`;
        return (
          <View key={`${i} ${text}`} style={{ flexDirection: 'row', alignItems: 'center', minHeight: 44 }}>
            <Text style={{ flex: 1 }}>{text}</Text>
            <IconButton
              icon="remove"
              size={20}
              accessibilityLabel={`Remove ${text}`}
              onPress={() => decide({ busy: busy.filter((other) => other !== span) }, 'The busy time is removed.')}
              style={{ margin: 0, width: 44, height: 44 }}
            />
          </View>
        );
      })}
      {added ? (
        <View style={{ gap: SPACE.s }}>
          <SideBySide>
            <WhenField type="time" label="From" value={added.from} onChange={(from) => set({ from })} />
            <WhenField
              type="time"
              label="To"
              value={added.to}
              onChange={(to) => set({ to })}
              error={
                added.from !== '' && added.to !== '' && added.from >= added.to ? 'It ends before it begins.' : undefined
              }
            />
          </SideBySide>
          <TextField label="Whose it is then" value={added.who} onChange={(who) => set({ who })} />
          <View style={{ flexDirection: 'row', gap: SPACE.s }}>
            {isReady && (
              <SmallButton
                onPress={() => {
                  decide({ busy: [...busy, { ...added, who: added.who.trim().slice(0, 60) }] });
                  setAdded(undefined);
                }}
              >
                Keep
              </SmallButton>
            )}
            <SmallButton onPress={() => setAdded(undefined)}>Cancel</SmallButton>
          </View>
        </View>
      ) : (
        <View style={{ alignItems: 'flex-start' }}>
          <SmallButton onPress={() => setAdded({ from: planning.session.startTime ?? '', to: '', who: '' })}>
            Add a busy time
          </SmallButton>
        </View>
      )}
    </View>
  );
}
