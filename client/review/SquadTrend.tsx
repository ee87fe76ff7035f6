import { Link } from 'expo-router';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Divider } from 'react-native-paper';
import type { SquadMember } from '@core/squad/athlete';
import { trendText, trendVerdict } from '../data/trendWords';
import { trendFor } from '../data/useTrend';
import { pacesOf, type SquadView } from '../data/useSquad';
import { today } from '../ui/days';
import { SPACE } from '../ui/theme';
import { Words } from '../ui/Words';

/** Those who get fitter first; who cannot be told from standing still is in between. */
const SAYS = { fitter: 'getting fitter', 'less-fit': 'getting less fit', unsure: 'no change that is sure' } as const;

/** Who gets fitter over the season, and how sure that is; from marks alone. */
export function SquadTrend({ squad, members }: { squad: SquadView; members: readonly SquadMember[] }) {
  const asOf = today();
  const all = useMemo(
    () =>
      members.map((athlete) => ({
        athlete,
        trend: trendFor(pacesOf(athlete, squad, asOf), athlete.goal?.distanceM ?? 5000).trend,
      })),
    [members, squad, asOf],
  );
  const known = all.flatMap(({ athlete, trend }) => (trend ? [{ athlete, trend }] : []));
  known.sort((a, b) => b.trend.perWeek / b.trend.errorPerWeek - a.trend.perWeek / a.trend.errorPerWeek);
  const unknown = all.length - known.length;
  return (
    <View style={{ gap: SPACE.xs }}>
      <Words as="heading" level={2}>
        Who gets fitter
      </Words>
      <View role="list" aria-label="Who gets fitter">
        {known.map(({ athlete, trend }) => (
          <View role="listitem" key={athlete.id}>
            <View style={{ paddingVertical: SPACE.xs, minHeight: 44, justifyContent: 'center' }}>
              <Link href={`/squad/${athlete.id}?side=season`} aria-label={`The season of ${athlete.name}`}>
                <Words as="strong">{athlete.name}</Words>
              </Link>
              <Words as="small">{`${SAYS[trendVerdict(trend)]}: ${trendText(trend)}, from ${trend.marks} marks`}</Words>
            </View>
            <Divider />
          </View>
        ))}
      </View>
      {unknown > 0 && (
        <Words as="small" quiet>
          {`${unknown === members.length ? 'Nobody has' : `${unknown} ${unknown === 1 ? 'has' : 'have'} not yet`} three marks over four weeks to tell by. What a session says can be kept as one.`}
        </Words>
      )}
    </View>
  );
}
