import { View } from 'react-native';
import { parseStored } from '@core/session/parseSession';
import { LEVER_WORDS } from '@core/library/leverWords';
import { mainPart } from '../../data/sessionView';
import { RadioRow } from '../../ui/RadioRow';
import { TextButton } from '../../ui/TextButton';
import { SPACE } from '../../ui/theme';
import { Text } from '../../ui/Text';
import type { What } from './nextChoices';
import { stuckText } from './nextText';
import type { Next } from './useNext';

/** The part of a text that counts; all of it where it cannot be read. */
export function mainOf(shorthand: string, paceNames: readonly string[]): string {
  const parsed = parseStored(shorthand, { paceNames });
  return parsed.ok ? mainPart(parsed.session) : shorthand;
}

function whatText(what: What, next: Next): string {
  if (what === 'efforts') return 'What the efforts ask for';
  if (what !== 'progression') return LEVER_WORDS[what];
  const { at, isNewRound } = next.steps;
  const name = next.progression?.name ?? 'the progression';
  if (isNewRound) return `“${name}” again, a little faster`;
  return at === undefined ? `Next in “${name}”` : `Step ${at + 2} of “${name}”`;
}

type Props = { next: Next; paceNames: readonly string[]; nameOf: (athleteId: string) => string };

/** What is changed from this session to the next, each way with the reps it comes to; one thing at a time. */
export function WhatChanges({ next, paceNames, nameOf }: Props) {
  const { what, setWhat, whats, stuck } = next;
  const { lever } = stuck;
  if (whats.length === 0)
    return (
      <Text as="small" quiet>
        No lever moves anything in this session: it can be run again, or written anew.
      </Text>
    );
  return (
    <View role="region" aria-label="What changes" style={{ gap: SPACE.xs }}>
      <Text as="heading" level={2}>
        What changes
      </Text>
      {stuck.ids.length > 0 && (
        <View style={{ gap: SPACE.xs, alignItems: 'flex-start' }}>
          <Text>{stuckText(stuck.ids.map(nameOf))}</Text>
          {lever && (
            <TextButton
              onPress={() => {
                setWhat(lever);
                next.choose(stuck.ids, 'on');
              }}
            >
              {`Try: ${LEVER_WORDS[lever].toLowerCase()}`}
            </TextButton>
          )}
        </View>
      )}
      <View role="radiogroup" aria-label="What changes">
        {whats.map(({ what: value, shorthand }) => (
          <RadioRow
            key={value}
            label={`${whatText(value, next)}: ${mainOf(shorthand, paceNames)}`}
            chosen={value === what}
            onChoose={() => setWhat(value)}
          />
        ))}
      </View>
    </View>
  );
}
