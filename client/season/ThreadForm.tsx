import { counted } from '@core/units/counted';
import { useState } from 'react';
import { View } from 'react-native';
import { FormFoot } from '../ui/FormFoot';
import type { Thread } from '@core/season/season';
import { INTENT_FACTS, INTENTS, type Intent } from '@core/session/intent';
import { parseStored } from '@core/session/parseSession';
import { intentOfText } from '@core/advice/suggestIntent';
import type { PaceBook } from '@core/paces/paceBook';
import { ChainFields } from '../parts/ChainFields';
import { ModalSheet } from '../ui/ModalSheet';
import { Select } from '../ui/Select';
import { SmallButton } from '../ui/SmallButton';
import { Stepper } from '../ui/Stepper';
import { SPACE } from '../ui/theme';
import { TextField } from '../ui/TextField';
import { TickRow } from '../ui/TickRow';
import { Text } from '../ui/Text';

const MAIN = /^main:\s*/i;
/** A step of one line is typed without the word before it. */
const shown = (stage: string) => (stage.includes('\n') ? stage : stage.replace(MAIN, ''));
const stored = (typed: string) => {
  const text = typed.trim();
  return text === '' || text.includes('\n') || /^(main|finish):/i.test(text) ? text : `main: ${text}`;
};

/** What is wrong with a step as it is written; undefined where it can be read. */
function stageProblem(typed: string, paceNames: readonly string[]): string | undefined {
  if (typed.trim() === '') return 'Write the step, like 6x800 @5k / 2:00 jog.';
  const parsed = parseStored(stored(typed), { paceNames });
  return parsed.ok ? undefined : (parsed.problems[0]?.message ?? 'This cannot be read.');
}

type Props = {
  /** The one that is changed; a new one where left out. */
  thread?: Thread;
  newId: string;
  /** The names of paces, and the book they are in. */
  naming: { paceNames: readonly string[]; paceBook: PaceBook };
  save: (thread: Thread) => void;
  remove?: () => void;
  close: () => void;
};

/** A thread: its name, its steps as they are written, how it then grows, and how often its turn may come. */
export function ThreadForm({ thread, newId, naming, save, remove, close }: Props) {
  const [name, setName] = useState(thread?.name ?? '');
  const [stages, setStages] = useState<readonly string[]>(() => (thread ? thread.stages.map(shown) : ['']));
  const [chain, setChain] = useState(thread?.chain ?? []);
  const [intent, setIntent] = useState<Intent | ''>(thread?.intent ?? '');
  const [spacingDays, setSpacingDays] = useState(thread?.spacingDays ?? 12);
  const [flags, setFlags] = useState({
    isLight: thread?.isLight ?? false,
    isByReadiness: thread?.isByReadiness ?? false,
    isLadder: thread?.isLadder ?? false,
    isFitted: thread?.isFitted ?? false,
  });
  const [isTried, setTried] = useState(false);
  const isOfLibrary = thread?.progressionId !== undefined || thread?.libraryId !== undefined;
  const problems = isOfLibrary ? [] : stages.map((stage) => stageProblem(stage, naming.paceNames));
  const nameProblem = name.trim() === '' ? 'A thread needs a name.' : undefined;
  const submit = () => {
    setTried(true);
    if (nameProblem !== undefined || problems.some((problem) => problem !== undefined)) return;
    const { isLight: _light, isByReadiness: _ready, isLadder: _ladder, isFitted: _fitted, arc, ...rest } = thread ?? {};
    const nowStages = isOfLibrary ? [] : stages.map(stored);
    // The arc was meant for the sessions as they were.
    const isSame = thread?.intent === intent && thread.stages.join() === nowStages.join();
    save({
      ...rest,
      id: thread?.id ?? newId,
      name: name.trim(),
      intent: intent === '' ? intentOfText(stored(stages[0] ?? ''), naming) : intent,
      stages: nowStages,
      ...(arc && isSame ? { arc } : {}),
      chain: [...chain],
      spacingDays,
      ...(flags.isLight ? { isLight: true as const } : {}),
      ...(flags.isByReadiness ? { isByReadiness: true as const } : {}),
      ...(flags.isLadder ? { isLadder: true as const } : {}),
      ...(flags.isFitted ? { isFitted: true as const } : {}),
    });
  };
  const setStage = (at: number, text: string) => setStages(stages.map((before, i) => (i === at ? text : before)));
  return (
    <ModalSheet title={thread ? thread.name : 'A new thread'} close={close}>
      <TextField
        label="Thread"
        value={name}
        onChange={setName}
        error={isTried ? nameProblem : undefined}
        placeholder="Threshold, longer reps"
      />
      {isOfLibrary ? (
        <Text as="small" quiet>
          Its sessions are in the library: change them there, and the days that are not written yet follow.
        </Text>
      ) : (
        <View style={{ gap: SPACE.s }}>
          {stages.map((stage, i) => (
            <View key={i} style={{ flexDirection: 'row', alignItems: 'flex-end', gap: SPACE.s }}>
              <View style={{ flex: 1 }}>
                <TextField
                  label={stages.length > 1 ? `Step ${i + 1}` : 'Session, main part'}
                  value={stage}
                  onChange={(text) => setStage(i, text)}
                  lines={2}
                  error={isTried ? problems[i] : undefined}
                  placeholder="6x800 @5k / 2:00 jog"
                />
              </View>
              {stages.length > 1 && (
                <SmallButton
                  label={`Take step ${i + 1} out`}
                  onPress={() => setStages(stages.filter((_, at) => at !== i))}
                >
                  Take out
                </SmallButton>
              )}
            </View>
          ))}
          {stages.length < 30 && (
            <View style={{ alignItems: 'flex-start' }}>
              <SmallButton onPress={() => setStages([...stages, stages.at(-1) ?? ''])}>Another step</SmallButton>
            </View>
          )}
        </View>
      )}
      {!isOfLibrary && (
        <TickRow
          label="When all steps are done they come again, a little faster"
          checked={flags.isLadder}
          onChange={(isLadder) => setFlags({ ...flags, isLadder })}
        />
      )}
      {!flags.isLadder && thread?.progressionId === undefined && (
        <View style={{ gap: SPACE.s }}>
          <Text as="strong">After the last step it grows</Text>
          <ChainFields chain={chain} lever="more" put={setChain} />
        </View>
      )}
      <Select
        label="What it is for"
        value={intent}
        options={[
          ...(thread ? [] : [{ value: '' as const, text: 'As the session says' }]),
          ...INTENTS.map((value) => ({ value, text: INTENT_FACTS[value].name })),
        ]}
        onChange={setIntent}
      />
      <Stepper
        label="Days between two turns, at least"
        value={spacingDays}
        text={counted(spacingDays, 'day')}
        step={1}
        min={1}
        max={100}
        onChange={setSpacingDays}
      />
      <TickRow
        label="A step on only at the coach’s word, not by the date"
        checked={flags.isByReadiness}
        onChange={(isByReadiness) => setFlags({ ...flags, isByReadiness })}
      />
      {!isOfLibrary && (
        <TickRow
          label="Fewer reps over a distance for a slower group"
          checked={flags.isFitted}
          onChange={(isFitted) => setFlags({ ...flags, isFitted })}
        />
      )}
      <TickRow
        label="Hard, but light on the legs"
        checked={flags.isLight}
        onChange={(isLight) => setFlags({ ...flags, isLight })}
      />
      <FormFoot
        save="Save the thread"
        onSave={submit}
        onCancel={close}
        onRemove={remove}
        remove="Take it out of the season"
      />
    </ModalSheet>
  );
}
