import { useLocalSearchParams } from 'expo-router';
import { RollCall } from '@client/frame/screens';

export default function ReadyPage() {
  const { sessionId } = useLocalSearchParams<{ sessionId: string }>();
  return <RollCall key={sessionId} sessionId={sessionId} />;
}
