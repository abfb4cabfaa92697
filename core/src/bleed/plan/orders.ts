import { chambersOf } from '../../vehicle/circuit';
import type { Method } from '../../hydraulics/flow';
import type { MethodRow } from '../method';
import {
  givenOrder,
  orderSetup,
  schoolOrder,
  SWEEP_PASSES,
  type OrderedVisit,
  type OrderId,
  type OrderSettings,
  type OrderSetup,
  type Visit,
} from '../../hydraulics/order';
import { countFor } from './counts';
import { emptiesFirst } from './preparation';
import type { FullPlanRequest } from './request';

/** Price the job: every bleeder in question with every method. */
export function planSetup(
  asked: FullPlanRequest,
  bleederIds: readonly string[],
  rows: readonly MethodRow[],
): OrderSetup {
  const flows = new Map(
    rows.map((r) => [r.method, new Map(r.flows.map((f) => [f.bleederId, f.flowMlS]))]),
  );
  return orderSetup({
    layout: asked.layout,
    bleederIds,
    reservoirIds: reservoirsInHand(asked),
    target: asked.preferences.outletTarget,
    emptyFirst: emptiesFirst(asked.work),
    beginning: null,
    reached: asked.reached,
    minutesPerBleeder: asked.preferences.minutesPerBleeder,
    minutesPerTopUp: asked.preferences.minutesPerTopUp,
    countOf: (path, method) =>
      countFor(asked, path, method, flows.get(method)!.get(path.bleeder.id) ?? null),
  });
}

/** Reservoirs of the masters in hand: they are drawn off and filled even where none of their bleeders is opened. */
function reservoirsInHand({ layout, work }: FullPlanRequest): string[] {
  return chambersOf(layout).flatMap(({ master, chamber }) =>
    work.masterIds.includes(master.id) ? [chamber.fedBy] : [],
  );
}

/** The order that is followed for some bleeders: the technician's, the maker's, the workshop's; farthest first where that one has nothing to say. */
export function orderVisits(
  asked: FullPlanRequest,
  setup: OrderSetup,
  bleederIds: readonly string[],
  method: Method,
): { readonly id: OrderId; readonly visits: readonly OrderedVisit[] } {
  if (bleederIds.length === 0) return { id: 'farthest first', visits: [] };
  const part = only(setup, bleederIds);
  const wanted: OrderId =
    asked.order ?? (asked.makerOrder?.length ? 'maker' : asked.preferences.order);
  const found = { id: wanted, visits: visitsOf(asked, part, wanted, method) };
  const kept = found.visits
    ? { id: wanted, visits: found.visits }
    : {
        id: 'farthest first' as const,
        visits: schoolOrder(part, 'farthest first', settingsOf(asked, method))!,
      };
  // Only a flush renews the fluid, and old fluid that is owed; otherwise the volume of the path carries the air out.
  return asked.work.purpose === 'routine flush'
    ? kept
    : {
        ...kept,
        visits: kept.visits.map((v) =>
          asked.work.owed?.oldAt.includes(v.visit.bleederId) ? v : { ...v, visit: swept(v.visit) },
        ),
      };
}

/** A visit that carries air out and ends by its bubbles. What only primes, or goes round again, stays as it is. */
export const swept = (visit: Visit): Visit =>
  visit.until === 'new' ? { ...visit, until: 'sweep', passes: SWEEP_PASSES.planned } : visit;

/** The visits of one order. @returns null where it has nothing to say, or leaves one of these bleeders out */
export function visitsOf(
  asked: FullPlanRequest,
  setup: OrderSetup,
  id: OrderId,
  method: Method,
): readonly OrderedVisit[] | null {
  if (id !== 'maker' && id !== 'least fluid')
    return schoolOrder(setup, id, settingsOf(asked, method));
  const given =
    (id === 'maker' ? asked.makerOrder : asked.leastFluid)?.filter((b) => setup.bleeders.has(b)) ??
    [];
  // An order that leaves one of these bleeders out is not one for this job.
  return new Set(given).size === setup.bleeders.size ? givenOrder(given, id, method) : null;
}

/** What workshop and work say about any order. */
export const settingsOf = (
  { preferences, work }: FullPlanRequest,
  method: Method,
): OrderSettings => ({
  pairs: preferences.pairs,
  primeMaster: work.master !== null || work.purpose === 'new or dry' || work.lowest.length > 0,
  method,
});

function only(setup: OrderSetup, bleederIds: readonly string[]): OrderSetup {
  return {
    ...setup,
    bleeders: new Map([...setup.bleeders].filter(([id]) => bleederIds.includes(id))),
  };
}
