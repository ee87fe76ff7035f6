import { useLocalSearchParams } from 'expo-router';
import { LineBoard } from '@client/frame/screens';

export default function RunPage() {
  const { runId } = useLocalSearchParams<{ runId: string }>();
  return <LineBoard key={runId} runId={runId} />;
}
