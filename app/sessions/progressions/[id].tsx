import { useLocalSearchParams } from 'expo-router';
import { ProgressionPage } from '@client/screens';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <ProgressionPage id={id} />;
}
