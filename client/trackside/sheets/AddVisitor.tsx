import { useState } from 'react';
import { View } from 'react-native';
import { ulid } from 'ulid';
import { suggestTileName, tileKey } from '@core/squad/tileName';
import type { PlannedGroup } from '@core/run/plan';
import type { Visitor } from '@core/run/visitor';
import { Select } from '../../ui/Select';
import { SmallButton } from '../../ui/SmallButton';
import { TextField } from '../../ui/TextField';
import { SPACE } from '../../ui/theme';

type Props = {
  groups: readonly PlannedGroup[];
  /** Short names that are taken. */
  taken: readonly string[];
  add: (visitor: Visitor) => void;
};

/** Somebody who has just turned up: a name is enough. */
export function AddVisitor({ groups, taken, add }: Props) {
  const [name, setName] = useState('');
  const [groupId, setGroupId] = useState<string>();
  const [likeId, setLikeId] = useState('');
  const [trouble, setTrouble] = useState<string>();
  const group = groups.find(({ id }) => id === groupId) ?? groups[0];
  if (!group) return null;
  const go = () => {
    const full = name.trim();
    if (full === '' || full.length > 80) return setTrouble('A name is needed, of 80 characters at most.');
    const tileName = suggestTileName(full, new Set(taken.map(tileKey)));
    add({ athleteId: ulid(), name: full, tileName, groupId: group.id, ...(likeId === '' ? {} : { likeId }) });
    setName('');
    setTrouble(undefined);
  };
  return (
    <View role="group" aria-label="Add a visitor" style={{ gap: SPACE.s }}>
      <View style={{ flexDirection: 'row', gap: SPACE.s, alignItems: 'flex-end' }}>
        <View style={{ flex: 1 }}>
          <TextField label="Visitor’s name" value={name} onChange={setName} error={trouble} />
        </View>
        <SmallButton onPress={go} label="Add visitor">
          Add
        </SmallButton>
      </View>
      <View style={{ flexDirection: 'row', gap: SPACE.s }}>
        {groups.length > 1 && (
          <View style={{ flex: 1 }}>
            <Select
              label="Visitor runs with"
              options={groups.map(({ id, name: text }) => ({ value: id, text }))}
              value={group.id}
              onChange={setGroupId}
            />
          </View>
        )}
        <View style={{ flex: 1 }}>
          <Select
            label="In the times of"
            options={[
              { value: '', text: 'nobody: by effort' },
              ...group.athletes.map(({ athleteId, name: text }) => ({ value: athleteId, text })),
            ]}
            value={likeId}
            onChange={setLikeId}
          />
        </View>
      </View>
    </View>
  );
}
