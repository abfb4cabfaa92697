import { useLocalSearchParams } from 'expo-router';
import { CalculatorsScreen } from '../workbench/lazy';

export default function CalculatorsRoute() {
  const { of } = useLocalSearchParams<{ of?: string }>();
  return <CalculatorsScreen of={of} />;
}
