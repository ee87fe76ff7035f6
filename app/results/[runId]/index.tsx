import { useLocalSearchParams } from 'expo-router';
import { ResultPage } from '@client/frame/screens';

export default function Result() {
  const { runId } = useLocalSearchParams<{ runId: string }>();
  return <ResultPage key={runId} runId={runId} />;
}
