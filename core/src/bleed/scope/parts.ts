import { isActuator, partElements, partIdOf, type Layout } from '../../vehicle/circuit';
import type { PartChanged, WorkDone } from './work';
import { nameOf } from './words';

/** Parts that a person can change: everything but bare joints and ports, a hose in clips or a line over a hump as one. */
export function changeableParts(layout: Layout): { readonly id: string; readonly name: string }[] {
  return [
    ...layout.nodes
      .filter((n) => isActuator(n) || n.kind === 'modulator' || n.kind === 'valve')
      .map((n) => n.id),
    ...layout.stretches.map((s) => s.id).filter((id) => partIdOf(layout, id) === id),
  ].map((id) => ({ id, name: nameOf(layout, id) }));
}

/** Each part once, by the element that it is called by; of two answers about one part the worse. */
export function partsAsOne(layout: Layout, parts: readonly PartChanged[]): PartChanged[] {
  const one = new Map<string, PartChanged>();
  for (const part of parts) {
    const partId = partIdOf(layout, part.partId);
    const other = one.get(partId);
    one.set(partId, other ? { ...worse(other, part), partId } : { ...part, partId });
  }
  return [...one.values()];
}

const worse = (a: PartChanged, b: PartChanged): PartChanged => ({
  ...a,
  cappedAtOnce: a.cappedAtOnce && b.cappedAtOnce,
  keptFull: a.keptFull && b.keptFull,
  newPart: a.newPart !== false || b.newPart !== false,
  ...(a.notYet || b.notYet ? { notYet: true } : {}),
});

/** Every element of the parts that come new, and so empty. */
export function newElements(layout: Layout, parts: WorkDone['parts']): string[] {
  return parts.flatMap((p) => (p.newPart === false ? [] : partElements(layout, p.partId)));
}
