import { liftPlan } from '../../bleed/plan';
import type { JobEvent } from './event';
import { liftFluidRead } from './liftFluidRead';

/** An event as it was stored, what is kept in it in the shape of today. */
export function liftJobEvent(stored: JobEvent): JobEvent {
  switch (stored.kind) {
    case 'fluid read':
      return { ...stored, read: liftFluidRead(stored.read) };
    case 'plan accepted':
      return { ...stored, plan: liftPlan(stored.plan) };
    case 'decided':
      return stored.plan ? { ...stored, plan: liftPlan(stored.plan, stored.id) } : stored;
    default:
      return stored;
  }
}
