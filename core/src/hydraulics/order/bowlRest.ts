import type { BowlRinse, OrderSetup } from './setup';
import { priceOrder, startFluid, type OrderPrice, type StartFluid } from './price';
import type { OrderRefusal, Visit } from './visit';

/**
 * What may be done about the old fluid that the syringe cannot reach, between
 * drawing the bowls off and filling them [C]. A rinse is new fluid poured in,
 * stirred by the syringe's jet and drawn off to the same rest.
 */
export const BOWL_WAYS = [
  'nothing',
  'one rinse',
  'two rinses',
  'three rinses',
  'second fill',
  'wipe',
] as const;
export type BowlWay = (typeof BOWL_WAYS)[number];

/** What one way costs by the simulation, and what is poured and drawn off for it. */
export interface BowlWayPrice {
  readonly way: BowlWay;
  readonly rinses: readonly BowlRinse[];
  /** Hands on for the bowls alone, minutes. */
  readonly bowlMinutes: number;
  /** Hands on for the bowls and every bleeder, minutes. */
  readonly minutes: number;
  readonly counts: number;
  readonly bledMl: number;
  /** Out of containers with every bowl at MAX at the end, the rinses among it, mL. */
  readonly fluidMl: number;
}

const TIMES: Partial<Record<BowlWay, number>> = {
  'one rinse': 1,
  'two rinses': 2,
  'three rinses': 3,
};
/** A small rinse with the syringe in hand, minutes a bowl [M]. */
const RINSE_MIN = 0.5;
/** Filling a bowl once more and drawing it off, minutes [M]. */
const SECOND_FILL_MIN = 2;
/** Wiping a bowl out, minutes [M]. */
const WIPE_MIN = 2;
/** A rinse is measured by the syringe's marks, mL [M]. */
const RINSE_STEP_ML = 5;

/** What is poured and drawn off for a way: of a small rinse as much as the rest, to the next mark of the syringe. */
export function rinsesOf(way: BowlWay, bowls: OrderSetup['bowls']): BowlRinse[] {
  const times = TIMES[way];
  if (times !== undefined)
    return bowls.map((b) => ({
      bowlId: b.id,
      times,
      ml: Math.min(
        b.maxMl - b.airDrawnMl,
        Math.max(1, Math.ceil(b.airDrawnMl / RINSE_STEP_ML - 1e-9)) * RINSE_STEP_ML,
      ),
    }));
  return way === 'second fill'
    ? bowls.map((b) => ({ bowlId: b.id, times: 1, ml: b.maxMl - b.airDrawnMl }))
    : [];
}

const minutesOf = (way: BowlWay): number =>
  way === 'second fill'
    ? SECOND_FILL_MIN
    : way === 'wipe'
      ? WIPE_MIN
      : (TIMES[way] ?? 0) * RINSE_MIN;

/** One way with the whole price of the order by it. */
export interface PricedWay {
  readonly row: BowlWayPrice;
  readonly price: OrderPrice;
}

/** The price of one order by one way. Of wiping the sums count no fluid: it takes film and dirt from above the outlets [M]. */
export function priceBowlWay(
  setup: OrderSetup,
  order: readonly Visit[],
  way: BowlWay,
  start: StartFluid = startFluid(setup),
): PricedWay | OrderRefusal {
  const rinses = rinsesOf(way, setup.bowls);
  const priced = priceOrder({ ...setup, rinses }, order, start);
  if (priced.verdict === 'refused') return priced.reason;
  const { price } = priced;
  const bowlMinutes = minutesOf(way) * setup.bowls.length;
  const toMaxMl = setup.bowls.reduce((sum, b) => sum + b.maxMl - price.levelMl[b.id]!, 0);
  return {
    price,
    row: {
      way,
      rinses,
      bowlMinutes,
      minutes: price.minutes + bowlMinutes,
      counts: price.counts,
      bledMl: price.bledMl,
      fluidMl: price.pouredMl + toMaxMl,
    },
  };
}

/** One order by every way, in their order; one by which it cannot be carried out is left out. */
export const priceBowlWays = (setup: OrderSetup, order: readonly Visit[]): BowlWayPrice[] =>
  BOWL_WAYS.flatMap((way) => {
    const priced = priceBowlWay(setup, order, way);
    return 'code' in priced ? [] : [priced.row];
  });

/** Small rinses, fewer first: each of them buys less than the one before. */
const CLIMB: readonly BowlWay[] = ['nothing', 'one rinse', 'two rinses', 'three rinses'];

/**
 * The way of the fewest minutes that takes no more fluid than filling at once,
 * found by one small rinse more as long as that pays. A second fill pours in a
 * whole bowl for what three small rinses do, and wiping saves no stroke.
 *
 * @returns the plain way and the one found, which may be the same
 */
export function cheapestWay(
  setup: OrderSetup,
  order: readonly Visit[],
): { readonly plain: PricedWay; readonly best: PricedWay } | OrderRefusal {
  const start = startFluid(setup);
  const plain = priceBowlWay(setup, order, CLIMB[0]!, start);
  if ('code' in plain) return plain;
  let best = plain;
  let worse = 0;
  for (const way of CLIMB.slice(1)) {
    const next = priceBowlWay(setup, order, way, start);
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
