import type { Job } from '@brook/contract';
import { View } from 'react-native';
import { Words } from '../ui/Words';
import { MatterList } from './MatterList';

/** What the vehicle owed when a job took it in, and that this job takes over; nothing where it owed nothing. */
export function TakenOver({ job }: { readonly job: Pick<Job, 'before'> }) {
  if (job.before.length === 0) return null;
  return (
    <View>
      <Words strong heading={2}>
        It still owes
      </Words>
      <Words size="small" tone="softWords">
        This job takes it over: the plan opens what it needs, the proof covers its controls.
      </Words>
      <MatterList matters={job.before} />
    </View>
  );
}
