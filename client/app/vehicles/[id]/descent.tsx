import { useLocalSearchParams } from 'expo-router';
import { DescentScreen } from '../../../workbench/lazy';

export default function DescentRoute() {
  const { id, ...given } = useLocalSearchParams<{
    id: string;
    grade?: string;
    water?: string;
    boiling?: string;
  }>();
  return <DescentScreen vehicleId={id} given={given} />;
}
