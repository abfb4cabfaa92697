import type { Control } from '../../vehicle/circuit';
import type { Plan } from '../../bleed/plan';
import { CONTROL_CHECKS, controlProof, type CheckItem, type ControlCheck } from '../items';

/** An opening by its id, of whatever plan. */
export const openingNamed = (
  plans: readonly Plan[],
  openingId: string,
): Plan['openings'][number] | undefined =>
  plans.flatMap((p) => p.openings).find((s) => s.id === openingId);

export function openingFault(plans: readonly Plan[], openingId: string): string | null {
  const openings = plans.flatMap((p) => p.openings.map((s) => s.id));
  return openings.includes(openingId)
    ? null
    : `There is no bleeder "${openingId}" in this plan; it should be one of ${openings.join(', ')}.`;
}

export function reservoirFault(plans: readonly Plan[], reservoirId: string): string | null {
  const reservoirs = [...new Set(plans.flatMap((p) => p.reservoirs.map((b) => b.id)))];
  return reservoirs.includes(reservoirId)
    ? null
    : `There is no reservoir chamber "${reservoirId}"; it should be one of ${reservoirs.join(', ')}.`;
}

/** The sentence for an element that no plan of the job knows, or null. */
export function elementFault(plans: readonly Plan[], elementId: string): string | null {
  const known = plans.some(({ layout }) =>
    [
      ...layout.reservoirs,
      ...layout.masters,
      ...layout.nodes,
      ...layout.stretches,
      ...layout.bleeders,
    ].some((e) => e.id === elementId),
  );
  return known ? null : `There is no element "${elementId}" in the layout of this plan.`;
}

/** The same for what may be said of the whole vehicle. */
export const elementIfAny = (plans: readonly Plan[], elementId: string | null): string | null =>
  elementId === null ? null : elementFault(plans, elementId);

export const hasMaster = (plans: readonly Plan[], masterId: string): boolean =>
  plans.some((p) => p.layout.masters.some((m) => m.id === masterId));

export const masterFault = (plans: readonly Plan[], masterId: string): string | null =>
  hasMaster(plans, masterId)
    ? null
    : `There is no master "${masterId}" in the layout of this plan.`;

/** What is read at a control is of the kind by which that one is judged. */
function judgedByFault(
  plans: readonly Plan[],
  masterId: string,
  result: ReturnType<typeof controlProof>['result'],
  otherwise: (control: Control) => string,
): string | null {
  const layout = plans.find((p) => p.layout.masters.some((m) => m.id === masterId))?.layout;
  const master = layout?.masters.find((m) => m.id === masterId);
  if (!layout || !master) return masterFault(plans, masterId);
  return controlProof(master, layout.vehicleKind).result === result
    ? null
    : otherwise(master.control);
}

/** Heights and sink are read at a brake that is held by hand or foot. */
export const notBrakeFault = (plans: readonly Plan[], masterId: string): string | null =>
  judgedByFault(
    plans,
    masterId,
    'pedal',
    (control) => `The ${control} is not measured like this; only a brake pedal or lever is.`,
  );

export const notClutchFault = (plans: readonly Plan[], masterId: string): string | null =>
  judgedByFault(
    plans,
    masterId,
    'take-up',
    (control) => `The ${control} takes nothing up; only a clutch does.`,
  );

/** What is tried at a control names it; what is looked at on the vehicle names none. */
export function itemFault(
  plans: readonly Plan[],
  item: CheckItem | ControlCheck,
  masterId: string | null,
): string | null {
  const ofControl = CONTROL_CHECKS.some((c) => c === item);
  if (!ofControl)
    return masterId === null
      ? null
      : `"${item}" is looked at on the whole vehicle; leave the master out.`;
  if (masterId === null) return `"${item}" is tried at a control; give its master.`;
  return masterFault(plans, masterId);
}
