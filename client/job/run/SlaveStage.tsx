import { inRange, rangeWords } from '@brook/core/base/units';
import { stageWords, type PlanStage } from '@brook/core/bleed/stages';
import { SLAVE_READING_MM, slavePasses } from '@brook/core/control/clutch';

import { useState } from 'react';
import { ActionBar } from '../../ui/ActionBar';
import { Choice } from '../../ui/Choice';
import { Field } from '../../ui/Field';
import { FigureRow } from '../../ui/FigureValue';
import { Caution } from '../../ui/Notice';
import { typedNumber } from '../../ui/typedNumber';
import { NumberedSteps } from './NumberedSteps';
import { StageFrame, undoOf, type StageProps } from './StageFrame';

export interface SlaveStageProps extends StageProps {
  readonly stage: Extract<PlanStage, { kind: 'slave test' }>;
}

const MEASURED = {
  blocked: 'Travel of the master’s rod',
  travel: 'Travel of the slave',
  'take-up': 'Takes up at, from the end of its travel',
} as const;

/** What proves a clutch: one measurement, and reverse where that tells. It passes by what was measured and by nothing else. */
export function SlaveStage({ stage, ...rest }: SlaveStageProps) {
  const [typed, setTyped] = useState('');
  const [reverse, setReverse] = useState<'clean' | 'grates' | null>(null);
  const mm = typedNumber(typed);
  const measured = inRange(SLAVE_READING_MM, mm);
  const asked = stage.way !== 'blocked' && !stage.noReverse;
  const waitsFor = !measured
    ? 'Measure first'
    : asked && reverse === null
      ? 'Say how reverse goes in'
      : null;
  const passes = waitsFor === null && slavePasses(stage, { mm, reverse });
  return (
    <StageFrame
      {...rest}
      stage={stage}
      action={
        <ActionBar
          label={waitsFor === null && !passes ? 'It does not pass: record it' : 'Record it'}
          waitsFor={waitsFor}
          side={undoOf(rest.run)}
          onPress={() => rest.run.say({ kind: 'slave tested', stageId: stage.id, mm, reverse })}
        />
      }
    >
      <Caution title={stageWords(rest.plan, stage).why} />
      <NumberedSteps steps={stageWords(rest.plan, stage).steps} />
      {stage.limitMm ? <FigureRow figure={stage.limitMm} /> : null}
      <Field
        label={MEASURED[stage.way]}
        unit="mm"
        inputMode="decimal"
        value={typed}
        onChange={setTyped}
        fault={typed.trim() !== '' && !measured ? `Give ${rangeWords(SLAVE_READING_MM)}.` : null}
      />
      {asked ? (
        <Choice
          question="Reverse gear"
          options={[
            { value: 'clean', label: 'Goes in clean' },
            { value: 'grates', label: 'Grates' },
          ]}
          chosen={reverse}
          onChoose={setReverse}
        />
      ) : null}
    </StageFrame>
  );
}
