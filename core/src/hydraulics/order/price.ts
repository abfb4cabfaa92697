import { METHOD_TRAITS } from '../flow';
import { CircuitFluid, type CircuitSnapshot } from '../washout';
import { countAt, type OrderSetup } from './setup';
import { bleedVisit, tooSmall, type OrderRefusal, type Visit, type VisitPrice } from './visit';

/** What one order of visits costs by the simulation. */
export interface OrderPrice {
  readonly visits: readonly VisitPrice[];
  /** Fluid out at the bleeders in whole counts, mL. */
  readonly bledMl: number;
  /** The same and what empty ways swallowed, mL. */
  readonly movedMl: number;
  /** Fluid before rounding to whole counts, mL. */
  readonly neededMl: number;
  readonly counts: number;
  readonly topUps: number;
  readonly minutes: number;
  /** Drawn off the reservoirs before the first count, mL. */
  readonly removedMl: number;
  /** Poured into the reservoirs up to the last count, mL. */
  readonly pouredMl: number;
  /** Old fluid that stays between reservoir and bleeders, mL. */
  readonly oldLeftMl: number;
  /** Level in each reservoir after the last count, mL. */
  readonly levelMl: Readonly<Record<string, number>>;
  /** Old fluid that stays on the way to each bleeder, mL. */
  readonly oldOnPathMl: Readonly<Record<string, number>>;
}

export type PricedOrder =
  | { readonly verdict: 'priced'; readonly price: OrderPrice }
  | { readonly verdict: 'refused'; readonly reason: OrderRefusal };

/**
 * Price one order: simulate the wash-out along the layout visit by visit,
 * each as the earlier ones left the shared stretches and the reservoir.
 *
 * @param start the fluid to begin with, where several orders of one setup are priced one after the other
 */
export function priceOrder(
  setup: OrderSetup,
  order: readonly Visit[],
  start: StartFluid = startFluid(setup),
): PricedOrder {
  for (const visit of order) {
    const reason = tooSmall(setup, visit);
    if (reason) return { verdict: 'refused', reason };
  }
  const { fluid, removedMl, pouredMl: refillMl } = freshFluid(setup, start);
  const visits: VisitPrice[] = [];
  for (const [i, visit] of order.entries()) {
    for (const id of setup.beginning?.offBefore.get(i) ?? []) fluid.comesOff(id);
    const priced = bleedVisit(fluid, setup, visit);
    if ('code' in priced) return { verdict: 'refused', reason: priced };
    visits.push(priced);
  }
  const sum = (of: (v: VisitPrice) => number): number =>
    visits.reduce((total, v) => total + of(v), 0);
  return {
    verdict: 'priced',
    price: {
      visits,
      removedMl: removedMl + sum((v) => v.drawOffs.reduce((total, d) => total + d.removedMl, 0)),
      bledMl: sum((v) => bledMl(setup, v)),
      movedMl: sum((v) => movedMl(setup, v)),
      neededMl: sum((v) => v.neededMl),
      counts: sum((v) => v.counts),
      topUps: sum((v) => v.topUps.length),
      minutes: sum((v) => visitMinutes(setup, v)),
      pouredMl:
        refillMl + sum((v) => v.fedMl + v.topUps.reduce((total, t) => total + t.pouredMl, 0)),
      levelMl: Object.fromEntries(setup.reservoirs.map((b) => [b.id, fluid.levelMl(b.id)])),
      oldLeftMl: fluid.oldInLinesMl(),
      oldOnPathMl: Object.fromEntries(
        [...setup.bleeders.keys()].map((id) => [id, fluid.oldOnPathMl(id)]),
      ),
    },
  };
}

/** A fluid to begin with, which can be gone back to. */
export interface StartFluid {
  readonly fluid: CircuitFluid;
  readonly at: CircuitSnapshot;
}

/** What is inside before anything is drawn off or poured. */
export function startFluid(setup: OrderSetup): StartFluid {
  const fluid = setup.reached
    ? setup.reached.fluid.copy()
    : new CircuitFluid(setup.layout, setup.beginning?.inside, setup.assumed);
  return { fluid, at: fluid.snapshot() };
}

/** The fluid before the first count: as a run left it, or old with the reservoirs emptied and refilled where that is asked for. */
export function freshFluid(
  setup: OrderSetup,
  { fluid, at }: StartFluid = startFluid(setup),
): {
  fluid: CircuitFluid;
  removedMl: number;
  pouredMl: number;
} {
  fluid.rollback(at);
  let [removedMl, pouredMl] = [0, 0];
  const emptyFirst = setup.reached ? setup.reached.emptyFirst : setup.emptyFirst;
  if (!emptyFirst && setup.reached?.fillFirst)
    for (const b of setup.reservoirs) pouredMl += fluid.fillReservoir(b.id, b.maxMl);
  if (emptyFirst) {
    for (const b of setup.reservoirs) {
      removedMl += fluid.emptyReservoir(b.id);
      for (const { ml, times } of setup.rinses.filter((r) => r.reservoirId === b.id)) {
        for (let i = 0; i < times; i++) fluid.rinseReservoir(b.id, ml);
        removedMl += ml * times;
        pouredMl += ml * times;
      }
      // Where the first push comes from below, that push is the fill.
      if (setup.fillFirst !== false) pouredMl += fluid.fillReservoir(b.id, b.maxMl);
    }
  }
  return { fluid, removedMl, pouredMl };
}

/** Fluid of one visit in whole counts, what the way swallowed among it, mL. */
export function movedMl(
  setup: OrderSetup,
  { visit, counts, fillMl }: Pick<VisitPrice, 'visit' | 'counts' | 'fillMl'>,
): number {
  const { countMl, mostMlS } = countAt(setup, visit);
  // A jar shows nothing of the fill; strokes and the marks of a syringe count it.
  return counts * countMl.value + (mostMlS ? fillMl : 0);
}

/** Of that, what left at the bleeder; from below what came up instead, mL. */
export function bledMl(
  setup: OrderSetup,
  visit: Pick<VisitPrice, 'visit' | 'counts' | 'fillMl'>,
): number {
  return movedMl(setup, visit) - visit.fillMl;
}

/** Hands-on minutes of one visit: reach, hose and cap, counts and fill, top-ups. What drips by itself is waiting. */
export function visitMinutes(setup: OrderSetup, price: VisitPrice): number {
  const { visit, topUps } = price;
  const { countMl, secondsPerCount } = countAt(setup, visit);
  return (
    setup.minutesPerBleeder +
    (METHOD_TRAITS[visit.method].moreMinutes ?? 0) +
    (METHOD_TRAITS[visit.method].drips
      ? 0
      : ((movedMl(setup, price) / countMl.value) * secondsPerCount) / 60) +
    (topUps.length + price.drawOffs.length) * setup.minutesPerTopUp
  );
}
