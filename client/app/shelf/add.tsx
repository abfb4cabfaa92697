import { useLocalSearchParams } from 'expo-router';
import { AddContainers } from '../../lazyWorkbench';

export default function AddContainersRoute() {
  const { grade, job } = useLocalSearchParams<{ grade?: string; job?: string }>();
  return <AddContainers grade={grade} jobId={job} />;
}
