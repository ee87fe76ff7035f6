import { router } from 'expo-router';
import { useEffect, useId, useRef, useState } from 'react';
import { View } from 'react-native';
import { IconButton } from 'react-native-paper';
import { MOST_MARKS, type OwnVenue } from '@core/venue/ownVenue';
import {
  troubleText,
  usePutVenueMutation,
  useRemoveVenueMutation,
  useRestoreVenueMutation,
  useVenuesQuery,
} from '../store/api';
import { Choice } from '../ui/Choice';
import { FieldHelp } from '../ui/FieldHelp';
import { NotThere } from '../ui/NotThere';
import { Loading } from '../ui/Loading';
import { Page } from '../ui/Page';
import { rem } from '../ui/rem';
import { SmallButton } from '../ui/SmallButton';
import { TextField } from '../ui/TextField';
import { SPACE } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { useNotice } from '../ui/Notices';
import { Text } from '../ui/Text';
import { formOf, readVenue, type MarkProblem, type TypedMark, type VenueForm, type VenueProblems } from './venueForm';

const back = () => router.replace('/sessions/places');
const SAVE_AFTER_MS = 500;

type MarkProps = {
  /** Counted from one. */
  number: number;
  mark: TypedMark;
  problem: MarkProblem;
  onChange: (part: Partial<TypedMark>) => void;
  onRemove: () => void;
};

/** Where a mark is and what it is called; what is wrong with either stands under both, where there is room for it. */
function Mark({ number, mark, problem, onChange, onRemove }: MarkProps) {
  const helpId = useId();
  const said = [problem.at, problem.name].filter((part) => part !== undefined).join(' ');
  return (
    <View>
      <View style={{ flexDirection: 'row', gap: SPACE.s, alignItems: 'flex-start' }}>
        <View style={{ width: 104 }}>
          <TextField
            label="At, m"
            name={`Mark ${number} at, in metres`}
            value={mark.atM}
            onChange={(atM) => onChange({ atM })}
            error={problem.at}
            helpId={helpId}
            decimal
          />
        </View>
        <View style={{ flex: 1 }}>
          <TextField
            label="Name"
            name={`Name of mark ${number}`}
            value={mark.name}
            onChange={(name) => onChange({ name })}
            error={problem.name}
            helpId={helpId}
          />
        </View>
        <IconButton
          icon="remove"
          size={20}
          accessibilityLabel={`Remove mark ${number}`}
          onPress={onRemove}
          style={{ margin: 0, marginTop: rem(20), width: 44, height: 44 }}
        />
      </View>
      <FieldHelp id={helpId} error={said === '' ? undefined : said} />
    </View>
  );
}

function Editor({ stored }: { stored: OwnVenue }) {
  const { id } = stored;
  const [form, setForm] = useState(() => formOf(stored));
  const [put] = usePutVenueMutation();
  const [remove] = useRemoveVenueMutation();
  const [restore] = useRestoreVenueMutation();
  const [trouble, setTrouble] = useState<string>();
  const notice = useNotice();
  const read = readVenue(form);
  const problems: VenueProblems = read.ok ? { marks: [] } : read;
  const unsaved = useRef<Omit<OwnVenue, 'id'>>(undefined);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const save = useRef(async () => {
    clearTimeout(timer.current);
    const venue = unsaved.current;
    unsaved.current = undefined;
    if (!venue) return;
    const sent = await put({ id, ...venue });
    setTrouble(sent.error ? troubleText(sent.error) : undefined);
  });
  useEffect(() => {
    const { current } = save;
    return () => void current();
  }, []);
  const change = (part: Partial<VenueForm>) => {
    const next = { ...form, ...part };
    setForm(next);
    const then = readVenue(next);
    unsaved.current = then.ok ? then.venue : undefined;
    clearTimeout(timer.current);
    timer.current = setTimeout(() => void save.current(), SAVE_AFTER_MS);
  };
  const setMark = (at: number, part: Partial<TypedMark>) =>
    change({ marks: form.marks.map((mark, i) => (i === at ? { ...mark, ...part } : mark)) });
  const gone = async () => {
    const removed = await remove(id);
    if (removed.error) return notice({ text: troubleText(removed.error) });
    unsaved.current = undefined;
    back();
    notice({ text: `“${stored.name}” is removed.`, undo: () => restore(id) });
  };
  return (
    <Page
      title={form.name.trim() || 'Place'}
      onBack={back}
      backLabel="Back to the places"
      aside={
        <IconButton
          icon="remove"
          accessibilityLabel="Remove this place"
          onPress={() => void gone()}
          style={{ margin: 0, width: 44, height: 44 }}
        />
      }
    >
      {trouble !== undefined && <Trouble retry={() => change({})}>{trouble}</Trouble>}
      {!read.ok && (
        <Text as="small" live="polite">
          Not kept yet: something below is missing or wrong. What was kept before still holds.
        </Text>
      )}
      <View style={{ gap: SPACE.m, maxWidth: 520 }}>
        <TextField label="Name" value={form.name} onChange={(name) => change({ name })} error={problems.name} />
        <Choice
          label="Shape"
          options={[
            { value: 'lap', text: 'A lap' },
            { value: 'there-and-back', text: 'There and back' },
          ]}
          value={form.shape}
          onChange={(shape) => change({ shape })}
        />
        <TextField
          label={form.shape === 'lap' ? 'One lap, in metres' : 'The way there, in metres'}
          value={form.lengthM}
          onChange={(lengthM) => change({ lengthM })}
          error={problems.length}
          decimal
        />
        <TextField
          label="Slope, metres up in a hundred"
          value={form.slope}
          onChange={(slope) => change({ slope })}
          error={problems.slope}
          hint="Of a hill only. Times on it are compared on this hill, never with the flat."
        />
        <Text as="heading" level={2}>
          Marks
        </Text>
        <Text as="small" quiet>
          Lamp posts, cones, the gate: places a rep can start from or be timed at, in metres from the start in running
          direction.
        </Text>
        {form.marks.map((mark, i) => (
          <Mark
            key={i}
            number={i + 1}
            mark={mark}
            problem={problems.marks[i] ?? {}}
            onChange={(part) => setMark(i, part)}
            onRemove={() => change({ marks: form.marks.filter((_, at) => at !== i) })}
          />
        ))}
        {form.marks.length < MOST_MARKS && (
          <View style={{ alignItems: 'flex-start' }}>
            <SmallButton onPress={() => change({ marks: [...form.marks, { atM: '', name: '' }] })}>
              Add a mark
            </SmallButton>
          </View>
        )}
      </View>
    </Page>
  );
}

/** A place of the coach's own: its length and its marks. */
export function VenueEditor({ id }: { id: string }) {
  const { data, error, refetch } = useVenuesQuery();
  const stored = data?.find((venue) => venue.id === id);
  if (stored) return <Editor key={id} stored={stored} />;
  return (
    <Page title="Place" onBack={back} backLabel="Back to the places">
      {error ? <Trouble retry={() => void refetch()}>{troubleText(error)}</Trouble> : !data && <Loading />}
      {data && <NotThere what="place" goTo="the places" onGo={back} />}
    </Page>
  );
}
