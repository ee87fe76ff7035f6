import { useLocalSearchParams } from 'expo-router';
import { SamePage } from '@client/frame/screens';

export default function Same() {
  const { runId, athlete } = useLocalSearchParams<{ runId: string; athlete?: string }>();
  return <SamePage key={runId} runId={runId} athleteId={athlete} />;
}
