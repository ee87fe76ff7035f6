import { differenceInCalendarDays } from 'date-fns/differenceInCalendarDays';
import { parseISO } from 'date-fns/parseISO';
import { router, usePathname } from 'expo-router';
import { View } from 'react-native';
import { timeErrorFor, timeFor, type Curve } from '@core/fitness/curve';
import { formatDistance } from '@core/units/distance';
import { formatMarkTime, formatTime } from '@core/units/time';
import { useAthletesQuery, troubleText, type Athlete } from '../store/api';
import { today } from '../ui/days';
import { Empty } from '../ui/Empty';
import { ListRow } from '../ui/ListRow';
import { Loading } from '../ui/Loading';
import { LookSwitch } from '../ui/LookSwitch';
import { Page } from '../ui/Page';
import { PrimaryButton } from '../ui/PrimaryButton';
import { SPACE } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { useWide } from '../ui/useWide';
import { Words } from '../ui/Words';
import { useCurves } from './curves';

const KIND_WORD = { race: 'race', trial: 'trial', session: 'session estimate', estimate: 'coach’s estimate' } as const;

function ageText(date: string): string {
  const days = differenceInCalendarDays(new Date(), parseISO(date));
  if (days <= 0) return 'today';
  if (days < 14) return `${days} day${days === 1 ? '' : 's'} ago`;
  return `${Math.round(days / 7)} weeks ago`;
}

function latestMark({ marks }: Athlete): string {
  const [latest] = [...marks].sort((a, b) => b.date.localeCompare(a.date));
  if (!latest) return 'no mark yet';
  return `${formatDistance(latest.distanceM)} in ${formatMarkTime(latest.timeS)}, ${KIND_WORD[latest.kind]} ${ageText(latest.date)}`;
}

/** What the athlete is worth over 5 km today, with how sure that is. */
function Worth({ curve }: { curve: Curve | undefined }) {
  if (!curve) return <Words quiet>by effort</Words>;
  return (
    <View style={{ alignItems: 'flex-end' }}>
      <Words as="heading">{formatTime(timeFor(curve, 5000))}</Words>
      <Words as="label" quiet>
        {`5k ± ${formatTime(Math.max(1, timeErrorFor(curve, 5000)))} s`}
      </Words>
    </View>
  );
}

/** Everyone in the squad, with their latest mark and what it is worth. */
export function SquadList() {
  const { data: athletes, error, refetch } = useAthletesQuery();
  const curves = useCurves(athletes, today());
  const path = usePathname();
  const wide = useWide();
  const add = () => router.push('/squad/new');
  return (
    <Page
      title="Squad"
      {...(athletes && athletes.length > 0 ? { about: `${athletes.length} athletes` } : {})}
      aside={wide ? undefined : <LookSwitch />}
      footer={
        <PrimaryButton main icon="plus" onPress={add}>
          Add athlete
        </PrimaryButton>
      }
    >
      {error ? <Trouble retry={() => void refetch()}>{troubleText(error)}</Trouble> : !athletes && <Loading />}
      {athletes?.length === 0 && (
        <Empty title="Nobody here yet">
          Add each athlete with one race or trial: that is enough to give them their own paces. More marks make them
          surer.
        </Empty>
      )}
      <View role="list" style={{ marginHorizontal: -SPACE.l }}>
        {athletes?.map((athlete) => (
          <View role="listitem" key={athlete.id}>
            <ListRow
              href={`/squad/${athlete.id}`}
              title={athlete.name}
              about={latestMark(athlete)}
              aside={<Worth curve={curves.get(athlete.id)} />}
              chosen={path === `/squad/${athlete.id}`}
            />
          </View>
        ))}
      </View>
    </Page>
  );
}
