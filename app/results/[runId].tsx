import { useLocalSearchParams } from 'expo-router';
import { ResultView } from '@client/screens';

export default function ResultPage() {
  const { runId } = useLocalSearchParams<{ runId: string }>();
  return <ResultView key={runId} runId={runId} />;
}
