import { counted } from '@core/units/counted';
import type { Announcements, DragEndEvent } from '@dnd-kit/core';
import { router } from 'expo-router';
import { useCallback, useState } from 'react';
import { View } from 'react-native';
import { ulid } from 'ulid';
import type { Group, SquadMember } from '@core/squad/athlete';
import type { SquadChange } from '@core/squad/change';
import { troubleText } from '../../store/api';
import { today } from '../../ui/days';
import { DragArea } from '../../ui/DragArea';
import { Empty } from '../../ui/Empty';
import { Loading } from '../../ui/Loading';
import { Page } from '../../ui/Page';
import { PrimaryButton } from '../../ui/PrimaryButton';
import { Select } from '../../ui/Select';
import { SPACE } from '../../ui/theme';
import { Trouble } from '../../ui/Trouble';
import { Text } from '../../ui/Text';
import { pacesOf, useSquad, type SquadView } from '../../data/useSquad';
import { useSquadChange } from '../../data/useSquadChange';
import { AthleteStrip, GroupCard } from './GroupCard';
import { groupColumns, inGroup, lapS, suggestion, suggestionChange } from './groupBoard';
import { SuggestGroups, type Limits } from '../../ui/SuggestGroups';

const backToList = () => router.replace('/squad');

function Board({ squad }: { squad: SquadView }) {
  const { change } = useSquadChange(squad);
  const [pace, setPace] = useState('threshold');
  const [isSuggesting, setSuggesting] = useState(false);
  const [trouble, setTrouble] = useState<string>();
  const [dragged, setDragged] = useState<SquadMember>();
  // Where someone was just dropped, until the server has it.
  const [dropped, setDropped] = useState<{ squad: SquadView; id: string; groupId: string }>();
  const { groups } = squad.settings;
  const asOf = today();
  const lapOf = useCallback((athlete: SquadMember) => lapS(pacesOf(athlete, squad, asOf), pace), [squad, asOf, pace]);
  const suggest = useCallback(
    (limits: Limits) => {
      const { groups: suggested, without } = suggestion(squad.athletes, lapOf, limits);
      return { groups: suggested, without: without.map(({ tileName }) => tileName) };
    },
    [squad.athletes, lapOf],
  );
  const athletes = squad.athletes.map((athlete) =>
    dropped?.squad === squad && dropped.id === athlete.id ? inGroup(athlete, dropped.groupId) : athlete,
  );
  const columns = groupColumns(groups, athletes, lapOf);
  const act = async (wanted: SquadChange, noticeText: string) => {
    const done = await change(wanted, noticeText);
    setTrouble(done.ok ? undefined : done.message);
    if (!done.ok) setDropped(undefined);
    return done.ok;
  };
  const putGroups = (next: Group[], noticeText: string) => void act({ groups: next }, noticeText);
  const nameOf = (id: string | number | undefined) => columns.find((column) => (column.id || 'none') === id)?.name;
  const athleteOf = (id: string | number) => squad.athletes.find((athlete) => athlete.id === id);

  const drop = ({ active, over: onto }: DragEndEvent) => {
    const athlete = athleteOf(active.id);
    if (!onto || !athlete) return;
    const groupId = onto.id === 'none' ? '' : String(onto.id);
    if ((athlete.groupId ?? '') === groupId) return;
    setDropped({ squad, id: athlete.id, groupId });
    void act({ athletes: [inGroup(athlete, groupId)] }, `${athlete.name} is now in ${nameOf(onto.id) ?? ''}.`);
  };
  const who = (id: string | number) => athleteOf(id)?.name ?? '';
  const announcements: Announcements = {
    onDragStart: ({ active }) => `${who(active.id)} is picked up. The arrow keys choose a group, space puts down.`,
    onDragOver: ({ active, over: onto }) => (onto ? `${who(active.id)} is over ${nameOf(onto.id)}.` : undefined),
    onDragEnd: ({ active, over: onto }) => (onto ? `${who(active.id)} is put in ${nameOf(onto.id)}.` : undefined),
    onDragCancel: ({ active }) => `${who(active.id)} stays.`,
  };
  const swapped = (i: number, j: number) =>
    groups.map((group, at) => (at === i ? (groups[j] ?? group) : at === j ? (groups[i] ?? group) : group));
  return (
    <>
      {trouble !== undefined && <Trouble>{trouble}</Trouble>}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s, alignItems: 'flex-end' }}>
        <View style={{ minWidth: 150 }}>
          <Select
            label="Groups go by"
            options={squad.paceNames.map((name) => ({ value: name, text: `${name} pace` }))}
            value={pace}
            onChange={setPace}
          />
        </View>
        {!isSuggesting && <PrimaryButton onPress={() => setSuggesting(true)}>Suggest groups</PrimaryButton>}
      </View>
      {isSuggesting && (
        <SuggestGroups
          suggest={suggest}
          tileOf={(id) => athleteOf(id)?.tileName ?? ''}
          noPaceNote="They stay where they are."
          close={() => setSuggesting(false)}
          use={(limits) => {
            const { groups: suggested, without } = suggestion(squad.athletes, lapOf, limits);
            void act(
              suggestionChange(suggested, without, groups, ulid),
              `${counted(suggested.length, 'group')} made.`,
            ).then((done) => done && setSuggesting(false));
          }}
        />
      )}
      <DragArea
        announcements={announcements}
        choosing="a group"
        onDragged={(id) => setDragged(id === undefined ? undefined : athleteOf(id))}
        onDrop={drop}
        lifted={dragged && <AthleteStrip athlete={dragged} lapS={lapOf(dragged)} lifted />}
      >
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m, alignItems: 'flex-start' }}>
          {columns.map((column, i) =>
            column.id === '' ? (
              <GroupCard key="none" column={column} lapOf={lapOf} />
            ) : (
              <GroupCard
                key={`${column.id} ${column.name}`}
                column={column}
                lapOf={lapOf}
                edit={{
                  rename: (name) =>
                    putGroups(
                      groups.map((group) => (group.id === column.id ? { ...group, name } : group)),
                      `${column.name} is now ${name}.`,
                    ),
                  remove: () =>
                    putGroups(
                      groups.filter(({ id }) => id !== column.id),
                      `${column.name} is removed; its athletes are in no group.`,
                    ),
                  ...(i > 0 ? { up: () => putGroups(swapped(i, i - 1), `${column.name} is moved up.`) } : {}),
                  ...(i < groups.length - 1
                    ? { down: () => putGroups(swapped(i, i + 1), `${column.name} is moved down.`) }
                    : {}),
                }}
              />
            ),
          )}
        </View>
      </DragArea>
      <View style={{ alignItems: 'flex-start' }}>
        <PrimaryButton
          icon="plus"
          onPress={() =>
            putGroups(
              [...groups, { id: ulid(), name: `Group ${groups.length + 1}` }],
              'A group is added. Name it as you like.',
            )
          }
        >
          Add a group
        </PrimaryButton>
      </View>
    </>
  );
}

/** Training groups: made by hand or suggested by pace, named, ordered, and athletes dragged between them. */
export function GroupsPage() {
  const { squad, error, retry } = useSquad();
  return (
    <Page title="Groups" onBack={backToList} backLabel="Back to the squad">
      {error ? <Trouble retry={retry}>{troubleText(error)}</Trouble> : !squad && <Loading />}
      {squad?.athletes.length === 0 && (
        <Empty title="Nobody to group yet" action={{ label: 'Go to the squad', onPress: backToList }}>
          Add athletes first; groups by pace can be suggested as soon as they have a mark.
        </Empty>
      )}
      {squad && squad.athletes.length > 0 && (
        <>
          <Text as="small" quiet>
            Drag someone by the handle into another group.
          </Text>
          <Board squad={squad} />
        </>
      )}
    </Page>
  );
}
