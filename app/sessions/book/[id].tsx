import { useLocalSearchParams } from 'expo-router';
import { BookSessionEditor } from '@client/frame/screens';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <BookSessionEditor id={id} />;
}
