import { useLocalSearchParams } from 'expo-router';
import { AddContainers } from '../../workbench/lazy';

export default function AddContainersRoute() {
  const { grade, job } = useLocalSearchParams<{ grade?: string; job?: string }>();
  return <AddContainers grade={grade} jobId={job} />;
}
