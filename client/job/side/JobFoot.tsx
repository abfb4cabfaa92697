import type { Job } from '@brook/contract';
import { isClosed } from '@brook/core/job/stage';
import { StyleSheet, View } from 'react-native';
import { ClockButton } from './clocks/ClockButton';
import { LookAgainButton } from './lookAgain/LookAgainButton';
import { MediaButton } from './media/MediaButton';
import { RefitButton } from './refit/RefitButton';
import { SPACE } from '../../ui/theme';
import { EndJob } from './EndJob';

/** What can be done on every step of an open job, beside the next action. */
export function JobFoot({ job }: { readonly job: Job }) {
  if (isClosed(job.stage)) return null;
  return (
    <View style={styles.foot}>
      <MediaButton jobId={job.id} />
      <RefitButton jobId={job.id} />
      <ClockButton jobId={job.id} />
      <LookAgainButton jobId={job.id} />
      <EndJob job={job} />
    </View>
  );
}

const styles = StyleSheet.create({ foot: { gap: SPACE.medium } });
