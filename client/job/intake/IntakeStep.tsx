import { View } from 'react-native';
import { JobHead } from '../frame/JobHead';
import type { StepProps } from '../frame/step';
import { JobFoot } from '../side/JobFoot';
import { BackToHand } from '../frame/BackToHand';
import { TakenIn } from '../frame/TakenIn';
import { TakenOver } from '../../vehicle/owes/TakenOver';
import { MoveJob } from './MoveJob';
import { Page } from '../../ui/Page';
import { Words } from '../../ui/Words';

/** What was taken in: looked back at from the way. */
export function IntakeStep({ job, band, onStep }: StepProps) {
  return (
    <Page band={band} action={<BackToHand job={job} onStep={onStep} />}>
      <JobHead job={job} />
      <View>
        <Words strong heading={2}>
          Taken in
        </Words>
        <TakenIn job={job} />
      </View>
      <TakenOver job={job} />
      <MoveJob job={job} />
      <JobFoot job={job} />
    </Page>
  );
}
