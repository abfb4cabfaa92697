import type { Vehicle } from '@brook/contract';
import { paths } from '@brook/core/vehicle/circuit';
import type { Colour } from '@brook/core/fluid/verdict';
import { BrookBox } from '../ui/brook/BrookBox';

/** A vehicle as it stands, before anything is planned: its bleeders from the farthest on. */
export function VehicleBrook({
  vehicle,
  height,
  fluid = 'amber',
}: {
  readonly vehicle: Pick<Vehicle, 'layout' | 'inside'>;
  readonly height: number;
  /** Colour of what is inside, where somebody looked. */
  readonly fluid?: Colour;
}) {
  const order = [...paths(vehicle.layout)]
    .sort((a, b) => b.lengthM.value - a.lengthM.value)
    .map((p) => p.bleeder.id);
  return (
    <BrookBox
      layout={vehicle.layout}
      order={order}
      height={height}
      oldColour={fluid}
      newColour={fluid}
      {...(vehicle.inside ? { inside: vehicle.inside } : {})}
    />
  );
}
