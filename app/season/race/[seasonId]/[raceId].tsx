import { useLocalSearchParams } from 'expo-router';
import { RacePage } from '@client/frame/screens';

export default function Race() {
  const { seasonId, raceId } = useLocalSearchParams<{ seasonId: string; raceId: string }>();
  return <RacePage key={raceId} seasonId={seasonId} raceId={raceId} />;
}
