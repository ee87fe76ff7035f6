import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { LEVERS, USUAL_EVERY_DAYS, type Progression } from '@core/library/librarySession';
import { standardTrack } from '@core/venue/venue';
import { known } from '@core/units/known';
import { LEVER_WORDS } from '@core/library/leverWords';
import { Choice } from '../ui/Choice';
import { dayName, today } from '../ui/days';
import { NotThere } from '../ui/NotThere';
import { LapThumb } from '../ui/lapSheet/LapThumb';
import { Page } from '../ui/Page';
import { PrimaryButton } from '../ui/PrimaryButton';
import { Select } from '../ui/Select';
import { SmallButton } from '../ui/SmallButton';
import { Stepper } from '../ui/Stepper';
import { TextField } from '../ui/TextField';
import { SPACE, usePalette } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { WhenField } from '../ui/WhenField';
import { Text } from '../ui/Text';
import { SideBySide } from '../ui/SideBySide';
import { mainPart, viewSession } from '../data/sessionView';
import { GoingOn } from './GoingOn';
import { Standing, useStandings } from './Standing';
import { useLibraryChange, type LibraryView } from '../data/useLibrary';
import { usePutOnDay } from './usePutOnDay';
import { WithLibrary } from './WithLibrary';
import { WhatIs } from '../parts/WhatIs';

const backToProgressions = () => router.replace('/sessions/progressions');

function Steps({ stored, library }: { stored: Progression; library: LibraryView }) {
  const palette = usePalette();
  const change = useLibraryChange(library);
  const [name, setName] = useState(stored.name);
  const [dating, setDating] = useState<string>();
  const [date, setDate] = useState(today);
  const putOn = usePutOnDay();
  const [trouble, setTrouble] = useState<string>();
  const { id, stepIds, everyDays = USUAL_EVERY_DAYS } = stored;
  const standings = useStandings(id);
  const put = async (next: { [K in keyof Progression]?: Progression[K] | undefined }, noticeText: string) => {
    const progression = known<Progression>({
      chain: undefined,
      everyDays: undefined,
      round: undefined,
      ...stored,
      ...next,
    });
    // A ladder that has only its first round yet grows and shrinks with its steps.
    const isFirstRound = stored.round === stepIds.length && progression.round === stored.round;
    const grown = isFirstRound ? { round: progression.stepIds.length } : {};
    setTrouble(await change({ progressions: [{ ...progression, ...grown }] }, noticeText));
  };
  const remove = async () => {
    const refused = await change({ removedProgressionIds: [id] }, `“${stored.name}” is removed; its sessions stay.`);
    if (refused === undefined) backToProgressions();
    else setTrouble(refused);
  };
  const swapped = (i: number, j: number) =>
    stepIds.map((step, at) => (at === i ? (stepIds[j] ?? step) : at === j ? (stepIds[i] ?? step) : step));
  const others = library.entries.filter(({ session }) => !session.archived && !stepIds.includes(session.id));
  return (
    <Page title={stored.name} onBack={backToProgressions} backLabel="Back to all progressions">
      {trouble !== undefined && <Trouble>{trouble}</Trouble>}
      <TextField
        label="Name"
        value={name}
        onChange={setName}
        onBlur={() => {
          if (name.trim() !== '' && name !== stored.name) void put({ name: name.trim() }, 'It has its new name.');
        }}
        error={name.trim() === '' ? 'A progression needs a name.' : undefined}
      />
      <Choice
        label="What changes from step to step"
        showLabel
        options={LEVERS.map((value) => ({ value, text: LEVER_WORDS[value] }))}
        value={stored.lever}
        onChange={(lever) => void put({ lever }, `It goes by: ${LEVER_WORDS[lever].toLowerCase()}.`)}
      />
      <WhatIs terms={['progression', 'lever', 'step', 'float']} />
      <Stepper
        label="Days from one step to the next"
        value={everyDays}
        text={everyDays % 7 === 0 ? `${everyDays / 7} ${everyDays === 7 ? 'week' : 'weeks'}` : `${everyDays} days`}
        step={everyDays % 7 === 0 ? 7 : 1}
        min={1}
        max={196}
        onChange={(days) => void put({ everyDays: days }, 'It has its new spacing.')}
      />
      <View role="list" aria-label="Steps" style={{ gap: SPACE.m }}>
        {stepIds.map((step, i) => {
          const entry = library.entries.find(({ session }) => session.id === step);
          const title = entry?.session.title ?? 'A session that is no longer in the library';
          const view = entry?.tree && viewSession(entry.tree);
          const { last } = library.useOf(step);
          return (
            <View
              role="listitem"
              key={step}
              style={{ gap: SPACE.s, paddingBottom: SPACE.m, borderBottomWidth: 1, borderBottomColor: palette.line }}
            >
              <View style={{ flexDirection: 'row', gap: SPACE.m, alignItems: 'center' }}>
                <Text as="title" style={{ width: 28 }}>
                  {String(i + 1)}
                </Text>
                <View style={{ flex: 1, minWidth: 0 }}>
                  <Text as="strong">{title}</Text>
                  <Text as="small" quiet>
                    {entry?.tree ? mainPart(entry.tree) : 'It cannot be read.'}
                  </Text>
                  {last !== undefined && <Text as="label">{`Last run ${dayName(last)}`}</Text>}
                  <Standing standings={standings} stepIds={stepIds} step={step} />
                </View>
                {view && <LapThumb sections={view.sections} venue={standardTrack} finishLegs={view.finishLegs} />}
              </View>
              <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
                {entry && (
                  <SmallButton label={`Open ${title}`} onPress={() => router.push(`/sessions/library/${step}`)}>
                    Open
                  </SmallButton>
                )}
                {entry && (
                  <SmallButton
                    label={`Put step ${i + 1} on a day`}
                    expanded={dating === step}
                    onPress={() => setDating(dating === step ? undefined : step)}
                  >
                    Put on a day
                  </SmallButton>
                )}
                {i > 0 && (
                  <SmallButton
                    label={`Step ${i + 1} earlier`}
                    onPress={() => void put({ stepIds: swapped(i, i - 1) }, 'The order is changed.')}
                  >
                    Earlier
                  </SmallButton>
                )}
                {i < stepIds.length - 1 && (
                  <SmallButton
                    label={`Step ${i + 1} later`}
                    onPress={() => void put({ stepIds: swapped(i, i + 1) }, 'The order is changed.')}
                  >
                    Later
                  </SmallButton>
                )}
                {stepIds.length > 1 && (
                  <SmallButton
                    label={`Take step ${i + 1} out`}
                    onPress={() =>
                      void put(
                        { stepIds: stepIds.filter((other) => other !== step) },
                        `“${title}” is no longer a step.`,
                      )
                    }
                  >
                    Take out
                  </SmallButton>
                )}
              </View>
              {entry && dating === step && (
                <SideBySide isAtFoot>
                  <WhenField type="date" label="On" value={date} onChange={setDate} />
                  <PrimaryButton
                    main
                    disabled={date === ''}
                    onPress={() => void putOn(entry.session, date, `/sessions/progressions/${id}`)}
                  >
                    Put it there
                  </PrimaryButton>
                </SideBySide>
              )}
            </View>
          );
        })}
      </View>
      <Select
        label="Add a step"
        options={[
          { value: '', text: 'choose a session from the library' },
          ...others.map(({ session }) => ({ value: session.id, text: session.title })),
        ]}
        value=""
        onChange={(step) => step !== '' && void put({ stepIds: [...stepIds, step] }, 'A step is added at the end.')}
      />
      <GoingOn stored={stored} put={put} />
      <View style={{ alignItems: 'flex-start' }}>
        <SmallButton onPress={() => void remove()}>Remove this progression</SmallButton>
      </View>
    </Page>
  );
}

/** One progression: its lever, and its steps in order. */
export function ProgressionPage({ id }: { id: string }) {
  return (
    <WithLibrary title="Progression">
      {(library) => {
        const stored = library.progressions.find((progression) => progression.id === id);
        return stored ? (
          <Steps key={id} stored={stored} library={library} />
        ) : (
          <Page title="Progression" onBack={backToProgressions} backLabel="Back to all progressions">
            <NotThere what="progression" goTo="progressions" onGo={backToProgressions} />
          </Page>
        );
      }}
    </WithLibrary>
  );
}
