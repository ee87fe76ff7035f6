import { View } from 'react-native';
import { callerPanels, leftText, type CallerPanel, type Stretch } from '@core/trackside/caller';
import type { GroupState } from '@core/trackside/runState';
import { listed } from '@core/units/listed';
import { formatClock } from '@core/units/time';
import { RADIUS, SPACE, usePalette } from '../../ui/theme';
import { useWide } from '../../ui/useWide';
import { Words } from '../../ui/Words';
import type { Run } from '../useRun';
import { TapButton } from './TapButton';

const lengthText = ({ lengthS, words }: Stretch) =>
  lengthS === undefined ? words : `${formatClock(lengthS)} ${words}`;

const namesOf = (groups: readonly GroupState[]) => listed(groups.map(({ name }) => name));

/** Surges and floats as the leader calls them, in a stretch without structure; the same for all groups that are in step. */
function Surges({ run, groups, now }: { run: Run; groups: readonly GroupState[]; now: number }) {
  const surges = groups[0]?.surges ?? [];
  const last = surges.at(-1);
  const isOn = last?.isOn === true;
  const times = surges.filter((one) => one.isOn).length;
  const sinceS = last ? Math.max(0, Math.floor((now - last.atMs) / 1000)) : undefined;
  return (
    <View style={{ gap: SPACE.s }}>
      <Words as="strong" style={{ textAlign: 'center' }}>
        {sinceS === undefined
          ? 'Tap as the leader calls'
          : `${isOn ? 'Surge' : 'Float'} ${formatClock(sinceS)} · ${times} so far`}
      </Words>
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
const SIZES = {
  phone: { one: { words: 44, clock: 120 }, two: { words: 34, clock: 84 }, more: { words: 26, clock: 54 } },
  wide: { one: { words: 72, clock: 220 }, two: { words: 56, clock: 150 }, more: { words: 40, clock: 100 } },
};

type PanelProps = {
  panel: CallerPanel;
  /** How many are shown; only where there are several is it said whose this is. */
  count: number;
};

/** What some groups do now, how long yet, and what comes next. */
function Panel({ panel: { groups, now }, count }: PanelProps) {
  const palette = usePalette();
  const size = SIZES[useWide() ? 'wide' : 'phone'][count === 1 ? 'one' : count === 2 ? 'two' : 'more'];
  const isHard = now?.isHard === true;
  const ink = isHard ? palette.onAction : palette.ink;
  const hasStarted = groups.some(({ startedAtMs }) => startedAtMs !== undefined);
  return (
    <View
      style={{
        flex: 1,
        borderRadius: RADIUS * 2,
        overflow: 'hidden',
        borderWidth: 2,
        borderColor: palette.ink,
        backgroundColor: palette.raised,
        padding: SPACE.s,
        alignItems: 'center',
        justifyContent: 'space-evenly',
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
      {count > 1 && (
        <Words as="strong" color={ink} numberOfLines={1}>
          {namesOf(groups)}
        </Words>
      )}
      <View style={{ alignItems: 'center' }}>
        <Words
          as="title"
          color={ink}
          style={{ fontSize: size.words, lineHeight: size.words * 1.2, textAlign: 'center' }}
        >
          {now ? now.words : hasStarted ? 'Done' : 'Ready'}
        </Words>
        {now?.leftS !== undefined && (
          <View role="timer" aria-label={`${now.words}: left`}>
            <Words as="clock" color={ink} style={{ fontSize: size.clock, lineHeight: size.clock }}>
              {leftText(now.leftS)}
            </Words>
          </View>
        )}
      </View>
      {now && (
        <Words as={count > 1 ? 'heading' : 'title'} color={ink} style={{ textAlign: 'center' }}>
          {now.next ? `Next: ${lengthText(now.next)}` : 'Then done'}
        </Words>
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
  return (
    <View style={{ flex: 1, gap: SPACE.m, padding: SPACE.m, flexDirection: isWide ? 'row' : 'column' }}>
      {panels.map((panel) => {
        const { groups } = panel;
        const isFree = groups.some(({ plan }) => plan.reps.some(({ free }) => free));
        const canSurge = isFree && groups.some(({ startedAtMs }) => startedAtMs !== undefined);
        return (
          <View
            key={groups[0]?.id}
            role="group"
            aria-label={`Caller for ${namesOf(groups)}`}
            style={{ flex: 1, gap: SPACE.m }}
          >
            <Panel panel={panel} count={panels.length} />
            {canSurge && <Surges run={run} groups={groups} now={now} />}
          </View>
        );
      })}
    </View>
  );
}
