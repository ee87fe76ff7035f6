import { counted } from '@core/units/counted';
import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { ulid } from 'ulid';
import type { Progression } from '@core/library/librarySession';
import { LEVER_WORDS } from '@core/library/leverWords';
import { Empty } from '../ui/Empty';
import { ListRow } from '../ui/ListRow';
import { Page } from '../ui/Page';
import { PrimaryButton } from '../ui/PrimaryButton';
import { Select } from '../ui/Select';
import { SPACE } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { Text } from '../ui/Text';
import { useLibraryChange, type LibraryView } from '../data/useLibrary';
import { backToLibrary, WithLibrary } from './WithLibrary';

function List({ library }: { library: LibraryView }) {
  const change = useLibraryChange(library);
  const [trouble, setTrouble] = useState<string>();
  const [isChoosing, setChoosing] = useState(false);
  const first = library.entries.filter(({ session }) => !session.archived);
  const add = async (step: string) => {
    const id = ulid();
    const title = first.find(({ session }) => session.id === step)?.session.title ?? 'New';
    const made: Progression = { id, name: `${title} and on`, lever: 'more', stepIds: [step] };
    const refused = await change({ progressions: [made] }, 'A new progression. Choose its next steps.');
    setTrouble(refused);
    if (refused === undefined) router.push(`/sessions/progressions/${id}`);
  };
  return (
    <Page
      title="Progressions"
      onBack={backToLibrary}
      backLabel="Back to the library"
      footer={
        isChoosing ? (
          <Select
            label="It begins with"
            options={[
              { value: '', text: 'choose a session from the library' },
              ...first.map(({ session }) => ({ value: session.id, text: session.title })),
            ]}
            value=""
            onChange={(step) => step !== '' && void add(step)}
          />
        ) : (
          <PrimaryButton main icon="plus" onPress={() => setChoosing(true)}>
            New progression
          </PrimaryButton>
        )
      }
    >
      {trouble !== undefined && <Trouble>{trouble}</Trouble>}
      <Text as="small" quiet>
        Sessions that follow each other with one thing changing from step to step. One can also be proposed from any
        session in the library, under About.
      </Text>
      {library.progressions.length === 0 && (
        <Empty title="None yet">Make one here by hand, or open a session in the library and have it proposed.</Empty>
      )}
      <View role="list" style={{ marginHorizontal: -SPACE.l }}>
        {library.progressions.map(({ id, name, lever, stepIds }) => (
          <View role="listitem" key={id}>
            <ListRow
              href={`/sessions/progressions/${id}`}
              title={name}
              detail={`${LEVER_WORDS[lever]} · ${counted(stepIds.length, 'step')}`}
            />
          </View>
        ))}
      </View>
    </Page>
  );
}

/** All progressions in the library. */
export function ProgressionList() {
  return <WithLibrary title="Progressions">{(library) => <List library={library} />}</WithLibrary>;
}
