import { slavePasses } from '@brook/core/clutch';
import { stageTitle, stageWords, type PlanStage } from '@brook/core/plan';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { EndJob } from '../jobs/EndJob';
import { JobHead } from '../jobs/JobHead';
import { ActionBar } from '../ui/ActionBar';
import { Choice } from '../ui/Choice';
import { Field } from '../ui/Field';
import { FigureRow } from '../ui/FigureValue';
import { Caution } from '../ui/Notice';
import { Page } from '../ui/Page';
import { Words } from '../ui/Words';
import { colour, SPACE } from '../ui/theme';
import { typedNumber } from '../ui/typedNumber';
import type { OwnStageProps } from './OwnStage';
import { SkipStage } from './SkipStage';
import { NumberedSteps } from './NumberedSteps';

export interface SlaveStageProps extends Omit<OwnStageProps, 'stage' | 'action'> {
  readonly stage: Extract<PlanStage, { kind: 'slave test' }>;
}

const MEASURED = { blocked: 'Travel of the master’s rod', travel: 'Travel of the slave', 'take-up': 'Takes up at, above the floor' } as const;

/** What proves a clutch: one measurement, and reverse where that tells. It passes by what was measured and by nothing else. */
export function SlaveStage({ job, plan, run, stage, band, link }: SlaveStageProps) {
  const [typed, setTyped] = useState('');
  const [reverse, setReverse] = useState<'clean' | 'grates' | null>(null);
  const mm = typedNumber(typed);
  const inRange = mm >= 0 && mm <= 300;
  const asked = stage.way !== 'blocked';
  const waitsFor = !inRange ? 'Measure first' : asked && reverse === null ? 'Say how reverse goes in' : null;
  const passes = waitsFor === null && slavePasses(stage, { mm, reverse });
  return (
    <Page
      band={band}
      action={
        <ActionBar
          label={waitsFor === null && !passes ? 'It does not pass: put that down' : 'Put this down'} waitsFor={waitsFor} onPress={() => run.say({ kind: 'slave tested', stageId: stage.id, mm, reverse })}
          side={{ label: 'Undo', onPress: run.undo, disabled: run.state.log.length === 0 }}
        />
      }
    >
      <JobHead job={job} />
      {link}
      <View style={styles.step}>
        <Words size="head" heading={2}>
          {stageTitle(plan.layout, stage)}
        </Words>
        <Caution title={stageWords(plan, stage).why} />
        <NumberedSteps steps={stageWords(plan, stage).steps} />
        {stage.limitMm ? <FigureRow figure={stage.limitMm} /> : null}
        <Field label={MEASURED[stage.way]} unit="mm" inputMode="decimal" value={typed} onChange={setTyped} fault={typed.trim() !== '' && !inRange ? 'Give 0 to 300 mm.' : null} />
        {asked ? <Choice question="Reverse gear" options={[{ value: 'clean', label: 'Goes in clean' }, { value: 'grates', label: 'Grates' }]} chosen={reverse} onChoose={setReverse} /> : null}
      </View>
      <SkipStage run={run} stageId={stage.id} />
      <EndJob job={job} />
    </Page>
  );
}

const styles = StyleSheet.create({ step: { gap: SPACE.medium, borderTopWidth: 2, borderTopColor: colour.words, paddingTop: SPACE.medium } });
