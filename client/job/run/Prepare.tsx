import type { Job } from '@brook/contract';
import {
  preparationWords,
  rinseWords,
  type Plan,
  type PreparationStep,
} from '@brook/core/bleed/plan';
import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import type { LiveRun } from '../../data/run';
import { JobFoot } from '../side/JobFoot';
import { MeasureFirst } from '../side/MeasureFirst';
import { SomethingWrongButton } from './Halted';
import { JobHead } from '../frame/JobHead';
import { FigureRow } from '../../ui/FigureValue';
import { Caution } from '../../ui/Notice';
import { Numeral } from '../../ui/Numeral';
import { Page } from '../../ui/Page';
import { Words } from '../../ui/Words';
import { colour, SPACE } from '../../ui/theme';

export interface PrepareProps {
  readonly job: Job;
  readonly plan: Plan;
  readonly run: LiveRun;
  readonly step: PreparationStep;
  readonly band: ReactNode;
  readonly action: ReactNode;
  readonly link: ReactNode;
  /** The container that is poured from, where it is filled. */
  readonly inHand: ReactNode;
  readonly onWrong: () => void;
}

/** Before the first stroke: one step at a time, each with the reason that counts there. */
export function Prepare({
  job,
  plan,
  run,
  step,
  band,
  action,
  link,
  inHand,
  onWrong,
}: PrepareProps) {
  const words = preparationWords(plan, step);
  const number = plan.preparation.indexOf(step) + 1;
  return (
    <Page band={band} action={action}>
      <JobHead job={job} />
      {link}
      <View style={styles.step}>
        <Numeral>{`${number} of ${plan.preparation.length}`}</Numeral>
        <Words size="head" heading={2} accessibilityLiveRegion="polite">
          {words.title}
        </Words>
        <Caution title={words.why} />
        {step === 'read cap' ? <Words strong>{`It should say ${plan.fillGrade}.`}</Words> : null}
        {step === 'empty reservoir' ? (
          <FigureRow figure={plan.totals.removedMl} label="About this much comes out" />
        ) : null}
        {step === 'clean reservoir' && plan.treatment ? (
          <Words strong>{rinseWords(plan.treatment, plan.reservoirs)}</Words>
        ) : null}
        {inHand}
      </View>
      <View role="list" aria-label="Preparing">
        {plan.preparation.map((s) => (
          <View key={s} role="listitem" style={styles.line}>
            <View style={[styles.tick, run.state.prepared.includes(s) ? styles.ticked : null]} />
            <View style={styles.grow}>
              <Words
                size="small"
                strong={s === step}
                tone={run.state.prepared.includes(s) || s === step ? 'words' : 'softWords'}
              >
                {preparationWords(plan, s).title}
              </Words>
            </View>
          </View>
        ))}
      </View>
      <MeasureFirst job={job} plan={plan} run={run} />
      <SomethingWrongButton onPress={onWrong} />
      <JobFoot job={job} />
    </Page>
  );
}

const styles = StyleSheet.create({
  step: {
    gap: SPACE.medium,
    borderTopWidth: 2,
    borderTopColor: colour.words,
    paddingTop: SPACE.medium,
  },
  line: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.medium,
    paddingVertical: SPACE.small,
    borderTopWidth: 1,
    borderTopColor: colour.hairline,
  },
  tick: { width: 14, height: 14, borderWidth: 2, borderColor: colour.edge },
  ticked: { backgroundColor: colour.words, borderColor: colour.words },
  grow: { flex: 1 },
});
