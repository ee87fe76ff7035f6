import type { Announcements, DragEndEvent } from '@dnd-kit/core';
import { useCallback, useState } from 'react';
import { View } from 'react-native';
import { ulid } from 'ulid';
import { moveAthlete, REST_ID, withGroupPart, type DayGroup, type GroupPart } from '@core/planning/dayPlan';
import { suggestDayGroups, type GroupRun } from '@core/planning/groupTargets';
import type { OwnPlan } from '@core/planning/ownPlans';
import { isWork } from '@core/targets/targetsFor';
import { legLabel } from '@core/track/lapSheet';
import { formatDelta, formatTime } from '@core/units/time';
import { SuggestGroups, type Limits } from '../../ui/SuggestGroups';
import { DragArea } from '../../ui/DragArea';
import { DragRow, DropCard } from '../../ui/DragCard';
import { PrimaryButton } from '../../ui/PrimaryButton';
import { SmallButton } from '../../ui/SmallButton';
import { TextField } from '../../ui/TextField';
import { RADIUS, SPACE, usePalette } from '../../ui/theme';
import { Words } from '../../ui/Words';
import type { Planning } from '../../data/usePlanning';
import { GroupSettings } from './GroupSettings';

/** The rep that stands for a group's session on its card: the first with a time. */
const firstTimed = ({ legs }: GroupRun) =>
  legs.find(
    ({ leg, targetS }) => leg.kind === 'rep' && isWork(leg) && leg.distanceM !== undefined && targetS !== undefined,
  );

/** An athlete in a group: name, whether they lead, and how far their own time is from the group's. */
function Strip({ plan, run, isLifted = false }: { plan: OwnPlan; run: GroupRun; isLifted?: boolean }) {
  const palette = usePalette();
  const color = isLifted ? palette.onAction : palette.ink;
  const offset = firstTimed(run)?.offsetS[plan.runner.id];
  const lifted = isLifted ? { backgroundColor: palette.action, borderRadius: RADIUS, paddingHorizontal: SPACE.m } : {};
  return (
    <View style={[{ flex: 1, minHeight: 48, flexDirection: 'row', alignItems: 'center', gap: SPACE.s }, lifted]}>
      <Words as="strong" color={color} style={{ flexShrink: 1, flexGrow: 1 }}>
        {plan.runner.name}
      </Words>
      {run.leaderId === plan.runner.id && run.members.length > 1 && (
        <Words as="label" color={color}>
          leads
        </Words>
      )}
      {plan.changes.some(({ whom }) => whom.kind === 'athlete') && (
        <Words as="label" color={color}>
          changed
        </Words>
      )}
      <Words color={color} {...(offset === undefined ? {} : { label: `${formatDelta(offset)} s to the group` })}>
        {offset === undefined ? 'by effort' : formatDelta(offset)}
      </Words>
    </View>
  );
}

type CardProps = {
  planning: Planning;
  run: GroupRun;
  put: (part: GroupPart, says?: string) => void;
  remove: () => void;
};

function GroupCard({ planning, run, put, remove }: CardProps) {
  const { group, members } = run;
  const [isOpen, setOpen] = useState(false);
  const [name, setName] = useState(group.name);
  const isRest = group.id === REST_ID;
  const timed = firstTimed(run);
  return (
    <DropCard id={group.id} label={group.name} maxWidth={520}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s }}>
        <View style={{ flex: 1 }}>
          <Words as="heading" level={2}>
            {group.name}
          </Words>
          <Words as="small" quiet>
            {timed
              ? `${members.length} together: ${legLabel(timed.leg)} in ${formatTime(timed.targetS ?? 0, 1)}`
              : `${members.length}`}
            {(group.lane ?? 1) > 1 ? `, lane ${group.lane}` : ''}
            {group.version === undefined ? '' : ', own version'}
          </Words>
        </View>
        {members.length > 0 && (
          <SmallButton expanded={isOpen} label={`Settings of ${group.name}`} onPress={() => setOpen(!isOpen)}>
            {isOpen ? 'Done' : 'Set'}
          </SmallButton>
        )}
      </View>
      {members.map((plan) => (
        <DragRow key={plan.runner.id} id={plan.runner.id} name={plan.runner.name}>
          <Strip plan={plan} run={run} />
        </DragRow>
      ))}
      {members.length === 0 && (
        <Words quiet style={{ paddingVertical: SPACE.m }}>
          Nobody yet. Drag someone here.
        </Words>
      )}
      {isOpen && (
        <>
          {!isRest && (
            <TextField
              label="Name of the group"
              value={name}
              onChange={setName}
              onBlur={() => {
                if (name.trim() === '') setName(group.name);
                else if (name.trim() !== group.name) put({ name: name.trim() });
              }}
            />
          )}
          <GroupSettings planning={planning} run={run} put={put} />
          {!isRest && (
            <View style={{ alignItems: 'flex-start', paddingTop: SPACE.s }}>
              <SmallButton label={`Remove ${group.name}`} onPress={remove}>
                Remove this group
              </SmallButton>
            </View>
          )}
        </>
      )}
      {!isOpen && members.length === 0 && !isRest && (
        <View style={{ alignItems: 'flex-start' }}>
          <SmallButton label={`Remove ${group.name}`} onPress={remove}>
            Remove
          </SmallButton>
        </View>
      )}
    </DropCard>
  );
}

/** The groups of this session: suggested by its own paces or made by hand, with what is different for each. */
export function DayGroups({ planning }: { planning: Planning }) {
  const { groups, runs, plans, decide, squad, plan: dayPlan } = planning;
  const [isSuggesting, setSuggesting] = useState(false);
  const [dragged, setDragged] = useState<string>();
  const planOf = (id: string | number) => plans.find(({ runner }) => runner.id === id);
  const nameOf = (id: string | number | undefined) => groups.find((group) => group.id === id)?.name ?? '';
  const who = (id: string | number) => planOf(id)?.runner.name ?? '';
  const own = groups.filter(({ id }) => id !== REST_ID);

  const put = (groupId: string, part: GroupPart, says?: string) =>
    decide({ groups: withGroupPart(groups, groupId, part, ulid()) }, says);
  const drop = ({ active, over }: DragEndEvent) => {
    const plan = planOf(active.id);
    if (!over || !plan || plan.groupId === over.id) return;
    decide(
      { groups: moveAthlete(groups, plan.runner.id, String(over.id)) },
      `${plan.runner.name} is now in ${nameOf(over.id)}.`,
    );
  };
  const announcements: Announcements = {
    onDragStart: ({ active }) => `${who(active.id)} is picked up. The arrow keys choose a group, space puts down.`,
    onDragOver: ({ active, over }) => (over ? `${who(active.id)} is over ${nameOf(over.id)}.` : undefined),
    onDragEnd: ({ active, over }) => (over ? `${who(active.id)} is put in ${nameOf(over.id)}.` : undefined),
    onDragCancel: ({ active }) => `${who(active.id)} stays.`,
  };
  const suggest = useCallback(
    (limits: Limits) => {
      const { groups: suggested, withoutIds } = suggestDayGroups(plans, limits);
      return {
        groups: suggested,
        without: plans.flatMap(({ runner }) => (withoutIds.includes(runner.id) ? [runner.tileName] : [])),
      };
    },
    [plans],
  );
  const useSuggested = (limits: Limits) => {
    const { groups: suggested } = suggestDayGroups(plans, limits);
    const made = suggested.map(({ members, middleS }): DayGroup => ({
      id: ulid(),
      // Not the name of a training group: others run in it today.
      name: `Laps of ${formatTime(middleS)}`,
      athleteIds: members.map(({ id }) => id),
    }));
    decide({ groups: made }, `${made.length} groups for this session.`);
    setSuggesting(false);
  };
  const lifted = dragged === undefined ? undefined : planOf(dragged);
  const liftedRun = lifted && runs.find(({ group }) => group.id === lifted.groupId);
  return (
    <View style={{ gap: SPACE.m }}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s, alignItems: 'center' }}>
        <PrimaryButton onPress={() => setSuggesting(true)} disabled={isSuggesting}>
          Suggest groups
        </PrimaryButton>
        <SmallButton
          onPress={() =>
            decide(
              { groups: [...own, { id: ulid(), name: `Group ${own.length + 1}`, athleteIds: [] }] },
              'A group is added.',
            )
          }
        >
          Add a group
        </SmallButton>
        {dayPlan.groups && squad.settings.groups.length > 0 && (
          <SmallButton onPress={() => decide({ groups: undefined }, 'The groups are the squad’s again.')}>
            As in the squad
          </SmallButton>
        )}
      </View>
      {isSuggesting && (
        <SuggestGroups
          suggest={suggest}
          tileOf={(id) => planOf(id)?.runner.tileName ?? ''}
          withoutSays="They come in no group."
          use={useSuggested}
          close={() => setSuggesting(false)}
        />
      )}
      <DragArea
        announcements={announcements}
        choosing="a group"
        onDragged={setDragged}
        onDrop={drop}
        lifted={lifted && liftedRun && <Strip plan={lifted} run={liftedRun} isLifted />}
      >
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m, alignItems: 'flex-start' }}>
          {runs.map((run) => (
            <GroupCard
              key={run.group.id}
              planning={planning}
              run={run}
              put={(part, says) => put(run.group.id, part, says)}
              remove={() =>
                decide({ groups: own.filter(({ id }) => id !== run.group.id) }, `${run.group.name} is removed.`)
              }
            />
          ))}
        </View>
      </DragArea>
    </View>
  );
}
