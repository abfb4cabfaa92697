import { bleederName } from '../../vehicle/circuit';
import type { CircuitFluid } from '../washout';
import { METHOD_TRAITS, type Method } from '../flow';
import { countAt, type OrderSetup } from './setup';
import { drawsOff, halfMl, lookAfterS } from './topUp';

/** One opening of one bleeder. */
export interface Visit {
  readonly bleederId: string;
  readonly method: Method;
  /** 'new': until the outlet is as new as wanted. 'sweep': what is empty on its path, then the volume of the path, to move air on. 'clear': the three counts that must be free of bubbles. */
  readonly until: 'new' | 'sweep' | 'clear';
  /**
   * Of a sweep, how often the volume of the path is planned: once to move air on
   * where others follow; after work three times, for the core of a laminar flow
   * runs at twice the mean and bubbles come late [C].
   */
  readonly passes?: number;
}

/** Passes after which a sweep that ends by its bubbles may end at the earliest, is planned with, and at the latest asks what is wrong [C]. */
export const SWEEP_PASSES = { least: 1, planned: 3, most: 5 } as const;

/** A call to top up a reservoir before the count that follows. */
export interface VisitTopUp {
  readonly reservoirId: string;
  /** Counts made in this visit before the call. */
  readonly afterCounts: number;
  readonly pouredMl: number;
}

/** What the simulation found at one visit. */
export interface VisitPrice {
  readonly visit: Visit;
  /** Fluid until its end was reached, before rounding up to whole counts, mL. */
  readonly neededMl: number;
  /** Of that, what the way swallowed before any fluid came at the bleeder, mL. */
  readonly fillMl: number;
  /** Strokes, those of the fill among them; where the flow is steady marks of the jar, which the fill leaves empty. */
  readonly counts: number;
  readonly topUps: readonly VisitTopUp[];
  /** What a pot or a self-refilling bottle gave meanwhile, mL. */
  readonly fedMl: number;
  /** From below: when the reservoir is drawn off to half, and how much. */
  readonly drawOffs: readonly VisitDrawOff[];
}

/** A call to draw a reservoir off before the count that follows. */
export interface VisitDrawOff {
  readonly reservoirId: string;
  readonly afterCounts: number;
  readonly removedMl: number;
}

/** Why an order cannot be carried out. */
export interface OrderRefusal {
  readonly code: 'no stroke before top-up' | 'never new';
  readonly element: string;
  readonly name: string;
}

/** Counts at one bleeder beyond which a plan is not one a person would carry out [M]. */
export const MOST_COUNTS = 600;
/** Counts at every bleeder that is opened: three free of bubbles are its end sign [M]. */
export const LEAST_COUNTS = 3;
const EPSILON_ML = 1e-9;

/** Whether the reservoir can give one count at all between MAX and the top-up level. */
export function tooSmall(setup: OrderSetup, visit: Visit): OrderRefusal | null {
  if (METHOD_TRAITS[visit.method].reverse) return null;
  const reservoir = reservoirOf(setup, visit.bleederId);
  const givesMl = reservoir.maxMl - reservoir.topUpLevelMl.value;
  if (givesMl >= countAt(setup, visit).mostMl.value - EPSILON_ML) return null;
  return { code: 'no stroke before top-up', element: reservoir.id, name: reservoir.name };
}

/** Make one count, topping up before it where the level may ask for it. @returns new share at the outlet, what was poured, and what flowed after it where the reservoir is kept full */
export function makeCount(
  fluid: CircuitFluid,
  setup: OrderSetup,
  visit: Visit,
): { share: number; pouredMl: number; fedMl: number } {
  const reservoir = reservoirOf(setup, visit.bleederId);
  const { countMl, mostMl, selfFed } = countAt(setup, visit);
  const due =
    fluid.leastLevelMl(reservoir.id) - mostMl.value < reservoir.topUpLevelMl.value - EPSILON_ML;
  const pouredMl = due ? fluid.fillReservoir(reservoir.id, reservoir.maxMl) : 0;
  const share = fluid.bleed(visit.bleederId, countMl.value, mostMl.value);
  return {
    pouredMl,
    share,
    fedMl: selfFed ? fluid.fillReservoir(reservoir.id, reservoir.maxMl) : 0,
  };
}

/** What comes before the first count: a steady flow fills its way, and what feeds the reservoir brings it to MAX. @returns what was poured by hand each time, and what flowed after it, mL */
export function beginVisit(
  fluid: CircuitFluid,
  setup: OrderSetup,
  visit: Visit,
): { readonly pouredMl: readonly number[]; readonly fedMl: number } {
  const { mostMlS, selfFed } = countAt(setup, visit);
  const pouredMl = mostMlS ? fillWay(fluid, setup, visit) : [];
  if (!selfFed) return { pouredMl, fedMl: 0 };
  const reservoir = reservoirOf(setup, visit.bleederId);
  const fedMl =
    pouredMl.reduce((sum, ml) => sum + ml, 0) + fluid.fillReservoir(reservoir.id, reservoir.maxMl);
  return { pouredMl: [], fedMl };
}

/** Let a steady flow out of the reservoir fill what is empty on the way, topping up each time that the level has fallen to its call. @returns what was poured each time, mL */
function fillWay(fluid: CircuitFluid, setup: OrderSetup, visit: Visit): number[] {
  const reservoir = reservoirOf(setup, visit.bleederId);
  const mostMlS = countAt(setup, visit).mostMlS!.value;
  const poured: number[] = [];
  for (;;) {
    const emptyMl = fluid.emptyOnWayMl(visit.bleederId);
    if (emptyMl < EPSILON_ML) return poured;
    const levelMl = fluid.leastLevelMl(reservoir.id);
    if (lookAfterS(levelMl, reservoir, mostMlS) === null)
      poured.push(fluid.fillReservoir(reservoir.id, reservoir.maxMl));
    else fluid.bleed(visit.bleederId, Math.min(emptyMl, levelMl - reservoir.topUpLevelMl.value));
  }
}

/** Push some counts in from below, drawing the reservoir off to half before the first and before it could rise above MAX. @returns what was drawn off when */
export function pushVisit(
  fluid: CircuitFluid,
  setup: OrderSetup,
  visit: Visit,
  counts: number,
): VisitDrawOff[] {
  const reservoir = reservoirOf(setup, visit.bleederId);
  const countMl = countAt(setup, visit).countMl.value;
  const drawOffs: VisitDrawOff[] = [];
  for (let n = 0; n < counts; n++) {
    const risesMl = Math.max(0, countMl - fluid.emptyOnWayMl(visit.bleederId));
    if (drawsOff(fluid.levelMl(reservoir.id), reservoir, risesMl, n === 0))
      drawOffs.push({
        reservoirId: reservoir.id,
        afterCounts: n,
        removedMl: fluid.drawTo(reservoir.id, halfMl(reservoir)),
      });
    fluid.pushUp(visit.bleederId, countMl);
  }
  return drawOffs;
}

/**
 * Carry out one visit on the fluid as the earlier ones left it. From below the
 * new fluid comes out of the syringe, and the reservoir is drawn down as it rises.
 */
export function bleedVisit(
  fluid: CircuitFluid,
  setup: OrderSetup,
  visit: Visit,
): VisitPrice | OrderRefusal {
  const { path } = setup.bleeders.get(visit.bleederId)!;
  const countMl = countAt(setup, visit).countMl.value;
  const fillMl = fluid.emptyOnWayMl(visit.bleederId);
  const { reverse } = METHOD_TRAITS[visit.method];
  // A jar shows nothing while the way fills; strokes and the marks of a syringe are counted all the same.
  const { mostMlS } = countAt(setup, visit);
  const jar = mostMlS !== null;
  const reservoir = reservoirOf(setup, visit.bleederId);
  // While the way fills somebody looks into the reservoir once a second at the most.
  if (jar && fillMl > 0 && reservoir.maxMl - mostMlS.value < reservoir.airDrawnMl)
    return { code: 'no stroke before top-up', element: reservoir.id, name: reservoir.name };
  const passes = visit.until === 'sweep' ? (visit.passes ?? 1) : 1;
  const sweepMl = path.volumeMl.value * passes + (jar ? 0 : fillMl);
  const sweep = Math.max(LEAST_COUNTS, Math.ceil(sweepMl / countMl - EPSILON_ML));
  const least = visit.until === 'sweep' ? sweep : LEAST_COUNTS;
  if (reverse) {
    const drawOffs = pushVisit(fluid, setup, visit, sweep);
    return { visit, neededMl: sweepMl, fillMl, counts: sweep, topUps: [], fedMl: 0, drawOffs };
  }
  const begun = beginVisit(fluid, setup, visit);
  let { fedMl } = begun;
  const topUps: VisitTopUp[] = begun.pouredMl.map((pouredMl) => ({
    reservoirId: reservoir.id,
    afterCounts: 0,
    pouredMl,
  }));
  let counts = 0;
  const shares = [fluid.outletNewShare(visit.bleederId)];
  while (counts < least || (visit.until === 'new' && shares.at(-1)! < setup.target)) {
    if (counts >= MOST_COUNTS)
      return { code: 'never new', element: visit.bleederId, name: bleederName(path.bleeder) };
    const made = makeCount(fluid, setup, visit);
    fedMl += made.fedMl;
    if (made.pouredMl > 0)
      topUps.push({
        reservoirId: path.chamber.fedBy,
        afterCounts: counts,
        pouredMl: made.pouredMl,
      });
    shares.push(made.share);
    counts++;
  }
  const neededMl =
    (jar ? fillMl : 0) +
    {
      sweep: sweepMl,
      clear: LEAST_COUNTS * countMl,
      new: countsUntil(setup.target, shares) * countMl,
    }[visit.until];
  return { visit, neededMl, fillMl, counts, topUps, fedMl, drawOffs: [] };
}

function reservoirOf(setup: OrderSetup, bleederId: string): OrderSetup['reservoirs'][number] {
  const { fedBy } = setup.bleeders.get(bleederId)!.path.chamber;
  return setup.reservoirs.find((b) => b.id === fedBy)!;
}

/** Counts until the share at the outlet passed the target, in parts of a count: between the ends of one it is taken as straight. */
function countsUntil(target: number, shares: readonly number[]): number {
  const passed = shares.findIndex((share) => share >= target);
  if (passed <= 0) return 0;
  const [before, after] = [shares[passed - 1]!, shares[passed]!];
  return passed - 1 + (after === before ? 1 : (target - before) / (after - before));
}
