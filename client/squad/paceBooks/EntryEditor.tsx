import { FormProvider, useWatch } from 'react-hook-form';
import { View } from 'react-native';
import { FormFoot } from '../../ui/FormFoot';
import type { PaceEntry } from '@core/paces/paceBook';
import { FormChoice, FormSelect, FormText } from '../../ui/form/Fields';
import { useReadForm } from '../../ui/form/useReadForm';
import { SideBySide } from '../../ui/SideBySide';
import { RADIUS, SPACE, usePalette } from '../../ui/theme';
import { Trouble } from '../../ui/Trouble';
import { readEntry, toEntryFields, type EntryFields } from './paceBookForm';

const KINDS = [
  { value: 'race', text: 'Race pace' },
  { value: 'held', text: 'Held for' },
  { value: 'share', text: 'Share' },
  { value: 'offset', text: 'Seconds from' },
  { value: 'effort', text: 'By effort' },
];

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
  const { form, submit, trouble } = useReadForm<EntryFields, PaceEntry>({
    start: toEntryFields(entry),
    read: readEntry,
    save: async (read) => {
      const problem = await save(read);
      return problem === undefined ? undefined : { form: problem };
    },
  });
  const kind = useWatch({ control: form.control, name: 'kind' });
  const paces = others.map((name) => ({ value: name, text: name }));
  return (
    <FormProvider {...form}>
      <View
        role="group"
        aria-label={entry.name === '' ? 'New pace' : `Change ${entry.name}`}
        style={{ gap: SPACE.m, padding: SPACE.m, borderRadius: RADIUS, backgroundColor: palette.raised }}
      >
        <SideBySide>
          {!isStandard && <FormText field="name" label="Name, as in @name" />}
          <FormText field="short" label="Short name" />
          <FormText field="tolerance" label="On target within %" />
        </SideBySide>
        <FormChoice field="kind" label="It is" showLabel options={KINDS} />
        {kind === 'race' && <FormText field="distance" label="Distance" />}
        {kind === 'held' && <FormText field="duration" label="For how long" hint="like 60:00 or 8:00" />}
        {kind === 'share' && (
          <SideBySide>
            <FormText field="share" label="Percent" />
            <FormSelect field="of" label="of the speed of" options={paces} />
            <FormText field="mostShare" label="Never quicker than, %" hint="empty: no limit" />
            <FormSelect field="mostOf" label="of which pace" options={paces} />
          </SideBySide>
        )}
        {kind === 'offset' && (
          <SideBySide>
            <FormText field="offset" label="Seconds" hint="below 0 is quicker" />
            <FormText field="per" label="over metres" />
            <FormSelect field="of" label="from" options={paces} />
          </SideBySide>
        )}
        {kind === 'effort' && <FormText field="effort" label="Effort, 1 to 10" />}
        {trouble !== undefined && <Trouble>{trouble}</Trouble>}
        <FormFoot save="Save pace" onSave={submit} onCancel={cancel} onRemove={remove} />
      </View>
    </FormProvider>
  );
}
