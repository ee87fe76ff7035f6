import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { legsOfRun } from '@core/planning/groupTargets';
import { standingPlace } from '@core/track/standing';
import { Choice } from '../../ui/Choice';
import { Empty } from '../../ui/Empty';
import { SPACE } from '../../ui/theme';
import { useWide } from '../../ui/useWide';
import { Text } from '../../ui/Text';
import type { Planning } from '../../data/usePlanning';
import { GroupPlaces } from './GroupPlaces';
import { Jogs } from './Jogs';
import { Traffic } from './Traffic';
import { standingText } from './trackText';

/** Where each group starts and finishes, where to stand, and who is where when. */
export function OnTrack({ planning }: { planning: Planning }) {
  const wide = useWide();
  const { runs, venue } = planning;
  const peopled = runs.filter(({ members }) => members.length > 0);
  const [chosenId, setChosenId] = useState<string>();
  const run = peopled.find(({ group }) => group.id === chosenId) ?? peopled[0];
  const standing = useMemo(() => standingPlace(venue, runs.map(legsOfRun)), [venue, runs]);
  if (!run) return <Empty title="Nobody on the track">Tick who takes part, under Groups.</Empty>;
  const starts = (
    <View role="region" aria-label="Starts and finishes" style={{ gap: SPACE.m }}>
      {standing && <Text as="strong">{standingText(standing)}</Text>}
      {peopled.length > 1 && (
        <Choice
          label="Group"
          options={peopled.map(({ group }) => ({ value: group.id, text: group.name }))}
          value={run.group.id}
          onChange={setChosenId}
        />
      )}
      <GroupPlaces planning={planning} run={run} />
      <Jogs planning={planning} groupId={run.group.id} />
    </View>
  );
  const traffic = <Traffic planning={planning} lineM={standing?.atM ?? 0} />;
  if (!wide)
    return (
      <View style={{ gap: SPACE.xl }}>
        {traffic}
        {starts}
      </View>
    );
  return (
    <View style={{ flexDirection: 'row', gap: SPACE.xl }}>
      <View style={{ flex: 11, minWidth: 0 }}>{traffic}</View>
      <View style={{ flex: 8, minWidth: 0 }}>{starts}</View>
    </View>
  );
}
