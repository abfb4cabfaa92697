import { useLocalSearchParams } from 'expo-router';
import { VehicleScreen } from '../../../lazyWorkbench';

export default function VehicleRoute() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <VehicleScreen id={id} />;
}
