import { useLocalSearchParams } from 'expo-router';
import { VenueEditor } from '@client/screens';

export default function Place() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <VenueEditor id={id} />;
}
