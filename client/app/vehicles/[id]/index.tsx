import { useLocalSearchParams } from 'expo-router';
import { VehicleScreen } from '../../../workbench/lazy';

export default function VehicleRoute() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <VehicleScreen id={id} />;
}
