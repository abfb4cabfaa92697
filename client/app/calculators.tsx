import { useLocalSearchParams } from 'expo-router';
import { CalculatorsScreen } from '../lazyWorkbench';

export default function CalculatorsRoute() {
  const { of } = useLocalSearchParams<{ of?: string }>();
  return <CalculatorsScreen of={of} />;
}
