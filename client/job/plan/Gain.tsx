import type { Job } from '@brook/contract';
import { planGain } from '@brook/core/bleed/gain';
import { figureText } from '@brook/core/base/figure';
import { bleederName } from '@brook/core/vehicle/circuit';
import type { Plan } from '@brook/core/bleed/plan';
import { useMemo } from 'react';
import { View } from 'react-native';
import { useOldWater } from '../fluid/useOldWater';
import { FigureRow } from '../../ui/FigureValue';
import { Words } from '../../ui/Words';

/** What the vehicle gains at its worst part, and what some strokes more would add. */
export function Gain({ job, plan }: { readonly job: Job; readonly plan: Plan }) {
  const water = useOldWater(job);
  const gain = useMemo(() => water && planGain(plan, water), [plan, water]);
  if (!gain) return null;
  const { before, afterwards, more, pockets } = gain;
  return (
    <View>
      <Words strong heading={2}>
        What it gains
      </Words>
      <Words size="small" tone="softWords">
        {`At the part that stays worst: ${gain.name}.`}
      </Words>
      {before && afterwards ? (
        <>
          <FigureRow
            figure={afterwards.boiling}
            label="Boils at"
            text={`${figureText(before.boiling)} → ${figureText(afterwards.boiling)}`}
          />
          <FigureRow
            figure={afterwards.water}
            label="Water"
            text={`${figureText(before.water)} → ${figureText(afterwards.water)}`}
          />
        </>
      ) : (
        <Words size="small">
          Nobody knows how much water is in the old fluid: measured, its gain stands here.
        </Words>
      )}
      <FigureRow figure={gain.oldShare} label="Old fluid left in it" />
      {more ? (
        <Words size="small">
          {`${more.strokes} strokes more at ${placeOf(plan, more.bleederId)}: ${figureText(more.lessWater)} less water, boils ${figureText(more.moreBoiling)} higher.`}
        </Words>
      ) : null}
      {pockets.length > 0 ? (
        <Words size="small">{`The closed pockets stay old: ${pockets.join(', ')}.`}</Words>
      ) : null}
    </View>
  );
}

const placeOf = (plan: Plan, bleederId: string): string =>
  bleederName(plan.layout.bleeders.find((b) => b.id === bleederId)!);
