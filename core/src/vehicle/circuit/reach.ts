import type { Layout, LayoutNode } from './layout';

/** Everything that the fluid reaches behind a part: the part itself, its stretches and nodes. */
export function behind(layout: Layout, partId: string): ReadonlySet<string> {
  const stretch = layout.stretches.find((s) => s.id === partId);
  const reached = new Set<string>([partId]);
  const waiting = [stretch ? stretch.to : partId];
  while (waiting.length > 0) {
    const at = waiting.pop()!;
    reached.add(at);
    for (const s of layout.stretches.filter((x) => x.from === at)) {
      reached.add(s.id);
      waiting.push(s.to);
    }
  }
  return reached;
}

/** Everything of one chamber's circuit, its port and itself included. */
export function circuitOf(
  layout: Layout,
  chamber: { readonly id: string; readonly port: string },
): ReadonlySet<string> {
  return new Set([chamber.id, ...behind(layout, chamber.port)]);
}

/**
 * Where air can climb from an opened joint: along every stretch that does not
 * fall on the way, upstream and into other branches; a stretch that falls
 * holds it up.
 *
 * @param from node at which the line stood open
 */
export function climbsFrom(layout: Layout, from: string): ReadonlySet<string> {
  const nodes = new Map<string, LayoutNode>(layout.nodes.map((n) => [n.id, n]));
  const reached = new Set<string>([from]);
  const waiting = [from];
  while (waiting.length > 0) {
    const at = waiting.pop()!;
    for (const s of layout.stretches) {
      const next = s.from === at ? s.to : s.to === at ? s.from : null;
      if (next === null || reached.has(s.id) || nodes.get(next)!.heightMm < nodes.get(at)!.heightMm)
        continue;
      reached.add(s.id);
      if (!reached.has(next)) {
        reached.add(next);
        waiting.push(next);
      }
    }
  }
  return reached;
}

/** The node at which a part is joined upstream; where it stood open. */
export function jointBefore(layout: Layout, partId: string): string {
  const stretch = layout.stretches.find((s) => s.id === partId);
  if (stretch) return stretch.from;
  return layout.stretches.find((s) => s.to === partId)?.from ?? partId;
}
