import { useLocalSearchParams } from 'expo-router';
import { AthleteResultPage } from '@client/frame/screens';

export default function AthleteResult() {
  const { runId, athleteId } = useLocalSearchParams<{ runId: string; athleteId: string }>();
  return <AthleteResultPage key={runId} runId={runId} athleteId={athleteId} />;
}
