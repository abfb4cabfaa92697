import type { Job } from '@brook/contract';
import { Owes } from './Owes';

/** What the vehicle owed when a job took it in, and that this job takes over; nothing where it owed nothing. */
export const TakenOver = ({ job }: { readonly job: Pick<Job, 'before'> }) => (
  <Owes
    openItems={job.before}
    about="This job takes it over: the plan opens what it needs, the proof covers its controls."
  />
);
