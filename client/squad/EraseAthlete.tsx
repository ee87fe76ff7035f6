import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import type { SquadMember } from '@core/squad/athlete';
import { troubleText, useEraseAthleteMutation } from '../store/api';
import { forgetAthlete } from '../log/recorder';
import { today } from '../ui/days';
import { Ask } from '../ui/Ask';
import { PrimaryButton } from '../ui/PrimaryButton';
import { saveFile } from '../ui/saveFile';
import { SPACE } from '../ui/theme';
import { TickRow } from '../ui/TickRow';
import { Trouble } from '../ui/Trouble';
import { useNotice } from '../ui/Notices';
import { Text } from '../ui/Text';

/** Gets everything that is kept about an athlete and hands it over as a file. @returns what went wrong, if anything. */
async function saveAll({ id, tileName }: SquadMember): Promise<string | undefined> {
  try {
    const answer = await fetch(`/api/athletes/${id}/file`);
    if (!answer.ok) return 'The server could not put the file together. Nothing was saved.';
    saveFile(`${tileName} ${today()}.json`, JSON.stringify(await answer.json(), undefined, 1), 'application/json');
    return undefined;
  } catch {
    return troubleText(undefined);
  }
}

/** The athlete as a file; and everything about them away for good, after a copy or a clear no to one. */
export function EraseAthlete({ athlete }: { athlete: SquadMember }) {
  const [isOpen, setOpen] = useState(false);
  const [hasCopy, setCopy] = useState(false);
  const [noCopy, setNoCopy] = useState(false);
  const [trouble, setTrouble] = useState<string>();
  const [erase, erasing] = useEraseAthleteMutation();
  const notice = useNotice();
  const save = async () => {
    const failed = await saveAll(athlete);
    setTrouble(failed);
    setCopy(failed === undefined);
  };
  const go = async () => {
    const erased = await erase(athlete.id);
    if (erased.error) return setTrouble(troubleText(erased.error));
    await forgetAthlete(athlete.id);
    router.replace('/squad');
    return notice({ text: `${athlete.name} is erased for good.` });
  };
  return (
    <View style={{ gap: SPACE.m }}>
      {trouble !== undefined && !isOpen && <Trouble>{trouble}</Trouble>}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <PrimaryButton onPress={() => void save()}>Save all as a file</PrimaryButton>
        <PrimaryButton icon="remove" onPress={() => setOpen(true)}>
          Erase for good …
        </PrimaryButton>
      </View>
      {isOpen && (
        <Ask
          title={`Erase ${athlete.name} for good?`}
          close={() => setOpen(false)}
          answers={
            <>
              <PrimaryButton
                icon="remove"
                disabled={(!hasCopy && !noCopy) || erasing.isLoading}
                onPress={() => void go()}
              >
                {`Erase ${athlete.name}`}
              </PrimaryButton>
              <PrimaryButton main onPress={() => setOpen(false)}>
                Keep
              </PrimaryButton>
            </>
          }
        >
          <Text>
            Everything about them goes: profile, marks, notes, and their times in every session. It cannot be taken
            back.
          </Text>
          <Text as="small" quiet>
            Save a copy first, or say that none is needed. Files that were exported before stay where they are; the
            server’s nightly copies hold them for 14 nights more.
          </Text>
          {trouble !== undefined && <Trouble>{trouble}</Trouble>}
          <View style={{ alignItems: 'flex-start' }}>
            <PrimaryButton onPress={() => void save()}>Save a copy first</PrimaryButton>
          </View>
          <TickRow
            label={hasCopy ? 'A copy is saved' : 'No copy is needed'}
            checked={hasCopy || noCopy}
            onChange={setNoCopy}
          />
        </Ask>
      )}
    </View>
  );
}
