import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { ulid } from 'ulid';
import type { BookSession } from '@core/library/bookSession';
import { isStarter, STARTERS } from '@core/library/starters';
import { useBookVersionsQuery } from '../store/api';
import { dayName, today } from '../ui/days';
import { saveFile } from '../ui/saveFile';
import { SmallButton } from '../ui/SmallButton';
import { TextField } from '../ui/TextField';
import { SPACE } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { Words } from '../ui/Words';
import { SENTENCE_KEYS, type AboutFields } from './bookDraft';
import { resultText } from './bookWords';
import { MakeProgression } from './MakeProgression';
import { useBookChange, type BookView } from '../data/useBook';

const SENTENCE_LABEL: Record<(typeof SENTENCE_KEYS)[number], string> = {
  purpose: 'What it is for',
  season: 'When in a season',
  easier: 'To make it easier',
  harder: 'To make it harder',
};

type Props = {
  session: BookSession;
  typed: AboutFields;
  onChange: (part: Partial<AboutFields>) => void;
  /** Puts an earlier text back. */
  onText: (shorthand: string) => void;
  book: BookView;
  paceNames: readonly string[];
};

function Used({ session, book }: Pick<Props, 'session' | 'book'>) {
  const { days, last, runs } = book.useOf(session.id);
  const [latest] = runs;
  return (
    <View style={{ gap: SPACE.xs }}>
      <Words as="heading" level={2}>
        How it went
      </Words>
      {last === undefined ? (
        <Words quiet>Not on any day yet.</Words>
      ) : (
        <Words as="small" quiet>{`On ${days === 1 ? 'one day' : `${days} days`}, the last ${dayName(last)}.`}</Words>
      )}
      {latest && runs.length > 1 && (
        <View style={{ alignItems: 'flex-start' }}>
          <SmallButton onPress={() => router.push(`/results/${latest.id}/same`)}>Side by side</SmallButton>
        </View>
      )}
      {runs.flatMap(({ id, date, summary }) =>
        summary
          ? [
              <View key={id} style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: SPACE.s }}>
                <SmallButton onPress={() => router.push(`/results/${id}`)}>{dayName(date)}</SmallButton>
                <Words as="small" style={{ flexShrink: 1 }}>
                  {resultText(summary)}
                </Words>
              </View>,
            ]
          : [],
      )}
    </View>
  );
}

function Versions({ session, onText }: Pick<Props, 'session' | 'onText'>) {
  const { data: versions = [] } = useBookVersionsQuery(session.id);
  const shipped = STARTERS.find(({ id }) => id === session.id);
  const isChanged = shipped !== undefined && shipped.shorthand !== session.shorthand;
  if (versions.length === 0 && !isChanged) return null;
  return (
    <View style={{ gap: SPACE.s }}>
      <Words as="heading" level={2}>
        Earlier versions
      </Words>
      <Words as="small" quiet>
        What was run stays as it was run: these are the texts that results stand on.
      </Words>
      {versions.map(({ version, shorthand, untilMs }) => (
        <View key={version} style={{ gap: SPACE.xs }}>
          <Words as="strong">{`Version ${version}, until ${new Date(untilMs).toLocaleDateString('en-GB')}`}</Words>
          <Words as="small">{shorthand}</Words>
          <View style={{ alignItems: 'flex-start' }}>
            <SmallButton label={`Go back to version ${version}`} onPress={() => onText(shorthand)}>
              Go back to this
            </SmallButton>
          </View>
        </View>
      ))}
      {isChanged && (
        <View style={{ gap: SPACE.xs }}>
          <Words as="strong">As it came with the app</Words>
          <Words as="small">{shipped.shorthand}</Words>
          <View style={{ alignItems: 'flex-start' }}>
            <SmallButton label="Go back to how it came" onPress={() => onText(shipped.shorthand)}>
              Go back to this
            </SmallButton>
          </View>
        </View>
      )}
    </View>
  );
}

/** What a session of the book is for, how it went, its earlier versions, and what can be made of it. */
export function BookAbout({ session, typed, onChange, onText, book, paceNames }: Props) {
  const change = useBookChange(book);
  const [trouble, setTrouble] = useState<string>();
  const act = async (...args: Parameters<typeof change>) => {
    const refused = await change(...args);
    setTrouble(refused);
    return refused === undefined;
  };
  const copy = async () => {
    const { favourite: _favourite, archived: _archived, ...rest } = session;
    const id = ulid();
    const title = `${session.title}, copy`;
    if (await act({ sessions: [{ ...rest, id, title }] }, `“${title}” is in the book.`))
      router.push(`/sessions/book/${id}`);
  };
  const archive = () => {
    const { archived, ...rest } = session;
    const next = archived ? rest : { ...rest, archived: true as const };
    void act({ sessions: [next] }, archived ? 'It is back in the book.' : 'It is out of sight, under Archived.');
  };
  const save = async (as: 'json' | 'text') => {
    const checks = await import('../data/checks').catch(() => undefined);
    if (!checks) return setTrouble('What writes files cannot be fetched: the server cannot be reached.');
    if (as === 'text') return saveFile(`${session.title}.txt`, checks.writeSessionText(session), 'text/plain');
    return saveFile(
      `${session.title}.json`,
      checks.writeSessionsFile([session], [], { savedOn: today(), paceNames }),
      'application/json',
    );
  };
  return (
    <View style={{ gap: SPACE.l }}>
      {trouble !== undefined && <Trouble>{trouble}</Trouble>}
      {isStarter(session.id) && (
        <Words as="small" quiet>
          One of the sessions to start from. Change it as you like: how it came is kept.
        </Words>
      )}
      {SENTENCE_KEYS.map((key) => (
        <TextField
          key={key}
          label={SENTENCE_LABEL[key]}
          value={typed[key] ?? ''}
          onChange={(text) => onChange({ [key]: text })}
          lines={2}
        />
      ))}
      <TextField
        label="Tags"
        value={typed.tags}
        onChange={(tags) => onChange({ tags })}
        hint="Words to find it by, with commas between."
      />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <SmallButton onPress={() => void copy()}>Copy</SmallButton>
        <SmallButton onPress={archive}>{session.archived ? 'Back from the archive' : 'Archive'}</SmallButton>
        <SmallButton onPress={() => void save('json')}>Save as JSON</SmallButton>
        <SmallButton onPress={() => void save('text')}>Save as text</SmallButton>
      </View>
      <MakeProgression session={session} book={book} paceNames={paceNames} />
      <Used session={session} book={book} />
      <Versions session={session} onText={onText} />
    </View>
  );
}
