import type { ReservoirRinse, OrderSetup } from './setup';
import { priceOrder, startFluid, type OrderPrice, type StartFluid } from './price';
import type { OrderRefusal, Visit } from './visit';

/**
 * What may be done about the old fluid that the syringe cannot reach, between
 * drawing the reservoirs off and filling them [C]. A rinse is new fluid poured in,
 * stirred by the syringe's jet and drawn off to the same rest.
 */
export const RESERVOIR_WAYS = [
  'nothing',
  'one rinse',
  'two rinses',
  'three rinses',
  'second fill',
  'wipe',
] as const;
export type ReservoirWay = (typeof RESERVOIR_WAYS)[number];

/** What one way costs by the simulation, and what is poured and drawn off for it. */
export interface ReservoirWayPrice {
  readonly way: ReservoirWay;
  readonly rinses: readonly ReservoirRinse[];
  /** Hands on for the reservoirs alone, minutes. */
  readonly reservoirMinutes: number;
  /** Hands on for the reservoirs and every bleeder, minutes. */
  readonly minutes: number;
  readonly counts: number;
  readonly bledMl: number;
  /** Out of containers with every reservoir at MAX at the end, the rinses among it, mL. */
  readonly fluidMl: number;
}

const TIMES: Partial<Record<ReservoirWay, number>> = {
  'one rinse': 1,
  'two rinses': 2,
  'three rinses': 3,
};
/** A small rinse with the syringe in hand, minutes a reservoir [M]. */
const RINSE_MIN = 0.5;
/** Filling a reservoir once more and drawing it off, minutes [M]. */
const SECOND_FILL_MIN = 2;
/** Wiping a reservoir out, minutes [M]. */
const WIPE_MIN = 2;
/** A rinse is measured by the syringe's marks, mL [M]. */
const RINSE_STEP_ML = 5;

/** What is poured and drawn off for a way: of a small rinse as much as the rest, to the next mark of the syringe. */
export function rinsesOf(
  way: ReservoirWay,
  reservoirs: OrderSetup['reservoirs'],
): ReservoirRinse[] {
  const times = TIMES[way];
  if (times !== undefined)
    return reservoirs.map((b) => ({
      reservoirId: b.id,
      times,
      ml: Math.min(
        b.maxMl - b.airDrawnMl,
        Math.max(1, Math.ceil(b.airDrawnMl / RINSE_STEP_ML - 1e-9)) * RINSE_STEP_ML,
      ),
    }));
  return way === 'second fill'
    ? reservoirs.map((b) => ({ reservoirId: b.id, times: 1, ml: b.maxMl - b.airDrawnMl }))
    : [];
}

const minutesOf = (way: ReservoirWay): number =>
  way === 'second fill'
    ? SECOND_FILL_MIN
    : way === 'wipe'
      ? WIPE_MIN
      : (TIMES[way] ?? 0) * RINSE_MIN;

/** One way with the whole price of the order by it. */
export interface PricedWay {
  readonly row: ReservoirWayPrice;
  readonly price: OrderPrice;
}

/** The price of one order by one way. Of wiping the sums count no fluid: it takes film and dirt from above the outlets [M]. */
export function priceReservoirWay(
  setup: OrderSetup,
  order: readonly Visit[],
  way: ReservoirWay,
  start: StartFluid = startFluid(setup),
): PricedWay | OrderRefusal {
  const rinses = rinsesOf(way, setup.reservoirs);
  const priced = priceOrder({ ...setup, rinses }, order, start);
  if (priced.verdict === 'refused') return priced.reason;
  const { price } = priced;
  const reservoirMinutes = minutesOf(way) * setup.reservoirs.length;
  const toMaxMl = setup.reservoirs.reduce((sum, b) => sum + b.maxMl - price.levelMl[b.id]!, 0);
  return {
    price,
    row: {
      way,
      rinses,
      reservoirMinutes,
      minutes: price.minutes + reservoirMinutes,
      counts: price.counts,
      bledMl: price.bledMl,
      fluidMl: price.pouredMl + toMaxMl,
    },
  };
}

/** One order by every way, in their order; one by which it cannot be carried out is left out. */
export const priceReservoirWays = (
  setup: OrderSetup,
  order: readonly Visit[],
): ReservoirWayPrice[] =>
  RESERVOIR_WAYS.flatMap((way) => {
    const priced = priceReservoirWay(setup, order, way);
    return 'code' in priced ? [] : [priced.row];
  });

/** Small rinses, fewer first: each of them buys less than the one before. */
const CLIMB: readonly ReservoirWay[] = ['nothing', 'one rinse', 'two rinses', 'three rinses'];

/**
 * The way of the fewest minutes that takes no more fluid than filling at once,
 * found by one small rinse more as long as that pays. A second fill pours in a
 * whole reservoir for what three small rinses do, and wiping saves no stroke.
 *
 * @returns the plain way and the one found, which may be the same
 */
export function cheapestWay(
  setup: OrderSetup,
  order: readonly Visit[],
): { readonly plain: PricedWay; readonly best: PricedWay } | OrderRefusal {
  const start = startFluid(setup);
  const plain = priceReservoirWay(setup, order, CLIMB[0]!, start);
  if ('code' in plain) return plain;
  let best = plain;
  let worse = 0;
  for (const way of CLIMB.slice(1)) {
    const next = priceReservoirWay(setup, order, way, start);
    if ('code' in next) break;
    if (
      next.row.fluidMl <= plain.row.fluidMl + SAME &&
      (next.row.minutes < best.row.minutes - SAME ||
        (next.row.minutes < best.row.minutes + SAME && next.row.fluidMl < best.row.fluidMl - SAME))
    )
      best = next;
    // A stroke or a top-up more or less falls where it falls: one that does not pay says nothing of the next.
    else if (++worse > 1) break;
  }
  return { plain, best };
}

const SAME = 1e-6;
