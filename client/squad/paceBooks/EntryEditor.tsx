import { useState } from 'react';
import { View } from 'react-native';
import { FormFoot } from '../../ui/FormFoot';
import type { PaceEntry } from '@core/paces/paceBook';
import { Choice } from '../../ui/Choice';
import { Select } from '../../ui/Select';
import { TextField } from '../../ui/TextField';
import { RADIUS, SPACE, usePalette } from '../../ui/theme';
import { Trouble } from '../../ui/Trouble';
import { readEntry, toEntryFields, type EntryFields } from './paceBookForm';

const KINDS = [
  { value: 'race', text: 'Race pace' },
  { value: 'held', text: 'Held for' },
  { value: 'share', text: 'Share' },
  { value: 'offset', text: 'Seconds from' },
  { value: 'effort', text: 'By effort' },
] as const;

type Props = {
  entry: PaceEntry;
  isStandard: boolean;
  /** Paces it may stand on. */
  others: readonly string[];
  /** @returns what is wrong with the book then, if anything. */
  save: (entry: PaceEntry) => Promise<string | undefined>;
  remove?: () => void;
  cancel: () => void;
};

/** One pace of the book: what it stands on, its short name, and how near is on target. */
export function EntryEditor({ entry, isStandard, others, save, remove, cancel }: Props) {
  const palette = usePalette();
  const [fields, setFields] = useState(() => toEntryFields(entry));
  const [trouble, setTrouble] = useState<string>();
  const change = (part: Partial<EntryFields>) => setFields({ ...fields, ...part });
  const text = (key: keyof EntryFields, label: string, hint?: string) => (
    <View style={{ flex: 1, minWidth: 120 }}>
      <TextField label={label} value={fields[key]} onChange={(value) => change({ [key]: value })} hint={hint} />
    </View>
  );
  const of = (label: string, key: 'of' | 'mostOf' = 'of') => (
    <View style={{ flex: 1, minWidth: 120 }}>
      <Select
        label={label}
        options={others.map((name) => ({ value: name, text: name }))}
        value={fields[key]}
        onChange={(value) => change({ [key]: value })}
      />
    </View>
  );
  const submit = async () => {
    const read = readEntry(fields);
    setTrouble(read.ok ? await save(read.entry) : read.message);
  };
  return (
    <View
      role="group"
      aria-label={entry.name === '' ? 'New pace' : `Change ${entry.name}`}
      style={{ gap: SPACE.m, padding: SPACE.m, borderRadius: RADIUS, backgroundColor: palette.raised }}
    >
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m }}>
        {!isStandard && text('name', 'Name, as in @name')}
        {text('short', 'Short name')}
        {text('tolerance', 'On target within %')}
      </View>
      <Choice label="It is" showLabel options={KINDS} value={fields.kind} onChange={(kind) => change({ kind })} />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m }}>
        {fields.kind === 'race' && text('distance', 'Distance')}
        {fields.kind === 'held' && text('duration', 'For how long', 'like 60:00 or 8:00')}
        {fields.kind === 'share' && (
          <>
            {text('share', 'Percent')}
            {of('of the speed of')}
            {text('mostShare', 'Never quicker than, %', 'empty: no limit')}
            {of('of which pace', 'mostOf')}
          </>
        )}
        {fields.kind === 'offset' && (
          <>
            {text('offset', 'Seconds', 'below 0 is quicker')}
            {text('per', 'over metres')}
            {of('from')}
          </>
        )}
        {fields.kind === 'effort' && text('effort', 'Effort, 1 to 10')}
      </View>
      {trouble !== undefined && <Trouble>{trouble}</Trouble>}
      <FormFoot save="Save pace" onSave={() => void submit()} onCancel={cancel} onRemove={remove} />
    </View>
  );
}
