import { lowerFirst } from '../../base/text';
import type { Layout, Stretch } from './layout';

/**
 * The elements that a workshop knows as one part and changes as one, in the
 * direction of flow: a hose in clips or a line bent over a hump is drawn as
 * several stretches and is one part. Two stretches belong together where only
 * a bend or clip lies between them: the same kind and bore, one way in and one
 * out, no bleeder, and no nut that somebody found there: a union in the middle
 * of a line is told by its nut. What a template lists is a guess; where nobody
 * looked the line counts as whole, which is the larger scope.
 *
 * @param id any element; one that is no stretch is a part by itself
 */
export function partElements(layout: Layout, id: string): readonly string[] {
  const stretch = layout.stretches.find((s) => s.id === id);
  if (!stretch) return [id];
  const run = [stretch];
  for (let s = before(layout, stretch); s && !run.includes(s); s = before(layout, s))
    run.unshift(s);
  for (let s = after(layout, stretch); s && !run.includes(s); s = after(layout, s)) run.push(s);
  return run.map((s) => s.id);
}

/** The element by which a part is called: the first of its elements. */
export const partIdOf = (layout: Layout, id: string): string => partElements(layout, id)[0]!;

/** The stretch upstream that is one part with this; null where a part ends. */
function before(layout: Layout, stretch: Stretch): Stretch | null {
  const into = layout.stretches.find((s) => s.to === stretch.from);
  return into && after(layout, into) === stretch ? into : null;
}

/** The stretch downstream that is one part with this; null where a part ends. */
function after(layout: Layout, stretch: Stretch): Stretch | null {
  const node = layout.nodes.find((n) => n.id === stretch.to);
  const leaving = layout.stretches.filter((s) => s.from === stretch.to);
  const [next] = leaving;
  const goesOn =
    node?.kind === 'joint' &&
    (stretch.nut?.found ?? null) === null &&
    next !== undefined &&
    leaving.length === 1 &&
    next.kind === stretch.kind &&
    next.insideMm === stretch.insideMm &&
    !layout.bleeders.some((b) => b.at === node.id);
  return goesOn ? next : null;
}

/**
 * A part as a person calls it. The stretches of a line share what stands
 * before the comma of their names; where another part has that too, all of
 * them are named.
 *
 * @example "Line left rear", "Hose, bar to yoke + hose, yoke to caliper"
 */
export function partName(layout: Layout, id: string): string | null {
  const ids = partElements(layout, id);
  const names = ids.flatMap((e) => layout.stretches.find((s) => s.id === e)?.name ?? []);
  if (names.length < 2) return names[0] ?? null;
  const head = headOf(names[0]!);
  const others = layout.stretches.filter((s) => !ids.includes(s.id)).map((s) => headOf(s.name));
  if (names.every((n) => headOf(n) === head) && !others.includes(head)) return head;
  return names.map((n, i) => (i === 0 ? n : lowerFirst(n))).join(' + ');
}

const headOf = (name: string): string => name.split(',')[0]!.trim();
