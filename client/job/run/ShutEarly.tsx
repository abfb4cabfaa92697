import type { PlanOpening } from '@brook/core/bleed/stages';
import { useState } from 'react';
import type { LiveRun } from '../../data/run';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { More } from '../../ui/More';

/** Why a bleeder stays shut that is not done: what it lacks is owed, and bubbles that nobody saw end hold the vehicle. */
export function ShutEarly({
  run,
  opening,
}: {
  readonly run: LiveRun;
  readonly opening: PlanOpening;
}) {
  const [reason, setReason] = useState('');
  return (
    <More
      title="Leave it shut"
      about="With a reason. Old fluid is owed at the next visit; bubbles not seen to end hold the vehicle"
    >
      <Field label="Reason" value={reason} onChange={setReason} maxLength={300} />
      <Button
        label="Leave it shut"
        disabled={reason.trim().length < 3}
        onPress={() =>
          run.say({ kind: 'shut early', openingId: opening.id, reason: reason.trim() })
        }
      />
    </More>
  );
}
