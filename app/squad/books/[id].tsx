import { useLocalSearchParams } from 'expo-router';
import { PaceBookEditor } from '@client/frame/screens';

export default function Book() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <PaceBookEditor id={id} />;
}
