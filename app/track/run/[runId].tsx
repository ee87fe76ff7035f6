import { useLocalSearchParams } from 'expo-router';
import { LineBoard } from '@client/screens';

export default function RunPage() {
  const { runId } = useLocalSearchParams<{ runId: string }>();
  return <LineBoard key={runId} runId={runId} />;
}
