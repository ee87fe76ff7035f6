import { useState } from 'react';
import { troubleText, useJoinMutation } from '../../store/api';
import { deviceId } from '../../log/deviceId';
import { Page } from '../../ui/Page';
import { PrimaryButton } from '../../ui/PrimaryButton';
import { TextField } from '../../ui/TextField';
import { Text } from '../../ui/Text';
import { codeOfAddress } from './codeOfAddress';

/** How an assistant's phone joins one session: by a code, typed or from the QR code's address. */
export function JoinForm() {
  const [code, setCode] = useState(() => codeOfAddress(location.hash));
  const [join, { error, isLoading }] = useJoinMutation();
  const go = async () => {
    const sent = await join({ code, deviceId: deviceId() });
    if (sent.data) location.replace(`/track/run/${sent.data.runId}`);
  };
  return (
    <Page
      isShort
      title="Time a session together"
      footer={
        <PrimaryButton main icon="track" disabled={code.trim() === '' || isLoading} onPress={() => void go()}>
          Join the session
        </PrimaryButton>
      }
    >
      <TextField
        label="Code"
        value={code}
        onChange={setCode}
        error={error ? troubleText(error) : undefined}
        hint="The coach’s board shows it: More, then A second phone. Each code is good for one phone and ten minutes."
        onEnter={() => void go()}
      />
      <Text as="small" quiet>
        This phone will see that one session and nothing else of the club.
      </Text>
    </Page>
  );
}
