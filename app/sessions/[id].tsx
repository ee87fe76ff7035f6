import { useLocalSearchParams } from 'expo-router';
import { SessionEditor } from '@client/frame/screens';

export default function SessionPage() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <SessionEditor id={id} />;
}
