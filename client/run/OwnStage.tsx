import type { Job } from '@brook/contract';
import { stageTitle, stageWords, type Plan } from '@brook/core/plan';
import { maySkip, type OwnStage as Stage } from '@brook/core/run';
import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import type { LiveRun } from '../data/run';
import { EndJob } from '../jobs/EndJob';
import { JobHead } from '../jobs/JobHead';
import { FigureRow } from '../ui/FigureValue';
import { Caution } from '../ui/Notice';
import { Page } from '../ui/Page';
import { Words } from '../ui/Words';
import { colour, SPACE } from '../ui/theme';
import { NumberedSteps } from './NumberedSteps';
import { SkipStage } from './SkipStage';

export interface OwnStageProps {
  readonly job: Job;
  readonly plan: Plan;
  readonly run: LiveRun;
  readonly stage: Stage;
  readonly band: ReactNode;
  readonly action: ReactNode;
  readonly link: ReactNode;
}

/** A stage that opens no bleeder: what to do, step by step, and the reason. */
export function OwnStage({ job, plan, run, stage, band, action, link }: OwnStageProps) {
  const words = stageWords(plan, stage);
  return (
    <Page band={band} action={action}>
      <JobHead job={job} />
      {link}
      <View style={styles.step}>
        <Words size="head" heading={2} accessibilityLiveRegion="polite">
          {stageTitle(plan.layout, stage)}
        </Words>
        <Caution title={words.why} />
        <NumberedSteps steps={words.steps} />
        <FigureRow figure={stage.minutes} />
        {stage.kind === 'bench' ? <FigureRow figure={stage.savesMinutes} /> : null}
      </View>
      {maySkip(stage) ? <SkipStage run={run} stageId={stage.id} /> : null}
      <EndJob job={job} />
    </Page>
  );
}

const styles = StyleSheet.create({
  step: { gap: SPACE.medium, borderTopWidth: 2, borderTopColor: colour.words, paddingTop: SPACE.medium },
});
