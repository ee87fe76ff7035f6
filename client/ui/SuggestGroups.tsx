import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { FormFoot } from './FormFoot';
import type { Grouped, SuggestedGroup } from '@core/squad/groups';
import { formatTime } from '@core/units/time';
import { Stepper } from './Stepper';
import { RADIUS, SPACE, usePalette } from './theme';
import { Text } from './Text';

const FIRST = { gapS: 3, maxSize: 8 };

export type Limits = typeof FIRST;

type Props = {
  /** Groups within the limits, and the tile names of those who have no pace to go by. */
  suggest: (limits: Limits) => { groups: SuggestedGroup<Grouped>[]; without: string[] };
  tileOf: (id: string) => string;
  /** What becomes of those without a pace. */
  noPaceNote: string;
  use: (limits: Limits) => void;
  close: () => void;
};

/** Groups by pace: as few as can be, nobody too far from the middle of theirs; seen before they are used. */
export function SuggestGroups({ suggest, tileOf, noPaceNote, use, close }: Props) {
  const palette = usePalette();
  const [limits, setLimits] = useState(FIRST);
  const { groups, without } = useMemo(() => suggest(limits), [suggest, limits]);
  return (
    <View
      role="group"
      aria-label="Suggested groups"
      style={{ gap: SPACE.m, padding: SPACE.m, borderRadius: RADIUS, backgroundColor: palette.raised }}
    >
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.l }}>
        <Stepper
          label="From the middle, at most"
          value={limits.gapS}
          text={`${limits.gapS.toFixed(1)} s a lap`}
          step={0.5}
          min={0.5}
          max={15}
          onChange={(gapS) => setLimits({ ...limits, gapS })}
        />
        <Stepper
          label="In a group, at most"
          value={limits.maxSize}
          text={String(limits.maxSize)}
          step={1}
          min={2}
          max={40}
          onChange={(maxSize) => setLimits({ ...limits, maxSize })}
        />
      </View>
      <View style={{ gap: SPACE.s }}>
        {groups.map(({ members, middleS }, i) => (
          <View key={members[0]?.id ?? i}>
            <Text as="strong">
              {`${i + 1}: about ${formatTime(middleS, 1)} a lap, ${members.length === 1 ? 'alone' : `± ${formatTime(middleS - (members[0]?.paceS ?? middleS), 1)} s`}`}
            </Text>
            <Text as="small" quiet>
              {members.map(({ id }) => tileOf(id)).join(', ')}
            </Text>
          </View>
        ))}
        {without.length > 0 && <Text as="small">{`No pace to go by: ${without.join(', ')}. ${noPaceNote}`}</Text>}
      </View>
      <FormFoot
        save={groups.length === 1 ? 'Use this group' : `Use these ${groups.length} groups`}
        onSave={() => use(limits)}
        canSave={groups.length > 0}
        onCancel={close}
      />
    </View>
  );
}
