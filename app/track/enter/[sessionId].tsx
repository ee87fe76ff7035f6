import { useLocalSearchParams } from 'expo-router';
import { EnterPage } from '@client/frame/screens';

export default function EnterTimesPage() {
  const { sessionId } = useLocalSearchParams<{ sessionId: string }>();
  return <EnterPage key={sessionId} sessionId={sessionId} />;
}
