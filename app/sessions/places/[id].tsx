import { useLocalSearchParams } from 'expo-router';
import { VenueEditor } from '@client/frame/screens';

export default function Place() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <VenueEditor id={id} />;
}
