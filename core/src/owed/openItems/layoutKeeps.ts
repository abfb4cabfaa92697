import { bleederName, type Layout } from '../../vehicle/circuit';
import { mastersAt } from './controlsConcerned';
import type { OpenItem } from './openItem';
import { openItemTitle } from './words';

/**
 * The sentence for a layout that would move or lose what is open, or null: the
 * place of an open item stays what it was, in the same system, at the same
 * control. A place that the layout did not have before cannot be lost.
 */
export function layoutFault(
  before: Layout,
  after: Layout,
  openItems: readonly OpenItem[],
): string | null {
  for (const m of openItems) {
    if (m.where === null) continue;
    const was = meaningOf(before, m.where);
    if (was === null || was === meaningOf(after, m.where)) continue;
    const [at] = mastersAt(before, m.where);
    return `${openItemTitle(m)}: this is open. Its place should stay what it is, at the ${at!.control}; clear it first.`;
  }
  return null;
}

/** What an id stands for: what it is, where, and by which controls it is worked; null where the layout has no such. */
function meaningOf(layout: Layout, id: string): string | null {
  const controls = () =>
    mastersAt(layout, id)
      .map((m) => m.control)
      .join();
  const bleeder = layout.bleeders.find((b) => b.id === id);
  if (bleeder) return `bleeder ${bleederName(bleeder)} ${controls()}`;
  const master = layout.masters.find((m) => m.id === id);
  if (master) return `master ${master.control}`;
  const node = layout.nodes.find((n) => n.id === id);
  if (node) return `${node.kind} ${controls()}`;
  if (layout.stretches.some((s) => s.id === id)) return `stretch ${controls()}`;
  return layout.reservoirs.some((r) => r.id === id) ? 'reservoir' : null;
}
