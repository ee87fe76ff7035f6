import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { ulid } from 'ulid';
import type { Progression } from '@core/library/bookSession';
import { LEVER_WORDS } from '@core/library/leverWords';
import { Empty } from '../ui/Empty';
import { ListRow } from '../ui/ListRow';
import { Page } from '../ui/Page';
import { PrimaryButton } from '../ui/PrimaryButton';
import { Select } from '../ui/Select';
import { SPACE } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { Words } from '../ui/Words';
import { useBookChange, type BookView } from '../data/useBook';
import { backToBook, WithBook } from './WithBook';

function List({ book }: { book: BookView }) {
  const change = useBookChange(book);
  const [trouble, setTrouble] = useState<string>();
  const [isChoosing, setChoosing] = useState(false);
  const first = book.entries.filter(({ session }) => !session.archived);
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
      onBack={backToBook}
      backLabel="Back to the book"
      footer={
        isChoosing ? (
          <Select
            label="It begins with"
            options={[
              { value: '', text: 'choose a session of the book' },
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
      <Words as="small" quiet>
        Sessions that follow each other with one thing changing from step to step. One can also be proposed from any
        session of the book, under About.
      </Words>
      {book.progressions.length === 0 && (
        <Empty title="None yet">Make one here by hand, or open a session of the book and have it proposed.</Empty>
      )}
      <View role="list" style={{ marginHorizontal: -SPACE.l }}>
        {book.progressions.map(({ id, name, lever, stepIds }) => (
          <View role="listitem" key={id}>
            <ListRow
              href={`/sessions/progressions/${id}`}
              title={name}
              about={`${LEVER_WORDS[lever]} · ${stepIds.length === 1 ? '1 step' : `${stepIds.length} steps`}`}
            />
          </View>
        ))}
      </View>
    </Page>
  );
}

/** All progressions of the book. */
export function ProgressionList() {
  return <WithBook title="Progressions">{(book) => <List book={book} />}</WithBook>;
}
