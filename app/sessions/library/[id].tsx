import { useLocalSearchParams } from 'expo-router';
import { LibrarySessionEditor } from '@client/frame/screens';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <LibrarySessionEditor id={id} />;
}
