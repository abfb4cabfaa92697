import { useEffect } from 'react';
import { JobList } from '../jobs/JobList';
import { fetchWorkbench } from '../workbench/lazy';

export default function JobsRoute() {
  useEffect(() => {
    const timer = setTimeout(fetchWorkbench, 1_500);
    return () => clearTimeout(timer);
  }, []);
  return <JobList />;
}
