import { useState } from 'react';
import { troubleText, useJoinMutation } from '../store/api';
import { Page } from '../ui/Page';
import { PrimaryButton } from '../ui/PrimaryButton';
import { TextField } from '../ui/TextField';
import { Words } from '../ui/Words';

/** The code of an address such as `/join#ABCD-2345`; it is not sent to any server by opening it. */
const codeOfAddress = () => decodeURIComponent(globalThis.location?.hash.slice(1) ?? '');

/** How an assistant's phone joins one session: by a code, typed or from the QR code's address. */
export function JoinForm() {
  const [code, setCode] = useState(codeOfAddress);
  const [join, { error, isLoading }] = useJoinMutation();
  const go = async () => {
    const sent = await join({ code });
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
      <Words as="small" quiet>
        This phone will see that one session and nothing else of the club.
      </Words>
    </Page>
  );
}
