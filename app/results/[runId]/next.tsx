import { useLocalSearchParams } from 'expo-router';
import { NextPage } from '@client/frame/screens';

export default function Next() {
  const { runId } = useLocalSearchParams<{ runId: string }>();
  return <NextPage key={runId} runId={runId} />;
}
