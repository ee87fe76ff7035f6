import { useLocalSearchParams } from 'expo-router';
import { SessionEditor } from '@client/session/SessionEditor';

export default function SessionPage() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <SessionEditor id={id} />;
}
