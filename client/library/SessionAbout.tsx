import { counted } from '@core/units/counted';
import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { ulid } from 'ulid';
import type { LibrarySession } from '@core/library/librarySession';
import { isStarter, STARTERS } from '@core/library/starters';
import { usePages } from '../data/usePages';
import { useLibraryVersionsInfiniteQuery, useResultsInfiniteQuery } from '../store/api';
import { dayName, today } from '../ui/days';
import { MoreRows } from '../ui/MoreRows';
import { saveFile } from '../ui/saveFile';
import { SmallButton } from '../ui/SmallButton';
import { TextField } from '../ui/TextField';
import { SPACE } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { Text } from '../ui/Text';
import { SENTENCE_KEYS, type AboutFields } from './libraryDraft';
import { resultText } from './libraryText';
import { MakeProgression } from './MakeProgression';
import { useLibraryChange, type LibraryView } from '../data/useLibrary';

const SENTENCE_LABEL: Record<(typeof SENTENCE_KEYS)[number], string> = {
  purpose: 'What it is for',
  season: 'When in a season',
  easier: 'To make it easier',
  harder: 'To make it harder',
};

type Props = {
  session: LibrarySession;
  typed: AboutFields;
  onChange: (part: Partial<AboutFields>) => void;
  /** Puts an earlier text back. */
  onText: (shorthand: string) => void;
  library: LibraryView;
  paceNames: readonly string[];
};

function Used({ session, library }: Pick<Props, 'session' | 'library'>) {
  const { days, last } = library.useOf(session.id);
  const { rows: runs = [], more } = usePages(useResultsInfiniteQuery({ library: session.id }));
  const [latest] = runs;
  return (
    <View style={{ gap: SPACE.xs }}>
      <Text as="heading" level={2}>
        How it went
      </Text>
      {last === undefined ? (
        <Text quiet>Not on any day yet.</Text>
      ) : (
        <Text
          as="small"
          quiet
        >{`On ${days === 1 ? 'one day' : counted(days, 'day')}, the last ${dayName(last)}.`}</Text>
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
                <Text as="small" style={{ flexShrink: 1 }}>
                  {resultText(summary)}
                </Text>
              </View>,
            ]
          : [],
      )}
      {more && <MoreRows {...more} />}
    </View>
  );
}

function Versions({ session, onText }: Pick<Props, 'session' | 'onText'>) {
  const { rows: versions = [], more } = usePages(useLibraryVersionsInfiniteQuery(session.id));
  const shipped = STARTERS.find(({ id }) => id === session.id);
  const isChanged = shipped !== undefined && shipped.shorthand !== session.shorthand;
  if (versions.length === 0 && !isChanged) return null;
  return (
    <View style={{ gap: SPACE.s }}>
      <Text as="heading" level={2}>
        Earlier versions
      </Text>
      <Text as="small" quiet>
        What was run stays as it was run: these are the texts that results stand on.
      </Text>
      {versions.map(({ version, shorthand, untilMs }) => (
        <View key={version} style={{ gap: SPACE.xs }}>
          <Text as="strong">{`Version ${version}, until ${new Date(untilMs).toLocaleDateString('en-GB')}`}</Text>
          <Text as="small">{shorthand}</Text>
          <View style={{ alignItems: 'flex-start' }}>
            <SmallButton label={`Go back to version ${version}`} onPress={() => onText(shorthand)}>
              Go back to this
            </SmallButton>
          </View>
        </View>
      ))}
      {more && <MoreRows {...more} />}
      {isChanged && (
        <View style={{ gap: SPACE.xs }}>
          <Text as="strong">As it came with the app</Text>
          <Text as="small">{shipped.shorthand}</Text>
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

/** What a session in the library is for, how it went, its earlier versions, and what can be made of it. */
export function SessionAbout({ session, typed, onChange, onText, library, paceNames }: Props) {
  const change = useLibraryChange(library);
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
    if (await act({ sessions: [{ ...rest, id, title }] }, `“${title}” is in the library.`))
      router.push(`/sessions/library/${id}`);
  };
  const archive = () => {
    const { archived, ...rest } = session;
    const next = archived ? rest : { ...rest, archived: true as const };
    void act({ sessions: [next] }, archived ? 'It is back in the library.' : 'It is out of sight, under Archived.');
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
        <Text as="small" quiet>
          One of the sessions to start from. Change it as you like: how it came is kept.
        </Text>
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
      <MakeProgression session={session} library={library} paceNames={paceNames} />
      <Used session={session} library={library} />
      <Versions session={session} onText={onText} />
    </View>
  );
}
