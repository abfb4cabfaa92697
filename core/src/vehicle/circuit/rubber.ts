import type { Layout } from './layout';
import { chambersOf } from './names';
import { partIdOf, partName } from './onePart';
import { circuitOf } from './reach';

/** A part with rubber in it. */
export interface RubberPart {
  readonly id: string;
  readonly name: string;
  /** What of it is renewed. */
  readonly renew: string;
  /** Whether a vehicle may be without one. */
  readonly mayLack: boolean;
}

/**
 * The chambers of a bowl that one product reaches when it is poured into one of
 * them: what stands over the wall between two chambers of one master's bowl is
 * one fluid. Where nobody said which, all of them.
 */
export function bowlOf(layout: Layout, reservoirId: string | null): readonly string[] {
  const all = layout.reservoirs.map((r) => r.id);
  if (reservoirId === null || !all.includes(reservoirId)) return all;
  const bowl = new Set([reservoirId]);
  for (let size = 0; size < bowl.size; ) {
    size = bowl.size;
    for (const { chambers } of layout.masters)
      if (chambers.some((c) => bowl.has(c.fedBy))) for (const c of chambers) bowl.add(c.fedBy);
  }
  return all.filter((id) => bowl.has(id));
}

/**
 * Every part with rubber that a product in some reservoirs may have reached,
 * from the bowl down [C]: seals of cap and bowl, master, pressure switch, hoses,
 * valves, a modulator as a whole unit, calipers, cylinders and slaves.
 */
export function rubberIn(layout: Layout, reservoirIds: readonly string[]): RubberPart[] {
  const fed = chambersOf(layout).filter(({ chamber }) => reservoirIds.includes(chamber.fedBy));
  const reached = new Set(fed.flatMap(({ chamber }) => [...circuitOf(layout, chamber)]));
  const masters = layout.masters.filter((m) => fed.some((f) => f.master.id === m.id));
  const part = (id: string, name: string, renew: string, mayLack = false): RubberPart => ({
    id,
    name,
    renew,
    mayLack,
  });
  const hoses = layout.stretches.filter((s) => s.kind === 'hose' && reached.has(s.id));
  const nodes = layout.nodes.filter((n) => reached.has(n.id));
  return [
    ...layout.reservoirs
      .filter((r) => reservoirIds.includes(r.id))
      .flatMap((r) => [
        part(`${r.id} cap`, r.name, 'seal of the cap and its diaphragm'),
        part(`${r.id} grommets`, r.name, 'grommets, and the hose to the master where it has one'),
      ]),
    ...masters.flatMap((m) => [
      part(m.id, m.name, 'cups and seals, or a new one'),
      part(`${m.id} switch`, m.name, 'pressure switch of the brake light', true),
    ]),
    ...[...new Set(hoses.map((s) => partIdOf(layout, s.id)))].map((id) =>
      part(id, partName(layout, id) ?? id, 'a new hose'),
    ),
    ...nodes.flatMap((n) => {
      switch (n.kind) {
        case 'caliper':
          return [part(n.id, n.name, 'seals and boots of every piston, or a new one')];
        case 'wheel cylinder':
        case 'slave':
          return [part(n.id, n.name, 'cups and boots, or a new one')];
        case 'modulator':
          return [part(n.id, n.name, 'the whole unit: its seals are not to be had')];
        case 'valve':
          return [part(n.id, n.name, 'its seals, or a new one')];
        case 'port':
        case 'joint':
        case 'tee':
          return [];
      }
    }),
  ];
}
