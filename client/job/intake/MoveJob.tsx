import type { Job } from '@brook/contract';
import { useState } from 'react';
import { useJobAct } from '../../data/job';
import { useVehicles } from '../../data/vehicles';
import { More } from '../../ui/More';
import { Caution } from '../../ui/Notice';
import { VehicleFinder } from '../../vehicle/VehicleFinder';

/** A job that was begun on the wrong vehicle goes to the right one, as long as nothing was read or done in it. */
export function MoveJob({ job }: { readonly job: Job }) {
  const untouched = job.events.every((e) => e.kind === 'work said' || e.kind === 'taken in');
  const vehicles = useVehicles();
  const act = useJobAct(job);
  const [moving, setMoving] = useState<string | null>(null);
  if (!untouched) return null;
  const others = (vehicles.data ?? []).filter((v) => v.id !== job.vehicleId && !v.openJobId);
  return (
    <More title="Wrong vehicle?" about="It can be moved until something was read or done">
      {act.error ? <Caution title={act.error.message} /> : null}
      <VehicleFinder
        vehicles={others}
        about={(v) => (moving === v.id ? 'One moment …' : 'Move the job here')}
        role="button"
        onPick={(v) => {
          setMoving(v.id);
          act.mutate({ kind: 'move', vehicleId: v.id }, { onSettled: () => setMoving(null) });
        }}
      />
    </More>
  );
}
