import { useLocalSearchParams } from 'expo-router';
import { HistoryScreen } from '../../../lazyWorkbench';

export default function HistoryRoute() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <HistoryScreen vehicleId={id} />;
}
