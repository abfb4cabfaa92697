import type { Method } from '../../hydraulics/flow';
import type { OrderedVisit } from '../../hydraulics/order';
import type { StageInput } from './base';

/** Why bleeders are opened in a stage. */
export type BleedPurpose =
  | 'bleed'
  | 'prime'
  | 'old fluid out'
  | 'finish with strokes'
  | 'in turn until clear'
  | 'again after the tool'
  | 'second part';

/** Bleeders are opened, one after the other. */
export interface BleedDraft {
  readonly kind: 'bleed';
  readonly purpose: BleedPurpose;
  readonly method: Method;
  readonly visits: readonly OrderedVisit[];
}

/** Methods that open bleeders for strokes; the last pass is one of these wherever one works. */
export const STROKES: readonly Method[] = ['two people', 'alone at the lever', 'alone, bottle'];

/** The first of these methods that is not hopeless, the better ranked first. */
export function working(
  { ranking }: Pick<StageInput, 'ranking'>,
  of: readonly Method[],
): Method | null {
  return ranking.find((r) => r.verdict !== 'hopeless' && of.includes(r.method))?.method ?? null;
}

/** A stage that opens bleeders. */
export const bleed = (
  purpose: BleedPurpose,
  method: Method,
  visits: readonly OrderedVisit[],
): BleedDraft => ({ kind: 'bleed', purpose, method, visits });

/** The same bleeders, each once, in the order of their last visit that is not a pass of its own. */
export function once(visits: readonly OrderedVisit[]): OrderedVisit[] {
  const first = new Map<string, OrderedVisit>();
  for (const v of visits)
    if (v.why.code !== 'primes' && v.why.code !== 'master first' && !first.has(v.visit.bleederId))
      first.set(v.visit.bleederId, v);
  return [...first.values()];
}

/** The same visits, each until that; a sweep by its count, or by its bubbles where it is planned with more than one pass. */
export const each = (
  visits: readonly OrderedVisit[],
  until: OrderedVisit['visit']['until'],
  passes = 1,
): OrderedVisit[] =>
  visits.map((v) => ({
    ...v,
    visit: {
      bleederId: v.visit.bleederId,
      method: v.visit.method,
      until,
      ...(passes > 1 ? { passes } : {}),
    },
  }));
