import { useLocalSearchParams } from 'expo-router';
import { RecallScreen } from '../workbench/lazy';

export default function RecallRoute() {
  const { batch } = useLocalSearchParams<{ batch?: string }>();
  return <RecallScreen batch={batch} />;
}
