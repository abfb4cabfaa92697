import { useLocalSearchParams } from 'expo-router';
import { LayoutScreen } from '../../../lazyWorkbench';

export default function LayoutRoute() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <LayoutScreen vehicleId={id} />;
}
