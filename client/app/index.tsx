import { useEffect } from 'react';
import { JobList } from '../job/frame/JobList';
import { fetchWorkbench } from '../lazyWorkbench';

export default function JobsRoute() {
  useEffect(() => {
    const timer = setTimeout(fetchWorkbench, 1_500);
    return () => clearTimeout(timer);
  }, []);
  return <JobList />;
}
