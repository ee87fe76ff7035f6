import { useState } from 'react';
import { View } from 'react-native';
import { counted } from '@core/units/counted';
import { dropRefused, refusedThings, sendRefusedAgain } from '../log/recorder';
import { useAppSelector } from '../store/store';
import { Ask } from '../ui/Ask';
import { PrimaryButton } from '../ui/PrimaryButton';
import { saveFile } from '../ui/saveFile';
import { SmallButton } from '../ui/SmallButton';
import { RADIUS, SPACE, usePalette } from '../ui/theme';
import { Text } from '../ui/Text';

/** Saves all refusals with their reasons to a file. */
async function saveRefused(): Promise<void> {
  const things = await refusedThings();
  const text = JSON.stringify({ format: 'zest-lap/not-taken', version: 1, things }, null, 1);
  saveFile('not-taken.json', text, 'application/json');
}

/** Lists the times that the server refused, with the reasons and what can be done. Renders nothing if there are none. */
export function NotTakenPart({ isOpen = false }: { isOpen?: boolean }) {
  const palette = usePalette();
  const { refused } = useAppSelector((state) => state.trackside.outbox);
  const [isShown, setShown] = useState(isOpen);
  const [isAsking, setAsking] = useState(false);
  if (refused.length === 0) return isOpen ? <Text>Everything was taken.</Text> : null;
  const counts = new Map<string, number>();
  for (const { message } of refused) counts.set(message, (counts.get(message) ?? 0) + 1);
  const what = counted(refused.length, 'time');
  return (
    <View
      role="group"
      aria-label="Not taken by the server"
      style={{
        gap: SPACE.s,
        padding: SPACE.m,
        borderRadius: RADIUS,
        borderLeftWidth: 5,
        borderLeftColor: palette.late,
        backgroundColor: palette.raised,
      }}
    >
      <Text as="strong">{`${what} ${refused.length === 1 ? 'was' : 'were'} not taken by the server.`}</Text>
      {!isShown && (
        <View style={{ alignItems: 'flex-start' }}>
          <SmallButton onPress={() => setShown(true)}>Show why</SmallButton>
        </View>
      )}
      {isShown && (
        <>
          <View role="list" style={{ gap: 2 }}>
            {[...counts].map(([message, count]) => (
              <View role="listitem" key={message}>
                <Text as="small">{count === 1 ? message : `${count} times: ${message}`}</Text>
              </View>
            ))}
          </View>
          <Text as="small">
            {refused.length === 1
              ? 'It is on this phone only. Save it to a file before you remove it.'
              : 'They are on this phone only. Save them to a file before you remove them.'}
          </Text>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
            <SmallButton onPress={() => void saveRefused()}>Save to a file</SmallButton>
            <SmallButton onPress={() => void sendRefusedAgain()}>Send again</SmallButton>
            <SmallButton onPress={() => setAsking(true)}>Remove from this phone</SmallButton>
          </View>
        </>
      )}
      {isAsking && (
        <Ask
          title={`Remove ${what} from this phone?`}
          close={() => setAsking(false)}
          answers={
            <>
              <PrimaryButton
                onPress={() => {
                  setAsking(false);
                  void dropRefused();
                }}
              >
                Remove
              </PrimaryButton>
              <PrimaryButton main onPress={() => setAsking(false)}>
                Keep
              </PrimaryButton>
            </>
          }
        >
          <Text>
            The phone then shows what the server has. What is removed is in no other place, unless you saved it.
          </Text>
        </Ask>
      )}
    </View>
  );
}
