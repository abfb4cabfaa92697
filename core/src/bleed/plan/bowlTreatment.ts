import { MODEL, figure, type Figure } from '../../base/figure';
import { METHOD_TRAITS } from '../../hydraulics/flow';
import {
  cheapestWay,
  priceBowlWay,
  priceOrder,
  type BowlRinse,
  type BowlWay,
  type BowlWayPrice,
  type OrderPrice,
  type OrderRefusal,
  type OrderSetup,
  type PricedWay,
  type Visit,
} from '../../hydraulics/order';
import { emptiesFirst } from './preparation';
import type { PlanAsked } from './request';

/** What is done about the old rest in the bowls, beside filling them at once. */
export interface BowlTreatment {
  readonly way: BowlWay;
  readonly rinses: readonly BowlRinse[];
  /** Found as the cheapest, a way that the workshop fixed, or the cheapest because a screen forbids the wiping that it fixed. */
  readonly by: 'cheapest' | 'house rule' | 'screen in the way';
  readonly price: BowlWayPrice;
  /** What filling at once would cost. */
  readonly plain: BowlWayPrice;
}

/** Whether the bowls are drawn off on this job, and fluid is renewed through them; from a benched master nothing is drawn. */
export const treatsBowls = ({ work, reached }: PlanAsked, visits: readonly Visit[]): boolean =>
  (!reached || reached.emptyFirst) &&
  emptiesFirst(work) &&
  work.purpose !== 'new or dry' &&
  work.master === null &&
  visits.some((v) => v.until === 'new' && !METHOD_TRAITS[v.method].reverse);

/** Ways that can be gone at these bowls: none is wiped past a screen or baffles. */
export const canWipe = ({ layout }: PlanAsked, setup: OrderSetup): boolean =>
  !layout.bowls.some((b) => b.screen && setup.bowls.some((s) => s.id === b.id));

/**
 * Price an order with what is done about the rest that the syringe cannot
 * reach: the workshop's own way, else the one of the fewest minutes at no more fluid.
 */
export function priceTreated(
  asked: PlanAsked,
  setup: OrderSetup,
  visits: readonly Visit[],
): { readonly price: OrderPrice; readonly treatment: BowlTreatment | null } | OrderRefusal {
  if (!treatsBowls(asked, visits)) {
    const priced = priceOrder(setup, visits);
    return priced.verdict === 'refused' ? priced.reason : { price: priced.price, treatment: null };
  }
  const { bowlWay } = asked.preferences;
  const barred = bowlWay === 'wipe' && !canWipe(asked, setup);
  const found =
    bowlWay === 'cheapest' || barred
      ? cheapestWay(setup, visits)
      : fixedWay(setup, visits, bowlWay);
  if ('code' in found) return found;
  const { plain, best } = found;
  const { way, rinses } = best.row;
  const by = barred ? 'screen in the way' : bowlWay === 'cheapest' ? 'cheapest' : 'house rule';
  return { price: best.price, treatment: { way, rinses, by, price: best.row, plain: plain.row } };
}

function fixedWay(
  setup: OrderSetup,
  visits: readonly Visit[],
  way: BowlWay,
): { readonly plain: PricedWay; readonly best: PricedWay } | OrderRefusal {
  const plain = priceBowlWay(setup, visits, 'nothing');
  const best = way === 'nothing' ? plain : priceBowlWay(setup, visits, way);
  return 'code' in plain ? plain : 'code' in best ? best : { plain, best };
}

/** Minutes that the bowls take besides being drawn off and filled. */
export function bowlMinutes({ price }: BowlTreatment): Figure {
  return figure({
    label: 'Rest in the reservoir',
    value: price.bowlMinutes,
    unit: 'min',
    rule: 'half a minute a small rinse with the syringe in hand, two for a second fill or for wiping out, each bowl',
    source: MODEL,
  });
}

/** A way in words: what is done, as a step, and why. */
export const BOWL_WAY_WORDS: Readonly<
  Record<BowlWay, { readonly title: string; readonly why: string }>
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
    why: 'One large rinse: sure, and a whole bowl of new fluid goes for it.',
  },
  wipe: {
    title: 'Wipe it out above the outlets',
    why: 'A cloth wetted with new fluid, no cleaner, pedal or lever untouched until it is filled. It takes film and dirt; the sums count no fluid for it. Not where a screen or baffles are in the way.',
  },
};

/** What to do with a syringe on this vehicle, bowl by bowl. @example "Pour in 20 mL, stir with the syringe’s jet, draw it off to the same level. Three times." */
export function rinseWords(
  { rinses }: Pick<BowlTreatment, 'rinses'>,
  bowls: readonly { readonly id: string; readonly name: string }[],
): string {
  const times = ['', 'Once.', 'Twice.', 'Three times.'];
  return rinses
    .map(({ bowlId, ml, times: n }) => {
      const of = rinses.length > 1 ? `${bowls.find((b) => b.id === bowlId)!.name}: pour` : 'Pour';
      return `${of} in ${Math.round(ml)} mL, stir with the syringe’s jet, draw it off to the same level. ${times[n]}`;
    })
    .join(' ');
}
