import { useState, type FormEvent } from 'react';
import { unstable_createElement } from 'react-native-web';
import { troubleText, useUnlockMutation } from '../../store/api';
import { Page } from '../../ui/Page';
import { PrimaryButton } from '../../ui/PrimaryButton';
import { SmallButton } from '../../ui/SmallButton';
import { TextField } from '../../ui/TextField';
import { Text } from '../../ui/Text';
import { JoinForm } from './JoinForm';

/** What a phone without access sees of the app. */
export function Unlock({ openedAt }: { openedAt: string }) {
  const [passphrase, setPassphrase] = useState('');
  const [isJoining, setJoining] = useState(false);
  const [unlock, { error, isLoading }] = useUnlockMutation();
  const go = async () => {
    const sent = await unlock({ passphrase });
    // Refetches everything, now as the coach, and goes on to where they were going.
    if (!sent.error) location.replace(openedAt);
  };
  if (isJoining) return <JoinForm />;
  return (
    <Page
      isShort
      title="Zest Lap is locked"
      footer={
        <PrimaryButton main disabled={passphrase === '' || isLoading} onPress={() => void go()}>
          Open
        </PrimaryButton>
      }
    >
      {/* A form of the page's own, so that the browser can keep the passphrase for the coach. */}
      {unstable_createElement('form', {
        onSubmit: (event: FormEvent) => {
          event.preventDefault();
          void go();
        },
        children: [
          // There is one passphrase for the whole club, but browsers save none without a user name.
          unstable_createElement('input', {
            key: 'club',
            name: 'username',
            autoComplete: 'username',
            value: 'club',
            readOnly: true,
            'aria-hidden': true,
            tabIndex: -1,
            style: { display: 'none' },
          }),
          <TextField
            key="passphrase"
            label="The club’s passphrase"
            value={passphrase}
            onChange={setPassphrase}
            error={error ? troubleText(error) : undefined}
            secret
            onEnter={() => void go()}
          />,
        ],
      })}
      <Text as="small" quiet>
        It was set where the server was started. This phone is remembered for 30 days.
      </Text>
      <SmallButton onPress={() => setJoining(true)}>I have a code from the coach</SmallButton>
    </Page>
  );
}
