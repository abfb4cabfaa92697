import { stageWords, type OwnStage as Stage } from '@brook/core/bleed/stages';
import type { ReactNode } from 'react';
import { Button } from '../../ui/Button';
import { FigureRow } from '../../ui/FigureValue';
import { Caution } from '../../ui/Notice';
import { NumberedSteps } from './NumberedSteps';
import { StageFrame, type StageProps } from './StageFrame';

/** A stage that is read and done: what to do, step by step, and the reason. */
export function OwnStage({
  stage,
  action,
  ...rest
}: StageProps & { readonly stage: Stage; readonly action: ReactNode }) {
  const words = stageWords(rest.plan, stage);
  return (
    <StageFrame {...rest} stage={stage} action={action}>
      <Caution title={words.why} />
      <NumberedSteps steps={words.steps} />
      <FigureRow figure={stage.minutes} />
      {stage.kind === 'hold point' ? (
        <Button
          label="It is not right"
          onPress={() =>
            rest.run.say({ kind: 'halted', reason: 'pedal not right', openingId: null })
          }
        />
      ) : null}
      {stage.kind === 'bench' ? <FigureRow figure={stage.savesMinutes} /> : null}
    </StageFrame>
  );
}
