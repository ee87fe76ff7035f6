import { View } from 'react-native';
import { groupNow, leftText, type Stretch } from '@core/trackside/calls';
import type { GroupState } from '@core/trackside/runState';
import { formatClock } from '@core/units/time';
import { RADIUS, SPACE, usePalette } from '../../ui/theme';
import { useWide } from '../../ui/useWide';
import { Words } from '../../ui/Words';
import type { Run } from '../useRun';
import { TapButton } from './TapButton';

const lengthText = ({ lengthS, words }: Stretch) =>
  lengthS === undefined ? words : `${formatClock(lengthS)} ${words}`;

/** Surges and floats as the leader calls them, in a stretch without structure. */
function Surges({ run, group, now }: { run: Run; group: GroupState; now: number }) {
  const last = group.surges.at(-1);
  const isOn = last?.isOn === true;
  const times = group.surges.filter((one) => one.isOn).length;
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
        onTap={(at) => run.happen({ type: 'surged', groupId: group.id, isOn: !isOn }, at)}
        label={isOn ? 'Float: easy now' : 'Surge: fast now'}
      >
        {isOn ? 'Float' : 'Surge'}
      </TapButton>
    </View>
  );
}

/** What the group does now, how long yet, and what comes next: large enough to be read by all of it at arm's length. */
export function CallerView({ run, group, now }: { run: Run; group: GroupState; now: number }) {
  const palette = usePalette();
  // On a table it is read from further off than in the hand.
  const size = useWide() ? { words: 72, clock: 220 } : { words: 44, clock: 120 };
  const state = groupNow(run.state, group.id, now);
  const isFree = group.plan.reps.some(({ free }) => free);
  const ink = state?.isHard ? palette.onAction : palette.ink;
  return (
    <View role="group" aria-label={`Caller for ${group.name}`} style={{ flex: 1, gap: SPACE.m, padding: SPACE.m }}>
      <View
        style={{
          flex: 1,
          borderRadius: RADIUS * 2,
          overflow: 'hidden',
          borderWidth: 2,
          borderColor: palette.ink,
          backgroundColor: palette.raised,
          alignItems: 'center',
          justifyContent: 'center',
        }}
      >
        <View
          style={{
            position: 'absolute',
            left: 0,
            top: 0,
            bottom: 0,
            width: state?.isHard ? '100%' : `${Math.round((state?.share ?? 0) * 100)}%`,
            backgroundColor: state?.isHard ? palette.action : palette.fill,
          }}
        />
        <Words
          as="title"
          color={ink}
          style={{ fontSize: size.words, lineHeight: size.words * 1.2, textAlign: 'center' }}
        >
          {state ? state.words : group.startedAtMs === undefined ? 'Ready' : 'Done'}
        </Words>
        {state?.leftS !== undefined && (
          <View role="timer" aria-label={`${state.words}: left`}>
            <Words as="clock" color={ink} style={{ fontSize: size.clock, lineHeight: size.clock }}>
              {leftText(state.leftS)}
            </Words>
          </View>
        )}
      </View>
      {state && (
        <Words as="title" style={{ textAlign: 'center' }}>
          {state.next ? `Next: ${lengthText(state.next)}` : 'Then done'}
        </Words>
      )}
      {isFree && group.startedAtMs !== undefined && <Surges run={run} group={group} now={now} />}
    </View>
  );
}
