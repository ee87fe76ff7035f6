import { View } from 'react-native';
import { changeOf } from '@core/planning/changes';
import { legsOfRun } from '@core/planning/groupTargets';
import { itemRows } from '@core/planning/itemRows';
import { markedJogs } from '@core/venue/recoveryDistance';
import { formatItem } from '@core/session/formatSession';
import { SmallButton } from '../../ui/SmallButton';
import { SPACE } from '../../ui/theme';
import { Text } from '../../ui/Text';
import type { Planning } from '../../data/usePlanning';
import { jogText } from './trackText';

/** Jogs that end on a mark, for every recovery of the group. */
export function Jogs({ planning, groupId }: { planning: Planning; groupId: string }) {
  const { runs, venue, change } = planning;
  const run = runs.find(({ group }) => group.id === groupId);
  const athletePlan = run?.members[0];
  if (!run || !athletePlan) return null;
  const legs = legsOfRun(run);
  const whom = { kind: 'group' as const, groupId };
  const rows = itemRows(athletePlan.session).flatMap(({ path, item }) => {
    const at = legs.findIndex((leg) => leg.kind === 'recovery' && leg.path.join() === path.join());
    const rest = legs[at];
    const rep = legs[at - 1];
    if (!rest || rep?.kind !== 'rep' || rep.distanceM === undefined || rep.startM === undefined) return [];
    const wantedM = rest.distanceM ?? (rest.targetS ?? 60) * 2.3;
    const jogs = markedJogs(venue, { startM: rep.startM, distanceM: rep.distanceM }, wantedM);
    const others = jogs.filter(({ distanceM }) => Math.abs(distanceM - (rest.distanceM ?? -1)) > 1);
    return others.length > 0 ? [{ path, title: formatItem(item), jogs: others }] : [];
  });
  if (rows.length === 0) return null;
  return (
    <View style={{ gap: SPACE.s }}>
      <Text as="heading" level={3}>
        Recoveries that end on a mark
      </Text>
      {rows.map(({ path, title, jogs }) => (
        <View key={path.join()} role="group" aria-label={title} style={{ gap: SPACE.xs }}>
          <Text as="small" quiet>
            {title}
          </Text>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
            {jogs.map((jog) => (
              <SmallButton
                key={jog.distanceM}
                onPress={() =>
                  change(
                    [changeOf(athletePlan.written, path, whom, { kind: 'jog', distanceM: jog.distanceM })],
                    `${run.group.name} jog ${Math.round(jog.distanceM)} m.`,
                  )
                }
              >
                {jogText(jog)}
              </SmallButton>
            ))}
          </View>
        </View>
      ))}
    </View>
  );
}
