import { useLocalSearchParams } from 'expo-router';
import { AthleteEditor } from '@client/screens';

export default function AthletePage() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <AthleteEditor id={id} />;
}
