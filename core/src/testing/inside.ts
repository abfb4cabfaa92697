import { newShareOf } from '../fluid/inside';
import type { CircuitFluid } from '../hydraulics/washout';

/** New share of the fluid in every element, 0 to 1. */
export function newShares(fluid: CircuitFluid): Map<string, number> {
  return new Map(Object.entries(fluid.inside()).map(([id, content]) => [id, newShareOf(content)]));
}
