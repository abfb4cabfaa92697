import type { Job } from '@brook/contract';
import { figureText } from '@brook/core/base/figure';
import { mayShutHere, restBuys } from '@brook/core/job/run';
import type { PlanOpening } from '@brook/core/bleed/stages';
import { useMemo } from 'react';
import { View } from 'react-native';
import type { LiveRun } from '../../data/run';
import { useOldWater } from '../fluid/useOldWater';
import { Button } from '../../ui/Button';
import { SPACE } from '../../ui/theme';
import { Words } from '../../ui/Words';

/** A bleeder that is clear and as the new may be shut where the rest no longer pays: with what that would have bought, and owed from then on. */
export function ShutHere({
  job,
  run,
  opening,
}: {
  readonly job: Job;
  readonly run: LiveRun;
  readonly opening: PlanOpening;
}) {
  const { state } = run;
  const water = useOldWater(job);
  const may = mayShutHere(state, opening);
  const buys = useMemo(
    () => (may && water ? restBuys(state, opening, water) : null),
    [may, water, state, opening],
  );
  if (!may) return null;
  const left =
    opening.strokes.value - state.bleeders.find((b) => b.openingId === opening.id)!.strokes;
  const worth = buys
    ? `${figureText(buys.lessWater)} less water, boils ${figureText(buys.moreBoiling)} higher`
    : 'nobody knows how much';
  return (
    <View style={{ gap: SPACE.small }}>
      <Words size="small">{`Clear and as the new. The ${left} left would buy: ${worth}.`}</Words>
      <Button
        label="Shut it here: the rest is owed"
        onPress={() => {
          run.say({ kind: 'shut', openingId: opening.id, tightened: 'by feel' });
          run.say({
            kind: 'shut early',
            openingId: opening.id,
            reason: `Clear and as the new; ${left} more would have bought ${worth}.`,
          });
        }}
      />
    </View>
  );
}
