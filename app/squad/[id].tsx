import { useLocalSearchParams } from 'expo-router';
import { AthletePage } from '@client/screens';

export default function Athlete() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <AthletePage id={id} />;
}
