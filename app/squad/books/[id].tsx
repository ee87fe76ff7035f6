import { useLocalSearchParams } from 'expo-router';
import { BookEditor } from '@client/frame/screens';

export default function Book() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <BookEditor id={id} />;
}
