import { useLocalSearchParams } from 'expo-router';
import { RehearsalPage } from '@client/frame/screens';

export default function RehearsePage() {
  const { sessionId } = useLocalSearchParams<{ sessionId: string }>();
  return <RehearsalPage key={sessionId} sessionId={sessionId} />;
}
