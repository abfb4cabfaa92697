import type { Plan } from '../../bleed/plan';
import { needsTool } from '../../bleed/stages';
import { heldAs } from '../../control/pedal';
import { behind, paths, type Layout } from '../../vehicle/circuit';
import { openingNamed } from './faults';
import type { HaltReason } from '../standing';
import type { Brought } from './brought';

/** The bleeder of an opening; null where no plan knows it, which is the whole vehicle. */
const bleederOf = (plans: readonly Plan[], openingId: string | null): string | null =>
  openingId === null ? null : (openingNamed(plans, openingId)?.bleeder.id ?? null);

/** Air may be behind the bleeder of an opening. */
export const airBehind = (plans: readonly Plan[], openingId: string): readonly Brought[] => [
  { what: 'air possible', where: bleederOf(plans, openingId) },
];

/** The bleeders behind a place of a layout; where nobody said which, or the layout knows it not, all of them. */
function bleedersBehind(layout: Layout, elementId: string | null): string[] {
  const all = layout.bleeders.map((b) => b.id);
  if (elementId === null) return all;
  if (all.includes(elementId)) return [elementId];
  const ports = layout.masters
    .filter((m) => m.id === elementId)
    .flatMap((m) => m.chambers.map((c) => c.port));
  const reached = [elementId, ...ports].flatMap((id) => [...behind(layout, id)]);
  const there = layout.bleeders.filter((b) => reached.includes(b.at)).map((b) => b.id);
  return there.length > 0 ? there : all;
}

/** Air may be behind a joint that was undone, somewhere where nobody knows the layout. */
export function airBehindPart(
  layout: Layout | null,
  elementId: string | null,
): readonly (Brought & { readonly what: 'air possible' })[] {
  const where = layout ? bleedersBehind(layout, elementId) : [null];
  return where.map((w) => ({ what: 'air possible', where: w }));
}

/** Whether a control is held as a pedal or as a lever; one that no plan knows is judged as a lever, more strictly. */
export function heldOf(plans: readonly Plan[], masterId: string): 'pedal' | 'lever' {
  const master = plans.flatMap((p) => p.layout.masters).find((m) => m.id === masterId);
  return master ? heldAs(master.control) : 'lever';
}

/** Modulators of a layout. */
export const modulatorsOf = (layout: Layout): string[] =>
  layout.nodes.filter((n) => n.kind === 'modulator').map((n) => n.id);

/** What a halt leaves open until it is cured. */
export function broughtByHalt(
  reason: HaltReason,
  openingId: string | null,
  masterId: string | null,
  plans: readonly Plan[],
): readonly Brought[] {
  const plan = plans.at(-1);
  const at = bleederOf(plans, openingId);
  switch (reason) {
    case 'ran dry': {
      const reservoirId = openingId === null ? null : openingNamed(plans, openingId)?.reservoirId;
      const fed = (plan ? paths(plan.layout) : []).filter(
        (p) => !reservoirId || p.chamber.fedBy === reservoirId,
      );
      return (fed.length > 0 ? fed.map((p) => p.bleeder.id) : [null]).map((where) => ({
        what: 'air possible',
        where,
      }));
    }
    case 'seized':
    case 'snapped':
      return [{ what: reason, where: at }];
    case 'nothing comes':
      return [{ what: 'bleeder left', where: at }];
    case 'air never ends':
      return [
        { what: 'air possible', where: at },
        ...(plan && needsTool(plan.layout) ? modulatorsOf(plan.layout) : []).map(
          (where): Brought => ({ what: 'tool cycle owed', where }),
        ),
      ];
    case 'leak':
      return [{ what: 'leak', where: at }];
    case 'grease':
    case 'other product':
      // Every rubber part that it reached was exposed: no later look that says clean is the end of it.
      return [{ what: 'wrong fluid', where: at }];
    case 'pedal not right':
      return (masterId === null ? (plan?.work.masterIds ?? []) : [masterId]).map((where) => ({
        what: 'control soft',
        where,
      }));
    case 'tool stopped':
    case 'wrong part':
    case 'not as planned':
    case 'other size':
      // The stage that halted is not through: what it leaves stands by itself.
      return [];
  }
}
