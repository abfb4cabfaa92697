import { useLocalSearchParams } from 'expo-router';
import { LayoutScreen } from '../../../workbench/lazy';

export default function LayoutRoute() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <LayoutScreen vehicleId={id} />;
}
