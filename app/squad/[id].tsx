import { useLocalSearchParams } from 'expo-router';
import { AthletePage, AthleteStory } from '@client/frame/screens';

export default function Athlete() {
  const { id, side } = useLocalSearchParams<{ id: string; side?: string }>();
  return <AthletePage id={id} side={side} story={<AthleteStory athleteId={id} />} />;
}
