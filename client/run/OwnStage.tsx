import type { Job } from '@brook/contract';
import { stageTitle, stageWords, type Plan } from '@brook/core/plan';
import { maySkip, type OwnStage as Stage } from '@brook/core/run';
import { useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import type { LiveRun } from '../data/run';
import { EndJob } from '../jobs/EndJob';
import { JobHead } from '../jobs/JobHead';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { FigureRow } from '../ui/FigureValue';
import { More } from '../ui/More';
import { Caution } from '../ui/Notice';
import { Numeral } from '../ui/Numeral';
import { Page } from '../ui/Page';
import { Words } from '../ui/Words';
import { colour, SPACE } from '../ui/theme';

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
        <View role="list">
          {words.steps.map((s, i) => (
            <View key={s} role="listitem" style={styles.line}>
              <View style={styles.number}>
                <Numeral>{String(i + 1)}</Numeral>
              </View>
              <View style={styles.grow}>
                <Words>{s}</Words>
              </View>
            </View>
          ))}
        </View>
        <FigureRow figure={stage.minutes} />
        {stage.kind === 'bench' ? <FigureRow figure={stage.savesMinutes} /> : null}
      </View>
      {maySkip(stage) ? <Skip run={run} stageId={stage.id} /> : null}
      <EndJob job={job} />
    </Page>
  );
}

/** Leaving a stage out is a decision with a reason; it stays on the record. */
function Skip({ run, stageId }: { readonly run: LiveRun; readonly stageId: string }) {
  const [reason, setReason] = useState('');
  return (
    <More title="Leave this out" about="By decision: it shows at the gate, and the pedal test carries the burden">
      <Field label="Reason" value={reason} onChange={setReason} maxLength={300} />
      <Button label="Leave it out" disabled={reason.trim().length < 3} onPress={() => run.say({ kind: 'stage skipped', stageId, reason: reason.trim() })} />
    </More>
  );
}

const styles = StyleSheet.create({
  step: { gap: SPACE.medium, borderTopWidth: 2, borderTopColor: colour.words, paddingTop: SPACE.medium },
  line: { flexDirection: 'row', gap: SPACE.medium, paddingVertical: SPACE.small, borderTopWidth: 1, borderTopColor: colour.hairline },
  number: { width: 28 },
  grow: { flex: 1 },
});
