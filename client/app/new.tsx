import { useLocalSearchParams } from 'expo-router';
import { Intake } from '../lazyWorkbench';

export default function NewJobRoute() {
  const { vehicle } = useLocalSearchParams<{ vehicle?: string }>();
  return <Intake vehicleId={vehicle} />;
}
