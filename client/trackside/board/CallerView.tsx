import { View } from 'react-native';
import { callerPanels, leftText, type CallerPanel, type Stretch } from '@core/trackside/caller';
import type { GroupState } from '@core/run/runState';
import { listed } from '@core/units/listed';
import { formatClock } from '@core/units/time';
import { RADIUS, SPACE, usePalette } from '../../ui/theme';
import { useWide } from '../../ui/useWide';
import { Text } from '../../ui/Text';
import type { Run } from '../../log/useRun';
import { TapButton } from './TapButton';

const lengthText = ({ lengthS, words }: Stretch) =>
  lengthS === undefined ? words : `${formatClock(lengthS)} ${words}`;

const namesOf = (groups: readonly GroupState[]) => listed(groups.map(({ name }) => name));

/** Surges and floats as the leader calls them, in a stretch without structure; the same for all groups that are in step. */
function Surges({ run, groups, now }: { run: Run; groups: readonly GroupState[]; now: number }) {
  const surges = groups[0]?.surges ?? [];
  const last = surges.at(-1);
  const isOn = last?.isOn === true;
  const times = surges.filter((surge) => surge.isOn).length;
  const sinceS = last ? Math.max(0, Math.floor((now - last.atMs) / 1000)) : undefined;
  return (
    <View style={{ gap: SPACE.s }}>
      <Text as="strong" style={{ textAlign: 'center' }}>
        {sinceS === undefined
          ? 'Tap as the leader calls'
          : `${isOn ? 'Surge' : 'Float'} ${formatClock(sinceS)} · ${times} so far`}
      </Text>
      <TapButton
        main
        onTap={(at) => {
          for (const { id } of groups) run.happen({ type: 'surged', groupId: id, isOn: !isOn }, at);
        }}
        label={isOn ? 'Float: easy now' : 'Surge: fast now'}
      >
        {isOn ? 'Float' : 'Surge'}
      </TapButton>
    </View>
  );
}

/** Type sizes in px: on a table it is read from further off than in the hand, and the more there are the smaller each has to be. */
function sizeFor(isWide: boolean, count: number) {
  if (isWide) return count === 1 ? { words: 72, clock: 220 } : { words: 40, clock: 100 };
  if (count === 1) return { words: 44, clock: 120 };
  return count === 2 ? { words: 34, clock: 84 } : { words: 22, clock: 52 };
}

type PanelProps = {
  panel: CallerPanel;
  /** How many are shown; only where there are several is it said whose this is. */
  count: number;
};

/** What some groups do now, how long yet, and what comes next. Where many are under each other, the clock stands beside the words. */
function Panel({ panel: { groups, now }, count }: PanelProps) {
  const palette = usePalette();
  const isWide = useWide();
  const isFlat = !isWide && count > 2;
  const size = sizeFor(isWide, count);
  const isHard = now?.isHard === true;
  const ink = isHard ? palette.onAction : palette.ink;
  const hasStarted = groups.some(({ startedAtMs }) => startedAtMs !== undefined);
  const textAlign = isFlat ? 'left' : 'center';
  const name = count > 1 && (
    <Text as="strong" color={ink}>
      {namesOf(groups)}
    </Text>
  );
  const words = (
    <Text as="title" color={ink} style={{ fontSize: size.words, lineHeight: size.words * 1.2, textAlign }}>
      {now ? now.words : hasStarted ? 'Done' : 'Ready'}
    </Text>
  );
  const clock = now?.leftS !== undefined && (
    <View role="timer" aria-label={`${now.words}: left`}>
      <Text as="clock" color={ink} style={{ fontSize: size.clock, lineHeight: size.clock }}>
        {leftText(now.leftS)}
      </Text>
    </View>
  );
  const next = now && (
    <Text as={isFlat ? 'strong' : count > 1 ? 'heading' : 'title'} color={ink} style={{ textAlign }}>
      {now.next ? `Next: ${lengthText(now.next)}` : 'Then done'}
    </Text>
  );
  return (
    <View
      style={{
        flex: 1,
        borderRadius: RADIUS * 2,
        overflow: 'hidden',
        borderWidth: 2,
        borderColor: palette.ink,
        backgroundColor: palette.raised,
        paddingHorizontal: isFlat ? SPACE.m : SPACE.s,
        flexDirection: isFlat ? 'row' : 'column',
        alignItems: 'center',
        justifyContent: isFlat ? 'space-between' : 'space-evenly',
      }}
    >
      <View
        style={{
          position: 'absolute',
          left: 0,
          top: 0,
          bottom: 0,
          width: isHard ? '100%' : `${Math.round((now?.share ?? 0) * 100)}%`,
          backgroundColor: isHard ? palette.action : palette.fill,
        }}
      />
      {isFlat ? (
        <>
          <View style={{ flex: 1 }}>
            {name}
            {words}
            {next}
          </View>
          {clock}
        </>
      ) : (
        <>
          {name}
          <View style={{ alignItems: 'center' }}>
            {words}
            {clock}
          </View>
          {next}
        </>
      )}
    </View>
  );
}

type Props = {
  run: Run;
  /** The groups to be shown; those that are in step share a panel. */
  groupIds: ReadonlySet<string>;
  now: number;
};

/** What the groups do now, how long yet, and what comes next: large enough to be read by all of them at arm's length. */
export function CallerView({ run, groupIds, now }: Props) {
  const isWide = useWide();
  const panels = callerPanels(run.state, groupIds, now);
  const isOver = run.state.endedAtMs !== undefined;
  const surging = panels.filter(
    ({ groups }) =>
      !isOver &&
      groups.some(({ plan, startedAtMs }) => startedAtMs !== undefined && plan.reps.some(({ free }) => free)),
  );
  // Under each other on a phone there is no room for the buttons of several.
  const canTapHere = isWide || panels.length === 1;
  return (
    <View style={{ flex: 1, gap: SPACE.m, padding: SPACE.m, flexDirection: isWide ? 'row' : 'column' }}>
      {panels.map((panel) => (
        <View
          key={panel.groups[0]?.id}
          role="group"
          aria-label={`Caller for ${namesOf(panel.groups)}`}
          style={{ flex: 1, gap: SPACE.m }}
        >
          <Panel panel={panel} count={panels.length} />
          {canTapHere && surging.includes(panel) && <Surges run={run} groups={panel.groups} now={now} />}
        </View>
      ))}
      {!canTapHere && surging.length > 0 && (
        <Text as="label" style={{ textAlign: 'center' }}>
          To tap the surges of a group, choose it above.
        </Text>
      )}
    </View>
  );
}
