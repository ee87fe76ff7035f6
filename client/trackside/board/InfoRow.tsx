import { View } from 'react-native';
import { arrivals } from '@core/trackside/arrivals';
import type { Proposal } from '@core/trackside/proposals';
import type { RunState } from '@core/trackside/runState';
import { formatClock } from '@core/units/time';
import { Press } from '../../ui/Press';
import { RADIUS, SPACE, usePalette } from '../../ui/theme';
import { Words } from '../../ui/Words';

type ButtonProps = { children: string; label?: string; main?: boolean; onPress: () => void };

function RowButton({ children, label = children, main = false, onPress }: ButtonProps) {
  const palette = usePalette();
  return (
    <Press
      role="button"
      aria-label={label}
      onPress={onPress}
      style={{
        minWidth: 52,
        height: 48,
        paddingHorizontal: 10,
        alignItems: 'center',
        justifyContent: 'center',
        borderRadius: RADIUS,
        borderWidth: main ? 0 : 1.5,
        borderColor: palette.ink,
        backgroundColor: main ? palette.action : 'transparent',
      }}
    >
      <Words as="strong" {...(main ? { color: palette.onAction } : {})}>
        {children}
      </Words>
    </Press>
  );
}

type Props = {
  state: RunState;
  now: number;
  /** Events that only this page has: the phone's storage is full. */
  inMemory: number;
  proposal: Proposal | undefined;
  /** Who has finished and not said how it was. */
  toAsk: string[];
  onNames: () => void;
  onFile: () => void;
  onWhy: (proposal: Proposal) => void;
  onAnswer: (proposal: Proposal, yes: boolean) => void;
  onAsk: (athleteId: string) => void;
};

/** One line for what matters most now: a full disk, times without names, a proposal, how it felt, and else who comes next. */
export function InfoRow(props: Props) {
  const { state, now, inMemory, proposal, toAsk, onNames, onFile, onWhy, onAnswer, onAsk } = props;
  const row = (label: string, children: React.ReactNode, live = true) => (
    <View
      role={live ? 'status' : 'group'}
      aria-label={label}
      style={{ height: 56, flexDirection: 'row', alignItems: 'center', gap: SPACE.s, paddingHorizontal: SPACE.m }}
    >
      {children}
    </View>
  );
  const text = (words: string) => (
    <Words as="strong" numberOfLines={2} style={{ flex: 1 }}>
      {words}
    </Words>
  );
  if (inMemory > 0)
    return row(
      'Storage full',
      <>
        {text(`This phone’s storage is full: ${inMemory} only on this page. Do not close it.`)}
        <RowButton onPress={onFile}>Save file</RowButton>
      </>,
    );
  if (state.unnamed.length > 0)
    return row(
      'Times without a name',
      <>
        {text(`${state.unnamed.length} time${state.unnamed.length === 1 ? '' : 's'} without a name`)}
        <RowButton main onPress={onNames}>
          Name them
        </RowButton>
      </>,
    );
  if (proposal)
    return row(
      'Proposal',
      <>
        <Press role="button" aria-label={`Why: ${proposal.says}`} onPress={() => onWhy(proposal)} style={{ flex: 1 }}>
          <Words as="strong" numberOfLines={2}>
            {proposal.says}
          </Words>
        </Press>
        <RowButton main onPress={() => onAnswer(proposal, true)}>
          Yes
        </RowButton>
        <RowButton onPress={() => onAnswer(proposal, false)}>No</RowButton>
      </>,
    );
  const coming = arrivals(state, now).filter(({ dueAtMs }) => dueAtMs !== undefined);
  const soon = coming[0]?.dueAtMs;
  const [asked] = toAsk;
  if (asked !== undefined && (soon === undefined || soon - now > 8000)) {
    const name = state.athletes[asked]?.tileName ?? '';
    const more = toAsk.length > 1 ? ` and ${toAsk.length - 1} more` : '';
    return row(
      'How was it',
      <>
        {text(`How hard was it: ${name}${more}?`)}
        <RowButton label={`How hard was it for ${name}?`} onPress={() => onAsk(asked)}>
          Ask
        </RowButton>
      </>,
      false,
    );
  }
  return row(
    'Who comes next',
    coming.slice(0, 4).map(({ athleteId, atM, dueAtMs = now }) => (
      <View key={`${athleteId} ${atM}`} style={{ flex: 1 }}>
        <Words as="label" numberOfLines={1}>
          {state.athletes[athleteId]?.tileName ?? ''}
        </Words>
        <Words as="strong">{dueAtMs > now ? formatClock(Math.ceil((dueAtMs - now) / 1000)) : 'now'}</Words>
      </View>
    )),
    false,
  );
}
