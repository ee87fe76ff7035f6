import { FormProvider, useWatch } from 'react-hook-form';
import { View } from 'react-native';
import { ulid } from 'ulid';
import { suggestTileName, tileKey } from '@core/squad/tileName';
import type { PlannedGroup } from '@core/run/plan';
import type { Visitor } from '@core/run/visitor';
import { FormSelect, FormText } from '../../ui/form/Fields';
import { useReadForm } from '../../ui/form/useReadForm';
import { SideBySide } from '../../ui/SideBySide';
import { SmallButton } from '../../ui/SmallButton';
import { SPACE } from '../../ui/theme';

type Props = {
  groups: readonly PlannedGroup[];
  /** Short names that are taken. */
  taken: readonly string[];
  add: (visitor: Visitor) => void;
};

/** Somebody who has just turned up: a name is enough. */
export function AddVisitor({ groups, taken, add }: Props) {
  const [first] = groups;
  const { form, submit } = useReadForm<{ name: string; groupId: string; likeId: string }, Omit<Visitor, 'athleteId'>>({
    start: { name: '', groupId: first?.id ?? '', likeId: '' },
    read: ({ name: typed, groupId, likeId }) => {
      const name = typed.trim();
      if (name === '' || name.length > 80)
        return { ok: false, problems: { name: 'A name is needed, of 80 characters at most.' } };
      const tileName = suggestTileName(name, new Set(taken.map(tileKey)));
      // Whose times they run in is one of the group they run with.
      const isLike = groups.some(({ id, athletes }) => id === groupId && athletes.some((a) => a.athleteId === likeId));
      return { ok: true, value: { name, tileName, groupId, ...(isLike ? { likeId } : {}) } };
    },
    save: (visitor) => {
      add({ athleteId: ulid(), ...visitor });
      form.resetField('name');
    },
  });
  const groupId = useWatch({ control: form.control, name: 'groupId' });
  const group = groups.find(({ id }) => id === groupId) ?? first;
  if (!group) return null;
  return (
    <FormProvider {...form}>
      <View role="group" aria-label="Add a visitor" style={{ gap: SPACE.s }}>
        <FormText field="name" label="Visitor’s name" onEnter={submit} />
        <SideBySide>
          {groups.length > 1 && (
            <FormSelect
              field="groupId"
              label="Visitor runs with"
              options={groups.map(({ id, name: text }) => ({ value: id, text }))}
            />
          )}
          <FormSelect
            field="likeId"
            label="In the times of"
            options={[
              { value: '', text: 'nobody: by effort' },
              ...group.athletes.map(({ athleteId, name: text }) => ({ value: athleteId, text })),
            ]}
          />
        </SideBySide>
        <View style={{ alignItems: 'flex-start' }}>
          <SmallButton onPress={submit}>Add visitor</SmallButton>
        </View>
      </View>
    </FormProvider>
  );
}
