import type { Also, Purpose, WorkDone } from './work';

/** What a vehicle is taken in for, as it is asked: any of them together, a look by itself alone. */
export const ASKS = ['renew', 'soft', 'part', 'dry', 'look'] as const;
export type Ask = (typeof ASKS)[number];

const PURPOSE_OF: Readonly<Record<Ask, Purpose>> = {
  renew: 'routine flush',
  soft: 'soft pedal',
  part: 'after work',
  dry: 'new or dry',
  look: 'look and prove',
};

/** The purpose of one answer. */
export const purposeOf = (ask: Ask): Purpose => PURPOSE_OF[ask];

/** The widest first: what opens more is what the work is made for, the rest goes along. */
const WIDEST: readonly Ask[] = ['dry', 'part', 'soft', 'renew'];

/**
 * What the work is made for, and what goes along with it. A dry system is
 * filled with new fluid and bled everywhere, so that nothing of fluid or
 * softness is left to go along.
 *
 * @returns null where nothing was asked
 */
export function workAsked(asks: readonly Ask[]): Pick<WorkDone, 'purpose' | 'also'> | null {
  const main = WIDEST.find((a) => asks.includes(a)) ?? asks[0];
  if (main === undefined) return null;
  const also: Also[] =
    main === 'dry'
      ? []
      : (['soft', 'renew'] as const).filter((a) => a !== main && asks.includes(a));
  return { purpose: PURPOSE_OF[main], also };
}

/** The answers that a work was made from. */
export function asksOf({ purpose, also = [], parts }: WorkDone): Ask[] {
  return ASKS.filter(
    (a) =>
      PURPOSE_OF[a] === purpose ||
      (also as readonly Ask[]).includes(a) ||
      (a === 'part' && purpose === 'new or dry' && parts.length > 0),
  );
}

/** A click on one answer among others: a look stands alone, and nothing stands beside it. */
export function withAsk(before: readonly Ask[], chosen: readonly Ask[]): Ask[] {
  const added = chosen.find((a) => !before.includes(a));
  if (added === 'look') return ['look'];
  return chosen.filter((a) => a !== 'look' || added === undefined);
}

/** Whether the pedal or lever is said to be soft. */
export const isSoft = ({ purpose, also }: Pick<WorkDone, 'purpose' | 'also'>): boolean =>
  purpose === 'soft pedal' || (also ?? []).includes('soft');

/** Whether a pedal or lever goes on falling while it is held. */
export const comesSinking = ({ found = [] }: Pick<WorkDone, 'found'>): boolean =>
  found.some((f) => f.what === 'sinks');

/** Whether something is wrong with the pedal or lever that it came with. */
export const complains = (work: Pick<WorkDone, 'purpose' | 'also' | 'found'>): boolean =>
  isSoft(work) || comesSinking(work);

/** Whether the fluid is to be renewed along with other work. */
export const renewsToo = ({ also }: Pick<WorkDone, 'also'>): boolean =>
  (also ?? []).includes('renew');
