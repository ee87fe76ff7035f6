import { useLocalSearchParams } from 'expo-router';
import { PlanPage } from '@client/frame/screens';

export default function SessionPlan() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <PlanPage id={id} />;
}
