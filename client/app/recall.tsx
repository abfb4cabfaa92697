import { useLocalSearchParams } from 'expo-router';
import { RecallScreen } from '../lazyWorkbench';

export default function RecallRoute() {
  const { batch } = useLocalSearchParams<{ batch?: string }>();
  return <RecallScreen batch={batch} />;
}
