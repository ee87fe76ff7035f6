import { useLocalSearchParams } from 'expo-router';
import { SeasonPage } from '@client/frame/screens';

export default function Season() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <SeasonPage key={id} id={id} />;
}
