import { useLocalSearchParams } from 'expo-router';
import { HistoryScreen } from '../../../workbench/lazy';

export default function HistoryRoute() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <HistoryScreen vehicleId={id} />;
}
