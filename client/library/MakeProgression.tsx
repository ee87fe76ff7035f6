import { counted } from '@core/units/counted';
import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { ulid } from 'ulid';
import { LEVERS, type LibrarySession, type Lever } from '@core/library/librarySession';
import { proposeSteps } from '@core/library/progression';
import { formatSession } from '@core/session/formatSession';
import { parseStored } from '@core/session/parseSession';
import { LEVER_WORDS } from '@core/library/leverWords';
import { Choice } from '../ui/Choice';
import { PrimaryButton } from '../ui/PrimaryButton';
import { SmallButton } from '../ui/SmallButton';
import { Stepper } from '../ui/Stepper';
import { TextField } from '../ui/TextField';
import { RADIUS, SPACE, usePalette } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { Text } from '../ui/Text';
import { mainPart } from '../data/sessionView';
import { useLibraryChange, type LibraryView } from '../data/useLibrary';

type Props = { session: LibrarySession; library: LibraryView; paceNames: readonly string[] };

/** A family of sessions proposed from this one, by one lever: looked at first, then kept in the library. */
export function MakeProgression({ session, library, paceNames }: Props) {
  const palette = usePalette();
  const change = useLibraryChange(library);
  const [isOpen, setOpen] = useState(false);
  const [lever, setLever] = useState<Lever>('more');
  const [steps, setSteps] = useState(4);
  const [name, setName] = useState<string>();
  const [trouble, setTrouble] = useState<string>();
  const parsed = parseStored(session.shorthand, { paceNames });
  if (!parsed.ok) return null;
  const proposed = proposeSteps(parsed.session, lever, steps);
  const title = name ?? `${session.title}: ${LEVER_WORDS[lever].toLowerCase()}`;
  const keep = async () => {
    const { favourite: _favourite, archived: _archived, ...rest } = session;
    const further = proposed.slice(1).map((step, i): LibrarySession => ({
      ...rest,
      id: ulid(),
      title: `${session.title}, ${i + 2}`,
      shorthand: formatSession(step),
    }));
    const id = ulid();
    const stepIds = [session.id, ...further.map((step) => step.id)];
    const refused = await change(
      { sessions: further, progressions: [{ id, name: title, lever, stepIds }] },
      `“${title}” is in the library: ${counted(stepIds.length, 'step')}.`,
    );
    setTrouble(refused);
    if (refused === undefined) router.push(`/sessions/progressions/${id}`);
  };
  return (
    <View style={{ gap: SPACE.m, alignItems: 'stretch' }}>
      <View style={{ alignItems: 'flex-start' }}>
        <SmallButton expanded={isOpen} onPress={() => setOpen(!isOpen)}>
          Make a progression
        </SmallButton>
      </View>
      {isOpen && (
        <View
          role="group"
          aria-label="Progression"
          style={{ gap: SPACE.m, padding: SPACE.m, borderRadius: RADIUS, backgroundColor: palette.raised }}
        >
          <Choice
            label="What changes from step to step"
            showLabel
            options={LEVERS.map((value) => ({ value, text: LEVER_WORDS[value] }))}
            value={lever}
            onChange={setLever}
          />
          <Stepper label="Steps" value={steps} text={String(steps)} step={1} min={2} max={8} onChange={setSteps} />
          {proposed.length === 1 ? (
            <Text quiet>This lever moves nothing in this session. Try another one.</Text>
          ) : (
            <View role="list" style={{ gap: SPACE.s }}>
              {proposed.map((step, i) => (
                <View role="listitem" key={i}>
                  <Text as="small">{`${i + 1}.  ${mainPart(step)}`}</Text>
                </View>
              ))}
              {proposed.length < steps && (
                <Text as="small" quiet>
                  {`The lever comes to its end after ${counted(proposed.length, 'step')}.`}
                </Text>
              )}
            </View>
          )}
          <TextField label="Name of the progression" value={title} onChange={setName} />
          {trouble !== undefined && <Trouble>{trouble}</Trouble>}
          <PrimaryButton disabled={proposed.length === 1 || title.trim() === ''} onPress={() => void keep()}>
            Keep this progression
          </PrimaryButton>
        </View>
      )}
    </View>
  );
}
