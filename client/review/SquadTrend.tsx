import { timeFor } from '@core/fitness/curve';
import { counted } from '@core/units/counted';
import { Link } from 'expo-router';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Divider } from 'react-native-paper';
import type { SquadMember } from '@core/squad/athlete';
import { trendText, trendVerdict } from '../data/trendText';
import { trendFor } from '../data/useTrend';
import { pacesOf, type SquadView } from '../data/useSquad';
import { today } from '../ui/days';
import { SPACE } from '../ui/theme';
import { Text } from '../ui/Text';

/** Those who get fitter first; who cannot be told from standing still is in between. */
const TREND_WORDS = {
  fitter: 'getting fitter',
  'less-fit': 'getting less fit',
  unsure: 'no change that is sure',
} as const;

const USUAL_M = 5000;

/** Who gets fitter over the season, and how sure that is; from marks alone. */
export function SquadTrend({ squad, members }: { squad: SquadView; members: readonly SquadMember[] }) {
  const asOf = today();
  const all = useMemo(
    () =>
      members.map((athlete) => {
        const paces = pacesOf(athlete, squad, asOf);
        const distanceM = athlete.goal?.distanceM ?? USUAL_M;
        const timeS = paces.curve ? timeFor(paces.curve, distanceM) : 0;
        return { athlete, trend: trendFor(paces, distanceM).trend, over: { distanceM, timeS } };
      }),
    [members, squad, asOf],
  );
  const trends = all.flatMap(({ athlete, trend, over }) => (trend ? [{ athlete, trend, over }] : []));
  trends.sort((a, b) => b.trend.perWeek / b.trend.errorPerWeek - a.trend.perWeek / a.trend.errorPerWeek);
  const unknown = all.length - trends.length;
  return (
    <View style={{ gap: SPACE.xs }}>
      <Text as="heading" level={2}>
        Who gets fitter
      </Text>
      <View role="list" aria-label="Who gets fitter">
        {trends.map(({ athlete, trend, over }) => (
          <View role="listitem" key={athlete.id}>
            <View style={{ paddingVertical: SPACE.xs, minHeight: 44, justifyContent: 'center' }}>
              <Link href={`/squad/${athlete.id}?side=season`} aria-label={`The season of ${athlete.name}`}>
                <Text as="strong">{athlete.name}</Text>
              </Link>
              <Text as="small">{`${TREND_WORDS[trendVerdict(trend)]}: ${trendText(trend, over)}, from ${counted(trend.marks, 'mark')}`}</Text>
            </View>
            <Divider />
          </View>
        ))}
      </View>
      {unknown > 0 && (
        <Text as="small" quiet>
          {`${unknown === members.length ? 'Nobody has' : `${unknown} ${unknown === 1 ? 'has' : 'have'} not yet`} three marks over four weeks to tell by. What a session says can be kept as one.`}
        </Text>
      )}
    </View>
  );
}
