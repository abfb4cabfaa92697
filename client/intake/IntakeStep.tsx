import { PURPOSE_WORDS } from '@brook/core/scope';
import { View } from 'react-native';
import { lowerFirst } from '@brook/core/text';
import { JobHead } from '../jobs/JobHead';
import type { StepProps } from '../jobs/step';
import { EndJob } from '../jobs/EndJob';
import { BackToHand } from '../jobs/BackToHand';
import { TakenOver } from '../matters/TakenOver';
import { MoveJob } from './MoveJob';
import { Page } from '../ui/Page';
import { Words } from '../ui/Words';
import { clockTime, shortDate } from '../ui/dates';

/** What was taken in: looked back at from the way. */
export function IntakeStep({ job, band, onStep }: StepProps) {
  return (
    <Page band={band} action={<BackToHand job={job} onStep={onStep} />}>
      <JobHead job={job} />
      <View>
        <Words strong heading={2}>
          Taken in
        </Words>
        <Words>{`${shortDate(job.openedAt)}, ${clockTime(job.openedAt)}, by ${job.openedBy}`}</Words>
        <Words>{`Why it is here: ${lowerFirst(PURPOSE_WORDS[job.purpose].title)}.`}</Words>
      </View>
      <TakenOver job={job} />
      <MoveJob job={job} />
      <EndJob job={job} />
    </Page>
  );
}
