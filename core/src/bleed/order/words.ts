import { lowerFirst } from '../../base/text';
import type {
  CostReason,
  CostSurety,
  OrderCost,
  OrderId,
  OrderReason,
  OrderRefusal,
} from '../../hydraulics/order';

/** A school by name, and what speaks for it. All of it common practice, no source. */
export const ORDER_WORDS: Readonly<
  Record<OrderId, { readonly title: string; readonly speaksFor: string }>
> = {
  maker: {
    title: 'The maker’s order',
    speaksFor: 'The maker wins wherever the order was looked up.',
  },
  'farthest first': {
    title: 'Farthest first',
    speaksFor: 'The longest line first: longest by the fluid’s way, not by the eye.',
  },
  'by circuit': {
    title: 'Circuit by circuit',
    speaksFor:
      'One circuit is through and shut before the other is touched; a fault has one place.',
  },
  'nearest, then inwards': {
    title: 'Nearest to prime, then farthest inwards',
    speaksFor: 'The master is fed quickly, and the round ends where it began.',
  },
  'nearest first': {
    title: 'Nearest first',
    speaksFor: 'Some makers ask for it: the shared line is new before the long ones are opened.',
  },
  'least fluid': { title: 'Least fluid', speaksFor: 'Found by trying every order in the model.' },
};

/** A bleeder on the master has no way of its own. */
const AT_THE_MASTER = 'On the master itself: the nearest of all.';

/** Why a bleeder comes where it does. */
export function orderWords(why: OrderReason): string {
  switch (why.code) {
    case 'only':
      return 'The only bleeder that must be opened.';
    case 'farthest':
      return `Farthest by the fluid’s way: ${why.lengthM.toFixed(2)} m from the master’s port. The longest line first.`;
    case 'next farthest':
      return why.lengthM === 0
        ? AT_THE_MASTER
        : `${why.lengthM.toFixed(2)} m, next after ${why.before.toFixed(2)} m.`;
    case 'nearest':
      return why.lengthM === 0
        ? AT_THE_MASTER
        : `Nearest by the fluid’s way: ${why.lengthM.toFixed(2)} m from the master’s port.`;
    case 'next nearest':
      return why.lengthM === 0
        ? AT_THE_MASTER
        : `${why.lengthM.toFixed(2)} m, next after ${why.before.toFixed(2)} m.`;
    case 'equal, away from the driver':
      return `${why.lengthM.toFixed(2)} m, as long as the next; the side away from the driver goes first.`;
    case 'same part':
      return why.setting === 'upper last'
        ? 'On the same part, and the upper one: last, for it is the air’s way out.'
        : `On the same part; ${why.setting} is this workshop’s rule.`;
    case 'first of a circuit':
      return `Farthest of the ${why.circuit.toLowerCase()}: ${why.lengthM.toFixed(2)} m. This circuit is finished before the next.`;
    case 'primes':
      return 'Nearest to the master: opened once to fill it and the first line.';
    case 'closes the round':
      return 'Nearest once more, to close the round where it began.';
    case 'master first':
      return 'On the master, which is new or dry: it can make no pressure until its own air is out.';
    case 'behind the modulator':
      return 'First pass, behind the modulator: its bleeder comes only when these are through.';
    case 'modulator':
      return 'The modulator’s own bleeder, in the first pass alone.';
    case 'after the modulator':
      return 'First pass, after the modulator.';
    case 'second pass':
      return 'Second pass: what the modulator let go is carried out. Everything but the modulator is bled twice.';
    case 'maker':
      return 'The maker’s order for this vehicle.';
    case 'least fluid':
      return 'In this place of the order that needs the least fluid in the model.';
  }
}

/**
 * What an order costs or saves against another, whether that is more than
 * anybody can know, and why, in short sentences.
 *
 * @param against the order that it is held against
 * @param surety null until the corners are worked out
 */
export function costWords(
  cost: OrderCost,
  counts: string,
  against: OrderId,
  surety: CostSurety | null,
): string {
  const { moreMl, moreCounts, moreMinutes } = cost;
  const than = lowerFirst(ORDER_WORDS[against].title);
  // What does not differ is not read out.
  const figures = [
    [signed(moreMl), 'mL'],
    [signed(moreCounts), Math.abs(moreCounts) === 1 ? counts.replace(/s$/, '') : counts],
    [signed(moreMinutes), 'min'],
  ].flatMap(([value, unit]) => (value === '0' ? [] : [`${value} ${unit}`]));
  const head =
    figures.length > 0 ? `${figures.join(', ')} against “${than}”` : `the same as “${than}”`;
  if (!surety) return `${head}. Whether that is more than the model can know is being worked out.`;
  const { band, why } = surety;
  const between = `${signed(band.leastMl)} to ${signed(band.mostMl)} mL`;
  return band.real
    ? `${moreMl > 0 ? 'Costs more' : 'Saves'}: ${head}; ${between} whatever is assumed. ${REASON_WORDS[why]}`
    : `No real difference: ${head}; ${between} by what nobody knows of this vehicle. ${REASON_WORDS[why]}`;
}

const REASON_WORDS: Readonly<Record<CostReason, string>> = {
  'the rest in the reservoir':
    'It lies in who pumps out the old rest of the reservoir: whoever is opened first, through a longer or a shorter line.',
  'what is shared':
    'It lies in the shared lines: what an earlier bleeder washed, a later one need not.',
  'whole counts': 'It lies in the rounding up to whole ones.',
};

/** With its sign; what rounds to nothing has none. @example "+12", "−3", "0" */
function signed(value: number): string {
  const size = Math.abs(value).toFixed(0);
  return size === '0' ? '0' : `${value > 0 ? '+' : '−'}${size}`;
}

/** Why an order cannot be carried out, and what would help. */
export function orderRefusalWords(reason: OrderRefusal): string {
  return reason.code === 'no stroke before top-up'
    ? `${reason.name} is too small: one stroke would take it from MAX below the top-up level. Use a shorter stroke or another method.`
    : `The ${reason.name} would not run new within 600 strokes. Check the sizes in the layout.`;
}
