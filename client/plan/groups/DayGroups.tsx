import { counted } from '@core/units/counted';
import type { Announcements, DragEndEvent } from '@dnd-kit/core';
import { useCallback, useState } from 'react';
import { View } from 'react-native';
import { ulid } from 'ulid';
import { moveAthlete, REST_ID, withGroupPart, type DayGroup, type GroupPart } from '@core/planning/dayPlan';
import { suggestDayGroups, type GroupRun } from '@core/planning/groupTargets';
import type { AthletePlan } from '@core/planning/athletePlans';
import { isWork } from '@core/targets/targetsFor';
import { legLabel } from '@core/track/lapSheet';
import { formatDelta, formatTime } from '@core/units/time';
import { SuggestGroups, type Limits } from '../../ui/SuggestGroups';
import { DragArea } from '../../ui/DragArea';
import { DragRow, DropCard } from '../../ui/DragCard';
import { Press } from '../../ui/Press';
import { PrimaryButton } from '../../ui/PrimaryButton';
import { SmallButton } from '../../ui/SmallButton';
import { TextField } from '../../ui/TextField';
import { RADIUS, SPACE, usePalette } from '../../ui/theme';
import { Text } from '../../ui/Text';
import type { Planning } from '../../data/usePlanning';
import { GroupSettings } from './GroupSettings';

/** The rep that stands for a group's session on its card: the first with a time. */
const firstTimed = ({ legs }: GroupRun) =>
  legs.find(
    ({ leg, targetS }) => leg.kind === 'rep' && isWork(leg) && leg.distanceM !== undefined && targetS !== undefined,
  );

type StripProps = {
  plan: AthletePlan;
  run: GroupRun;
  isLifted?: boolean;
  /** Called when the name is pressed; missing if there is no other group. */
  onName?: (() => void) | undefined;
};

/** An athlete in a group: name, whether they lead, and how far their own time is from the group's. */
function Strip({ plan, run, isLifted = false, onName }: StripProps) {
  const palette = usePalette();
  const color = isLifted ? palette.onAction : palette.ink;
  const offset = firstTimed(run)?.offsetS[plan.runner.id];
  const lifted = isLifted ? { backgroundColor: palette.action, borderRadius: RADIUS, paddingHorizontal: SPACE.m } : {};
  return (
    <View style={[{ flex: 1, minHeight: 48, flexDirection: 'row', alignItems: 'center', gap: SPACE.s }, lifted]}>
      {onName ? (
        <Press
          role="button"
          aria-label={`${plan.runner.name}: choose a group`}
          onPress={onName}
          style={{ flexShrink: 1, flexGrow: 1, minHeight: 44, justifyContent: 'center' }}
        >
          <Text as="strong">{plan.runner.name}</Text>
        </Press>
      ) : (
        <Text as="strong" color={color} style={{ flexShrink: 1, flexGrow: 1 }}>
          {plan.runner.name}
        </Text>
      )}
      {run.leaderId === plan.runner.id && run.members.length > 1 && (
        <Text as="label" color={color}>
          leads
        </Text>
      )}
      {plan.changes.some(({ whom }) => whom.kind === 'athlete') && (
        <Text as="label" color={color}>
          changed
        </Text>
      )}
      <Text color={color} {...(offset === undefined ? {} : { label: `${formatDelta(offset)} s to the group` })}>
        {offset === undefined ? 'by effort' : formatDelta(offset)}
      </Text>
    </View>
  );
}

type CardProps = {
  planning: Planning;
  run: GroupRun;
  put: (part: GroupPart, noticeText?: string) => void;
  remove: () => void;
  move: (plan: AthletePlan, to: DayGroup) => void;
};

function GroupCard({ planning, run, put, remove, move }: CardProps) {
  const { group, members } = run;
  const [isOpen, setOpen] = useState(false);
  const [movingId, setMoving] = useState<string>();
  const others = planning.groups.filter(({ id }) => id !== group.id);
  const [name, setName] = useState(group.name);
  const isRest = group.id === REST_ID;
  const timed = firstTimed(run);
  return (
    <DropCard id={group.id} label={group.name} maxWidth={520}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s }}>
        <View style={{ flex: 1 }}>
          <Text as="heading" level={2}>
            {group.name}
          </Text>
          <Text as="small" quiet>
            {timed
              ? `${members.length === 1 ? '1 alone' : `${members.length} together`}: ${legLabel(timed.leg)} in ${formatTime(timed.targetS ?? 0, 1)}`
              : `${members.length}`}
            {(group.lane ?? 1) > 1 ? `, lane ${group.lane}` : ''}
            {group.version === undefined ? '' : ', own version'}
          </Text>
        </View>
        {members.length > 0 && (
          <SmallButton expanded={isOpen} label={`Settings of ${group.name}`} onPress={() => setOpen(!isOpen)}>
            {isOpen ? 'Done' : 'Options'}
          </SmallButton>
        )}
      </View>
      {members.map((plan) => (
        <View key={plan.runner.id}>
          <DragRow id={plan.runner.id} name={plan.runner.name}>
            <Strip
              plan={plan}
              run={run}
              onName={
                others.length > 0
                  ? () => setMoving((before) => (before === plan.runner.id ? undefined : plan.runner.id))
                  : undefined
              }
            />
          </DragRow>
          {movingId === plan.runner.id && (
            <View
              role="group"
              aria-label={`${plan.runner.name} goes to`}
              style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s, paddingVertical: SPACE.s }}
            >
              {others.map((other) => (
                <SmallButton
                  key={other.id}
                  label={`${plan.runner.name} to ${other.name}`}
                  onPress={() => {
                    setMoving(undefined);
                    move(plan, other);
                  }}
                >
                  {other.name}
                </SmallButton>
              ))}
            </View>
          )}
        </View>
      ))}
      {members.length === 0 && (
        <Text quiet style={{ paddingVertical: SPACE.m }}>
          Nobody yet. Press a name in another group to move it here, or drag it.
        </Text>
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
  const ownGroups = groups.filter(({ id }) => id !== REST_ID);

  const put = (groupId: string, part: GroupPart, noticeText?: string) =>
    decide({ groups: withGroupPart(groups, groupId, part, ulid()) }, noticeText);
  const moveTo = (plan: AthletePlan, groupId: string) =>
    decide(
      { groups: moveAthlete(groups, plan.runner.id, groupId) },
      `${plan.runner.name} is now in ${nameOf(groupId)}.`,
    );
  const drop = ({ active, over }: DragEndEvent) => {
    const plan = planOf(active.id);
    if (over && plan && plan.groupId !== over.id) moveTo(plan, String(over.id));
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
    decide({ groups: made }, `${counted(made.length, 'group')} for this session.`);
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
              { groups: [...ownGroups, { id: ulid(), name: `Group ${ownGroups.length + 1}`, athleteIds: [] }] },
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
          noPaceNote="They come in no group."
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
              put={(part, noticeText) => put(run.group.id, part, noticeText)}
              move={(plan, to) => moveTo(plan, to.id)}
              remove={() =>
                decide({ groups: ownGroups.filter(({ id }) => id !== run.group.id) }, `${run.group.name} is removed.`)
              }
            />
          ))}
        </View>
      </DragArea>
    </View>
  );
}
