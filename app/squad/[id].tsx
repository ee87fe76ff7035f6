import { useLocalSearchParams } from 'expo-router';
import { AthleteEditor } from '@client/squad/AthleteEditor';

export default function AthletePage() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <AthleteEditor id={id} />;
}
