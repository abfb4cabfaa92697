import { MODEL, figure, type Figure } from '../../base/figure';
import { METHOD_TRAITS } from '../../hydraulics/flow';
import {
  cheapestWay,
  priceReservoirWay,
  priceOrder,
  type ReservoirRinse,
  type ReservoirWay,
  type ReservoirWayPrice,
  type OrderPrice,
  type OrderRefusal,
  type OrderSetup,
  type PricedWay,
  type Visit,
} from '../../hydraulics/order';
import { emptiesFirst } from './preparation';
import type { FullPlanRequest } from './request';

/** What is done about the old rest in the reservoirs, beside filling them at once. */
export interface ReservoirTreatment {
  readonly way: ReservoirWay;
  readonly rinses: readonly ReservoirRinse[];
  /** Found as the cheapest, a way that the workshop fixed, or the cheapest because a screen forbids the wiping that it fixed. */
  readonly by: 'cheapest' | 'house rule' | 'screen in the way';
  readonly price: ReservoirWayPrice;
  /** What filling at once would cost. */
  readonly plain: ReservoirWayPrice;
}

/** Whether the reservoirs are drawn off on this job, and fluid is renewed through them; from a benched master nothing is drawn. */
export const treatsReservoirs = (
  { work, reached }: FullPlanRequest,
  visits: readonly Visit[],
): boolean =>
  (!reached || reached.emptyFirst) &&
  emptiesFirst(work) &&
  work.purpose !== 'new or dry' &&
  work.master === null &&
  visits.some((v) => v.until === 'new' && !METHOD_TRAITS[v.method].reverse);

/** Ways that can be gone at these reservoirs: none is wiped past a screen or baffles. */
export const canWipe = ({ layout }: FullPlanRequest, setup: OrderSetup): boolean =>
  !layout.reservoirs.some((b) => b.screen && setup.reservoirs.some((s) => s.id === b.id));

/**
 * Price an order with what is done about the rest that the syringe cannot
 * reach: the workshop's own way, else the one of the fewest minutes at no more fluid.
 */
export function priceTreated(
  asked: FullPlanRequest,
  setup: OrderSetup,
  visits: readonly Visit[],
): { readonly price: OrderPrice; readonly treatment: ReservoirTreatment | null } | OrderRefusal {
  if (!treatsReservoirs(asked, visits)) {
    const priced = priceOrder(setup, visits);
    return priced.verdict === 'refused' ? priced.reason : { price: priced.price, treatment: null };
  }
  const { reservoirWay } = asked.preferences;
  const barred = reservoirWay === 'wipe' && !canWipe(asked, setup);
  const found =
    reservoirWay === 'cheapest' || barred
      ? cheapestWay(setup, visits)
      : fixedWay(setup, visits, reservoirWay);
  if ('code' in found) return found;
  const { plain, best } = found;
  const { way, rinses } = best.row;
  const by = barred ? 'screen in the way' : reservoirWay === 'cheapest' ? 'cheapest' : 'house rule';
  return { price: best.price, treatment: { way, rinses, by, price: best.row, plain: plain.row } };
}

function fixedWay(
  setup: OrderSetup,
  visits: readonly Visit[],
  way: ReservoirWay,
): { readonly plain: PricedWay; readonly best: PricedWay } | OrderRefusal {
  const plain = priceReservoirWay(setup, visits, 'nothing');
  const best = way === 'nothing' ? plain : priceReservoirWay(setup, visits, way);
  return 'code' in plain ? plain : 'code' in best ? best : { plain, best };
}

/** Minutes that the reservoirs take besides being drawn off and filled. */
export function reservoirMinutes({ price }: ReservoirTreatment): Figure {
  return figure({
    label: 'Rest in the reservoir',
    value: price.reservoirMinutes,
    unit: 'min',
    rule: 'half a minute a small rinse with the syringe in hand, two for a second fill or for wiping out, each reservoir',
    source: MODEL,
  });
}

/** A way in words: what is done, as a step, and why. */
export const RESERVOIR_WAY_WORDS: Readonly<
  Record<ReservoirWay, { readonly title: string; readonly why: string }>
> = {
  nothing: {
    title: 'Fill at once',
    why: 'What the syringe leaves mixes with the new fill, and the first wheel pumps it out.',
  },
  'one rinse': {
    title: 'One small rinse',
    why: 'A little new fluid, stirred by the syringe’s jet and drawn off again: half of the old rest goes with it.',
  },
  'two rinses': {
    title: 'Two small rinses',
    why: 'Two small ones take out more than one large: a quarter of the old rest stays.',
  },
  'three rinses': {
    title: 'Three small rinses',
    why: 'An eighth of the old rest stays; the last one buys the least.',
  },
  'second fill': {
    title: 'Fill it, draw it off once more',
    why: 'One large rinse: sure, and a whole reservoir of new fluid goes for it.',
  },
  wipe: {
    title: 'Wipe it out above the outlets',
    why: 'A cloth wetted with new fluid, no cleaner, pedal or lever untouched until it is filled. It takes film and dirt; the sums count no fluid for it. Not where a screen or baffles are in the way.',
  },
};

/** What to do with a syringe on this vehicle, reservoir by reservoir. @example "Pour in 20 mL, stir with the syringe’s jet, draw it off to the same level. Three times." */
export function rinseWords(
  { rinses }: Pick<ReservoirTreatment, 'rinses'>,
  reservoirs: readonly { readonly id: string; readonly name: string }[],
): string {
  const times = ['', 'Once.', 'Twice.', 'Three times.'];
  return rinses
    .map(({ reservoirId, ml, times: n }) => {
      const of =
        rinses.length > 1 ? `${reservoirs.find((b) => b.id === reservoirId)!.name}: pour` : 'Pour';
      return `${of} in ${Math.round(ml)} mL, stir with the syringe’s jet, draw it off to the same level. ${times[n]}`;
    })
    .join(' ');
}
