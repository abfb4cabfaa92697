import {
  isCleanInWater,
  stageWords,
  type OwnStage as Stage,
  type WaterSeen,
} from '@brook/core/bleed/stages';
import { useState } from 'react';
import { ActionBar } from '../../ui/ActionBar';
import { Choice } from '../../ui/Choice';
import { Caution } from '../../ui/Notice';
import { NumberedSteps } from './NumberedSteps';
import { StageFrame, undoOf, type StageProps } from './StageFrame';

/** What was seen in the glass behind the flush; drops ask for another flush and another look. */
export function WaterTestStage({
  stage,
  ...rest
}: StageProps & { readonly stage: Extract<Stage, { kind: 'water test' }> }) {
  const [seen, setSeen] = useState<WaterSeen | null>(null);
  const words = stageWords(rest.plan, stage);
  return (
    <StageFrame
      {...rest}
      stage={stage}
      action={
        <ActionBar
          label={seen && !isCleanInWater(seen) ? 'It is still in it: record it' : 'Record it'}
          waitsFor={seen ? null : 'Look at the glass first'}
          side={undoOf(rest.run)}
          onPress={() => {
            rest.run.say({ kind: 'water tested', stageId: stage.id, seen: seen! });
            setSeen(null);
          }}
        />
      }
    >
      <Caution title={words.why} />
      <NumberedSteps steps={words.steps} />
      <Choice
        question="In the glass"
        options={[
          { value: 'mixes', label: 'Mixes to one', about: 'Glycol fluid with water, no drops' },
          {
            value: 'one clean fluid',
            label: 'One clean fluid',
            about: 'Silicone or mineral oil as the right fluid, no layer',
          },
          {
            value: 'drops or a film',
            label: 'Drops or a film',
            about: 'The wrong product is still in it: flush again, test again',
          },
        ]}
        stacked
        chosen={seen}
        onChoose={setSeen}
      />
    </StageFrame>
  );
}
