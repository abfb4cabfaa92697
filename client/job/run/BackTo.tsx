import { bleederName } from '@brook/core/vehicle/circuit';
import { capital } from '@brook/core/base/text';
import { useState } from 'react';
import type { LiveRun } from '../../data/run';
import { Button } from '../../ui/Button';
import { Asked } from '../frame/Asked';

/** Back to a bleeder that is through: three strokes and a look, then it is shut again. */
export function BackTo({ run }: { readonly run: LiveRun }) {
  const [open, setOpen] = useState(false);
  const { plan, bleeders } = run.state;
  const through = plan.openings.filter((s) => bleeders.find((b) => b.openingId === s.id)?.shut);
  if (!open) return <Button small label="Back to an earlier one" onPress={() => setOpen(true)} />;
  return (
    <Asked
      say="Which one is opened again? Shut the one in hand first."
      answers={[
        ...through.slice(-3).map((opening) => ({
          label: capital(bleederName(opening.bleeder)),
          onPress: () => {
            run.say({ kind: 'opened again', openingId: opening.id });
            setOpen(false);
          },
        })),
        { label: 'None', onPress: () => setOpen(false) },
      ]}
    />
  );
}
