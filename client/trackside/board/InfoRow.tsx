import { counted } from '@core/units/counted';
import { memo } from 'react';
import { View } from 'react-native';
import type { TooSoon } from '@core/run/arrivals';
import { formatTime } from '@core/units/time';
import { Press } from '../../ui/Press';
import { RADIUS, SPACE, usePalette } from '../../ui/theme';
import { Text } from '../../ui/Text';
import type { Run } from '../../log/useRun';
import type { Source } from '../../store/source';
import { saveRun } from '../sheets/MoreSheet';
import { answer } from '../sheets/ProposalSheet';
import type { Info } from './info';
import type { Open } from './OpenSheet';

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
      <Text as="strong" {...(main ? { color: palette.onAction } : {})}>
        {children}
      </Text>
    </Press>
  );
}

type Props = { info: Info; runs: Source<Run>; show: (open: Open) => void };

const Coming = memo(function Coming({ name, when }: { name: string; when: string }) {
  return (
    <View style={{ flex: 1 }}>
      <Text as="label">{name}</Text>
      <Text as="strong">{when}</Text>
    </View>
  );
});

function namesText(count: number, tooSoon: TooSoon | undefined): string {
  if (!tooSoon) return `${counted(count, 'time')} without a name`;
  const { name, tookS, overM } = tooSoon;
  return `${name}: really ${formatTime(Math.max(0, tookS), 1)} s for ${Math.round(overM)} m? Kept without a name.`;
}

const sameInfo = (a: Props, b: Props) => JSON.stringify(a.info) === JSON.stringify(b.info);

/** One line for what matters most now; what is pressed on it acts on the run as it is then. */
export const InfoRow = memo(function InfoRow({ info, runs, show }: Props) {
  const row = (label: string, children: React.ReactNode, live = true) => (
    <View
      role={live ? 'status' : 'group'}
      aria-label={label}
      style={{ minHeight: 56, flexDirection: 'row', alignItems: 'center', gap: SPACE.s, paddingHorizontal: SPACE.m }}
    >
      {children}
    </View>
  );
  const text = (words: string) => (
    <Text as="strong" style={{ flex: 1 }}>
      {words}
    </Text>
  );
  switch (info.kind) {
    case 'storage':
      return row(
        'Storage full',
        <>
          {text(`This phone’s storage is full: ${info.inMemory} only on this page. Do not close it.`)}
          <RowButton onPress={() => saveRun(runs.getSnapshot())}>Save file</RowButton>
        </>,
      );
    case 'names':
      return row(
        'Times without a name',
        <>
          {text(namesText(info.count, info.tooSoon))}
          <RowButton main onPress={() => show({ kind: 'names' })}>
            Name them
          </RowButton>
        </>,
      );
    case 'finish':
      return row('That was the finish', text(`That was the finish: ${info.name} ${formatTime(info.tookS, 1)}`));
    case 'proposal': {
      const { proposal, text: question } = info;
      return row(
        'Proposal',
        <>
          <Press
            role="button"
            aria-label={`Why: ${question}`}
            onPress={() => show({ kind: 'why', proposal })}
            style={{ flex: 1, minHeight: 48, justifyContent: 'center' }}
          >
            <Text as="strong">{question}</Text>
          </Press>
          <RowButton main onPress={() => answer(runs.getSnapshot(), proposal, proposal.options[0])}>
            Yes
          </RowButton>
          <RowButton onPress={() => answer(runs.getSnapshot(), proposal, undefined)}>No</RowButton>
        </>,
      );
    }
    case 'ask': {
      const { athleteId, name, more } = info;
      return row(
        'How was it',
        <>
          {text(`How hard was it: ${name}${more > 0 ? ` and ${more} more` : ''}?`)}
          <RowButton label={`How hard was it for ${name}?`} onPress={() => show({ kind: 'athlete', athleteId })}>
            Ask
          </RowButton>
        </>,
        false,
      );
    }
    case 'coming':
      return row(
        'Who comes next',
        info.next.map(({ key, name, when }) => <Coming key={key} name={name} when={when} />),
        false,
      );
  }
}, sameInfo);
