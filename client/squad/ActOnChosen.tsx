import { useState } from 'react';
import { View } from 'react-native';
import { STATUSES, type SquadMember, type Status } from '@core/squad/athlete';
import type { SquadChange } from '@core/squad/change';
import { PrimaryButton } from '../ui/PrimaryButton';
import { Select } from '../ui/Select';
import { SPACE } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { Text } from '../ui/Text';
import type { SquadView } from '../data/useSquad';
import { useSquadChange } from '../data/useSquadChange';
import { STATUS_WORDS } from '../data/athleteText';

/** An athlete without one of the things that may be left out. */
function without(athlete: SquadMember, field: 'groupId' | 'paceBookId' | 'archived'): SquadMember {
  const { [field]: _gone, ...rest } = athlete;
  return rest;
}

const NONE = 'none';

/** What can be done with several athletes at once; each step can be taken back. */
export function ActOnChosen({
  squad,
  chosen,
  done,
}: {
  squad: SquadView;
  chosen: readonly SquadMember[];
  done: () => void;
}) {
  const { change, saving } = useSquadChange(squad);
  const [trouble, setTrouble] = useState<string>();
  const who = chosen.length === 1 ? (chosen[0]?.name ?? '') : `${chosen.length} athletes`;
  const act = async (wanted: SquadChange, noticeText: string) => {
    const changed = await change(wanted, noticeText);
    setTrouble(changed.ok ? undefined : changed.message);
    if (changed.ok) done();
  };
  const put = (to: (athlete: SquadMember) => SquadMember, noticeText: string) =>
    void act({ athletes: chosen.map(to) }, `${who}: ${noticeText}.`);
  const nobody = chosen.length === 0 || saving;
  const areArchived = chosen.length > 0 && chosen.every(({ archived }) => archived);

  const pick = (label: string, options: { value: string; text: string }[], onPick: (value: string) => void) => (
    <View style={{ flex: 1, minWidth: 104 }}>
      <Select
        label={label}
        quiet
        options={[{ value: '', text: `${label} …` }, ...options]}
        value=""
        onChange={(value) => value !== '' && !nobody && onPick(value)}
      />
    </View>
  );
  return (
    <View style={{ gap: SPACE.s }}>
      <Text as="strong" live="polite">
        {chosen.length === 0 ? 'Tick those it is for.' : `${who} chosen`}
      </Text>
      {trouble !== undefined && <Trouble>{trouble}</Trouble>}
      <View style={{ flexDirection: 'row', gap: SPACE.s, flexWrap: 'wrap' }}>
        {pick(
          'Group',
          [
            ...squad.settings.groups.map(({ id, name }) => ({ value: id, text: name })),
            { value: NONE, text: 'in no group' },
          ],
          (id) => {
            const group = squad.settings.groups.find((candidate) => candidate.id === id);
            put(
              (athlete) => ({ ...without(athlete, 'groupId'), ...(group ? { groupId: group.id } : {}) }),
              group ? `now in ${group.name}` : 'now in no group',
            );
          },
        )}
        {pick(
          'Status',
          STATUSES.map((status) => ({ value: status, text: STATUS_WORDS[status] })),
          (status) => put((athlete) => ({ ...athlete, status: status as Status }), STATUS_WORDS[status as Status]),
        )}
        {pick(
          'Pace book',
          [
            { value: NONE, text: 'that of the squad' },
            ...squad.books.map(({ id, name }) => ({ value: id, text: name })),
          ],
          (id) => {
            const book = squad.books.find((candidate) => candidate.id === id);
            put(
              (athlete) => ({ ...without(athlete, 'paceBookId'), ...(book ? { paceBookId: book.id } : {}) }),
              book ? `paces by “${book.name}”` : 'paces by the squad’s book',
            );
          },
        )}
      </View>
      <View style={{ flexDirection: 'row', gap: SPACE.s, flexWrap: 'wrap' }}>
        <PrimaryButton
          disabled={nobody}
          onPress={() =>
            areArchived
              ? put((athlete) => without(athlete, 'archived'), 'back in the squad')
              : put((athlete) => ({ ...athlete, archived: true }), 'in the archive')
          }
        >
          {areArchived ? 'Bring back' : 'Archive'}
        </PrimaryButton>
        <PrimaryButton
          disabled={nobody}
          onPress={() => void act({ removedIds: chosen.map(({ id }) => id) }, `${who} removed.`)}
        >
          Remove
        </PrimaryButton>
        <PrimaryButton main onPress={done}>
          Done
        </PrimaryButton>
      </View>
    </View>
  );
}
