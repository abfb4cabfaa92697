import { stageTitle, maySkip, type OwnStage } from '@brook/core/bleed/stages';
import type { Job } from '@brook/contract';
import { type Plan } from '@brook/core/bleed/plan';

import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import type { LiveRun } from '../../data/run';
import { JobFoot } from '../side/JobFoot';
import { SomethingWrongButton } from './Halted';
import { JobHead } from '../frame/JobHead';
import { Page } from '../../ui/Page';
import { Words } from '../../ui/Words';
import { colour, SPACE } from '../../ui/theme';
import { SkipStage } from './SkipStage';

/** What every stage that opens no bleeder is drawn with. */
export interface StageProps {
  readonly job: Job;
  readonly plan: Plan;
  readonly run: LiveRun;
  readonly band: ReactNode;
  readonly link: ReactNode;
  readonly onWrong: () => void;
}

export interface StageFrameProps extends StageProps {
  readonly stage: OwnStage;
  readonly action: ReactNode;
  readonly children: ReactNode;
}

/** A stage by itself: its name, what it asks for, and the way to leave it out where that may be. */
export function StageFrame({
  job,
  plan,
  run,
  stage,
  band,
  link,
  onWrong,
  action,
  children,
}: StageFrameProps) {
  return (
    <Page band={band} action={action}>
      <JobHead job={job} />
      {link}
      <View style={styles.step}>
        <Words size="head" heading={2} accessibilityLiveRegion="polite">
          {stageTitle(plan.layout, stage)}
        </Words>
        {children}
      </View>
      {maySkip(stage) ? <SkipStage run={run} stageId={stage.id} /> : null}
      <SomethingWrongButton onPress={onWrong} />
      <JobFoot job={job} />
    </Page>
  );
}

/** Taking the last step back, beside the next action of a stage. */
export const undoOf = (run: LiveRun) => ({
  label: 'Undo',
  onPress: run.undo,
  disabled: run.state.log.length === 0,
});

const styles = StyleSheet.create({
  step: {
    gap: SPACE.medium,
    borderTopWidth: 2,
    borderTopColor: colour.words,
    paddingTop: SPACE.medium,
  },
});
