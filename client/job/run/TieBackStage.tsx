import { CLOCK_WORDS } from '@brook/core/base/clock';
import {
  BITE_MM,
  biteLossWords,
  stageWords,
  type BiteMeasured,
  type OwnStage as Stage,
  type Timed,
} from '@brook/core/bleed/stages';
import { inRange, rangeWords } from '@brook/core/base/units';
import { useState, type ReactNode } from 'react';
import { nowMs } from '../../data/clock';
import { askForNotices } from '../side/clocks/useUpNotices';
import { ActionBar } from '../../ui/ActionBar';
import { Field } from '../../ui/Field';
import { Caution } from '../../ui/Notice';
import { clockTime } from '../../ui/dates';
import { typedNumber } from '../../ui/typedNumber';
import { Words } from '../../ui/Words';
import { NumberedSteps } from './NumberedSteps';
import { OwnStage } from './OwnStage';
import { StageFrame, undoOf, type StageProps } from './StageFrame';

type TieBackProps = StageProps & { readonly stage: Extract<Stage, { readonly kind: 'tie back' }> };

/** The lever tied back: its bite before, the clock, its bite after. Without both it is not done. */
export function TieBackStage({ action, ...props }: TieBackProps & { readonly action: ReactNode }) {
  // A plan from before asked for a tap alone.
  return props.stage.measured ? <Bites {...props} /> : <OwnStage {...props} action={action} />;
}

function Bites({ stage, ...rest }: TieBackProps) {
  const { run } = rest;
  const [typed, setTyped] = useState('');
  const words = stageWords(rest.plan, stage);
  const said = (run.state.stages[stage.id]?.said ?? []) as readonly Timed<BiteMeasured>[];
  const before = said.filter((e) => e.when === 'before').at(-1) ?? null;
  const mm = typedNumber(typed);
  const measured = inRange(BITE_MM, mm);
  // As it stands while it is typed: who reads it knows what it means before it is recorded.
  const loss =
    before && measured
      ? biteLossWords(rest.plan.layout, stage.masterId, {
          dropMm: before.mm - mm,
          hours: (nowMs() - before.atMs) / 3_600_000,
        })
      : null;
  const record = () => {
    const when = before ? 'after' : 'before';
    run.say({ kind: 'bite measured', stageId: stage.id, when, mm });
    setTyped('');
    if (before) return;
    askForNotices();
    const [minutes] = CLOCK_WORDS['lever tied back'].offers;
    run.say({
      kind: 'clock started',
      clock: 'lever tied back',
      minutes: minutes!,
      elementId: null,
    });
  };
  return (
    <StageFrame
      {...rest}
      stage={stage}
      action={
        <ActionBar
          label={before ? 'Record it' : 'Tied back: start the clock'}
          waitsFor={measured ? null : 'Measure the bite first'}
          side={undoOf(run)}
          onPress={record}
        />
      }
    >
      <Caution title={words.why} />
      <NumberedSteps steps={words.steps} />
      {before ? (
        <Words strong>
          {`Bite before: ${before.mm} mm from the bar. Tied back since ${clockTime(before.atMs)}.`}
        </Words>
      ) : null}
      <Field
        label={before ? 'Bite after' : 'Bite before'}
        why="From the tip of the lever to the bar, where it bites."
        unit="mm"
        inputMode="decimal"
        value={typed}
        onChange={setTyped}
        fault={typed.trim() !== '' && !measured ? `Give ${rangeWords(BITE_MM)}.` : null}
      />
      {loss ? <Words strong>{loss}</Words> : null}
    </StageFrame>
  );
}
