import { useLocalSearchParams } from 'expo-router';
import { DescentScreen } from '../../../lazyWorkbench';

export default function DescentRoute() {
  const { id, ...given } = useLocalSearchParams<{
    id: string;
    grade?: string;
    water?: string;
    boiling?: string;
  }>();
  return <DescentScreen vehicleId={id} given={given} />;
}
