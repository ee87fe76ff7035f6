import { useLocalSearchParams } from 'expo-router';
import { ProgressionPage } from '@client/frame/screens';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <ProgressionPage id={id} />;
}
