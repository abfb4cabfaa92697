import { SIZE_FIELDS, sizedThings, type SizeField } from './fields';
import type { Layout, LayoutNode } from './layout';
import { ENDS, type End } from './edit';
import { bleederName, chambersOf, highestOutletMl, isActuator } from './names';
import { rangeFault } from './ranges';
import { lowerFirst } from '../../base/text';

/** One thing wrong with a layout, with the element it is wrong at. */
export interface LayoutFault {
  readonly code:
    | 'range'
    | 'too short'
    | 'duplicate'
    | 'missing'
    | 'kind'
    | 'loop'
    | 'orphan'
    | 'blind end'
    | 'level order'
    | 'place';
  /** Id of the element, or of the part that holds it. */
  readonly element: string;
  /** One sentence that says what came and what would be right. */
  readonly sentence: string;
}

/**
 * Every fault of a layout at once, so that it can be corrected in one go. An
 * empty list means the layout is one rooted forest with every bleeder
 * reachable and every size in range.
 */
export function validateLayout(layout: Layout): LayoutFault[] {
  return [
    ...sizeFaults(layout),
    ...nameFaults(layout),
    ...kindFaults(layout),
    ...placeFaults(layout),
    ...graphFaults(layout),
  ];
}

function sizeFaults(layout: Layout): LayoutFault[] {
  const faults: LayoutFault[] = [];
  for (const { kind, element, name, holder } of sizedThings(layout)) {
    for (const field of SIZE_FIELDS[kind] as readonly SizeField[]) {
      const value = (holder as Record<string, number | null>)[field.key] ?? null;
      if (value === null && field.optional) continue;
      const fault = rangeFault(field.range, value ?? NaN);
      if (fault) faults.push({ code: 'range', element, sentence: `${name}: ${fault}.` });
    }
  }
  for (const b of layout.reservoirs) {
    const airDrawnMl = highestOutletMl(layout, b.id);
    if (!(airDrawnMl < b.minMl && b.minMl < b.maxMl)) {
      faults.push({
        code: 'level order',
        element: b.id,
        sentence: `${b.name}: volumes should rise from air drawn over MIN to MAX; they are ${airDrawnMl}, ${b.minMl} and ${b.maxMl} mL.`,
      });
    }
  }
  const heights = new Map(layout.nodes.map((n) => [n.id, n.heightMm]));
  for (const s of layout.stretches) {
    const climbMm = Math.abs((heights.get(s.from) ?? 0) - (heights.get(s.to) ?? 0));
    if (heights.has(s.from) && heights.has(s.to) && s.lengthMm < climbMm) {
      faults.push({
        code: 'too short',
        element: s.id,
        sentence: `${s.name} is ${s.lengthMm} mm long, but its ends differ by ${climbMm} mm in height; one of the three is wrong.`,
      });
    }
  }
  return faults;
}

function nameFaults(layout: Layout): LayoutFault[] {
  const faults: LayoutFault[] = [];
  const chambers = chambersOf(layout).map(({ chamber }) => chamber);
  const seen = new Set<string>();
  for (const { id } of [
    ...layout.reservoirs,
    ...layout.masters,
    ...chambers,
    ...layout.nodes,
    ...layout.stretches,
    ...layout.bleeders,
  ]) {
    if (seen.has(id))
      faults.push({
        code: 'duplicate',
        element: id,
        sentence: `The id "${id}" is used twice; each element needs its own.`,
      });
    seen.add(id);
  }
  const called = new Set<string>();
  for (const b of layout.bleeders) {
    const name = bleederName(b);
    if (called.has(name))
      faults.push({
        code: 'duplicate',
        element: b.id,
        sentence: `Two bleeders are called "${name}"; say which is which, so that the right one is opened.`,
      });
    called.add(name);
  }
  const nodeIds = new Set(layout.nodes.map((n) => n.id));
  const missing = (element: string, name: string, what: string, id: string) =>
    faults.push({
      code: 'missing',
      element,
      sentence: `${name}: there is no ${what} "${id}" in this layout.`,
    });
  const reservoirs = new Set(layout.reservoirs.map((b) => b.id));
  if (layout.masters.length === 0)
    faults.push({
      code: 'missing',
      element: 'masters',
      sentence: 'The layout has no master; give it at least one.',
    });
  for (const m of layout.masters) {
    if (m.chambers.length === 0)
      faults.push({
        code: 'missing',
        element: m.id,
        sentence: `${m.name} has no chamber; give it one or two.`,
      });
  }
  if (layout.bleeders.length === 0)
    faults.push({
      code: 'missing',
      element: 'bleeders',
      sentence: 'The layout has no bleeder; give it at least one.',
    });
  for (const b of layout.reservoirs) {
    if (!chambers.some((c) => c.fedBy === b.id))
      faults.push({
        code: 'orphan',
        element: b.id,
        sentence: `${b.name} feeds no chamber; say which, or take it out.`,
      });
  }
  for (const c of chambers) {
    if (!reservoirs.has(c.fedBy)) missing(c.id, c.name, 'reservoir chamber', c.fedBy);
    if (layout.nodes.find((n) => n.id === c.port)?.kind !== 'port')
      missing(c.id, c.name, 'port', c.port);
  }
  for (const s of layout.stretches) {
    for (const end of [s.from, s.to]) if (!nodeIds.has(end)) missing(s.id, s.name, 'point', end);
  }
  for (const b of layout.bleeders)
    if (!nodeIds.has(b.at)) missing(b.id, `Bleeder ${bleederName(b)}`, 'part', b.at);
  return faults;
}

/** What the kind of ABS says must be in the layout, and what its valves must say. */
function kindFaults(layout: Layout): LayoutFault[] {
  const faults: LayoutFault[] = [];
  const modulators = layout.nodes.filter((n) => n.kind === 'modulator');
  if (layout.abs === 'none' && modulators.length > 0) {
    faults.push({
      code: 'kind',
      element: modulators[0]!.id,
      sentence: `${modulators[0]!.name} is in a layout without ABS; say which kind it is, or take it out.`,
    });
  }
  if (layout.abs !== 'none' && modulators.length === 0) {
    faults.push({
      code: 'kind',
      element: 'abs',
      sentence: `The layout has ABS (${layout.abs}) but no modulator; put it where the fluid meets it.`,
    });
  }
  if (
    layout.abs === 'rear only, own bleeder' &&
    !layout.bleeders.some((b) => modulators.some((m) => m.id === b.at))
  ) {
    faults.push({
      code: 'kind',
      element: 'abs',
      sentence: 'This kind of ABS has a bleeder on its modulator; the layout has none there.',
    });
  }
  for (const n of layout.nodes) {
    if (n.kind === 'valve' && n.valve === 'differential' && n.end === null) {
      faults.push({
        code: 'kind',
        element: n.id,
        sentence: `${n.name}: say whether this half of the differential valve feeds the front or the rear.`,
      });
    }
  }
  return faults;
}

/** What cannot be where it is drawn [C]: a reservoir under the master that it feeds, a slave behind a brake. */
function placeFaults(layout: Layout): LayoutFault[] {
  const reservoirs = new Map(layout.reservoirs.map((b) => [b.id, b]));
  const low = chambersOf(layout).flatMap(({ master, chamber }): LayoutFault[] => {
    const reservoir = reservoirs.get(chamber.fedBy);
    // A lid that carries pressure feeds upwards too.
    if (!reservoir || reservoir.heightMm > master.heightMm || (reservoir.makerPressureKpa ?? 0) > 0)
      return [];
    return [
      {
        code: 'place',
        element: reservoir.id,
        sentence: `${reservoir.name} stands at ${reservoir.heightMm} mm, not above ${lowerFirst(master.name)} at ${master.heightMm} mm that it feeds; one of the two is wrong.`,
      },
    ];
  });
  const behindBrakes = new Set(
    layout.masters
      .filter((m) => m.system === 'brakes')
      .flatMap((m) => m.chambers.flatMap((c) => [...reachedFrom(layout, c.port)])),
  );
  return [
    ...low.filter((f, i) => low.findIndex((x) => x.element === f.element) === i),
    ...layout.nodes.flatMap((n): LayoutFault[] =>
      n.kind === 'slave' && behindBrakes.has(n.id)
        ? [
            {
              code: 'place',
              element: n.id,
              sentence: `${n.name} works a clutch, but hangs on a brake master; join it to the clutch’s own, or make it a wheel cylinder.`,
            },
          ]
        : [],
    ),
  ];
}

/** What may be put at the end of a line from a point: no slave of a clutch where a brake master feeds it. */
export function endsFor(layout: Layout, nodeId: string): readonly End[] {
  const brakes = layout.masters.some(
    (m) => m.system === 'brakes' && m.chambers.some((c) => reachedFrom(layout, c.port).has(nodeId)),
  );
  return brakes ? ENDS.filter((e) => e !== 'slave') : ENDS;
}

/** Every node that fluid reaches from a port. */
function reachedFrom(layout: Layout, port: string): ReadonlySet<string> {
  const reached = new Set([port]);
  for (const at of reached) for (const s of layout.stretches) if (s.from === at) reached.add(s.to);
  return reached;
}

/** How deep a cavity may be behind its pistons, mm [M]: its volume ÷ their area. */
const CAVITY_DEPTH_MM = { least: 5, most: 40, slaveMost: 80 } as const;

/** Something that may be right and is asked about: it refuses nothing. */
export interface LayoutDoubt {
  readonly element: string;
  readonly sentence: string;
}

/** Cavities whose size the pistons do not explain. */
export function layoutDoubts(layout: Layout): LayoutDoubt[] {
  return layout.nodes.flatMap((n) => {
    if (!isActuator(n)) return [];
    const areaMm2 = (n.pistons * Math.PI * n.pistonMm * n.pistonMm) / 4;
    const depthMm = (n.cavityMl * 1000) / areaMm2;
    const most = n.kind === 'slave' ? CAVITY_DEPTH_MM.slaveMost : CAVITY_DEPTH_MM.most;
    if (!Number.isFinite(depthMm) || (depthMm >= CAVITY_DEPTH_MM.least && depthMm <= most))
      return [];
    return [
      {
        element: n.id,
        sentence: `${n.name}: ${n.cavityMl} mL behind ${n.pistons === 1 ? 'a piston' : `${n.pistons} pistons`} of ${n.pistonMm} mm would be ${depthMm < 10 ? depthMm.toFixed(1) : depthMm.toFixed(0)} mm deep; ${CAVITY_DEPTH_MM.least} to ${most} is usual. Look at cavity, diameter and number again.`,
      },
    ];
  });
}

function graphFaults(layout: Layout): LayoutFault[] {
  const faults: LayoutFault[] = [];
  const nodes = new Map(layout.nodes.map((n) => [n.id, n]));
  const roots = chambersOf(layout).map(({ chamber }) => chamber.port);
  const reached = new Set<string>();
  const waiting = [...roots];
  const looped = new Set<string>();
  for (const port of roots) {
    if (reached.has(port)) {
      faults.push({
        code: 'duplicate',
        element: port,
        sentence: `The port "${port}" belongs to two chambers; each chamber needs its own.`,
      });
    }
    reached.add(port);
  }
  while (waiting.length > 0) {
    const at = waiting.pop()!;
    for (const s of layout.stretches.filter((x) => x.from === at)) {
      if (reached.has(s.to)) {
        if (!looped.has(s.to)) {
          const name = nodes.get(s.to)?.name ?? s.to;
          faults.push({
            code: 'loop',
            element: s.id,
            sentence: `${s.name} closes a loop at ${name}; every point should be fed by one stretch only.`,
          });
        }
        looped.add(s.to);
        continue;
      }
      reached.add(s.to);
      waiting.push(s.to);
    }
  }
  for (const n of layout.nodes) {
    if (!reached.has(n.id)) {
      faults.push({
        code: 'orphan',
        element: n.id,
        sentence: `${n.name} cannot be reached from the master; join it with a line or take it out.`,
      });
    } else if (isBlindEnd(n, layout)) {
      faults.push({
        code: 'blind end',
        element: n.id,
        sentence: `${n.name} ends without a bleeder; nothing could be flushed there.`,
      });
    }
  }
  for (const b of layout.bleeders) {
    if (nodes.has(b.at) && !reached.has(b.at)) {
      faults.push({
        code: 'orphan',
        element: b.id,
        sentence: `Bleeder ${bleederName(b)} cannot be reached from the master; join ${nodes.get(b.at)!.name} with a line.`,
      });
    }
  }
  return faults;
}

function isBlindEnd(node: LayoutNode, layout: Layout): boolean {
  return (
    !layout.stretches.some((s) => s.from === node.id) &&
    !layout.bleeders.some((b) => b.at === node.id)
  );
}
