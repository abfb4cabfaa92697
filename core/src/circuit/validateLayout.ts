import type { Layout, LayoutNode } from './layout';
import { RANGES, rangeFault, type Range } from './ranges';

/** One thing wrong with a layout, with the element it is wrong at. */
export interface LayoutFault {
  readonly code: 'range' | 'duplicate' | 'missing' | 'loop' | 'orphan' | 'blind end' | 'level order';
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
  return [...sizeFaults(layout), ...nameFaults(layout), ...graphFaults(layout)];
}

function sizeFaults(layout: Layout): LayoutFault[] {
  const faults: LayoutFault[] = [];
  const check = (element: string, name: string, range: Range, value: number) => {
    const fault = rangeFault(range, value);
    if (fault) faults.push({ code: 'range', element, sentence: `${name}: ${fault}.` });
  };
  check('reservoir', 'Reservoir', RANGES.heightMm, layout.reservoir.heightMm);
  for (const c of layout.reservoir.chambers) {
    check(c.id, `${c.name} at MAX`, RANGES.reservoirMl, c.maxMl);
    if (!(c.airDrawnMl >= 0 && c.airDrawnMl < c.minMl && c.minMl < c.maxMl)) {
      faults.push({
        code: 'level order',
        element: c.id,
        sentence: `${c.name}: volumes should rise from air drawn over MIN to MAX; they are ${c.airDrawnMl}, ${c.minMl} and ${c.maxMl} mL.`,
      });
    }
  }
  check('master', layout.master.name, RANGES.heightMm, layout.master.heightMm);
  check('master', layout.master.name, RANGES.ratio, layout.master.ratio);
  for (const c of layout.master.chambers) {
    check(c.id, c.name, RANGES.boreMm, c.boreMm);
    check(c.id, `${c.name}, full`, RANGES.strokeMm, c.fullStrokeMm);
    check(c.id, `${c.name}, in bleeding`, RANGES.strokeMm, c.bleedStrokeMm);
  }
  for (const n of layout.nodes) {
    check(n.id, n.name, RANGES.heightMm, n.heightMm);
    if (n.kind === 'modulator') {
      check(n.id, n.name, RANGES.openPathMl, n.openPathMl);
      check(n.id, n.name, RANGES.pocketsMl, n.pocketsMl);
    }
    if (isActuator(n)) check(n.id, n.name, RANGES.cavityMl, n.cavityMl);
  }
  for (const s of layout.stretches) {
    check(s.id, s.name, RANGES.lengthMm, s.lengthMm);
    check(s.id, s.name, RANGES.insideMm, s.insideMm);
  }
  for (const b of layout.bleeders) check(b.id, `Bleeder ${b.place}`, RANGES.wrenchMm, b.wrenchMm);
  return faults;
}

function nameFaults(layout: Layout): LayoutFault[] {
  const faults: LayoutFault[] = [];
  const seen = new Set<string>();
  const all = [
    ...layout.reservoir.chambers,
    ...layout.master.chambers,
    ...layout.nodes,
    ...layout.stretches,
    ...layout.bleeders,
  ];
  for (const { id } of all) {
    if (seen.has(id)) {
      faults.push({ code: 'duplicate', element: id, sentence: `The id "${id}" is used twice; each element needs its own.` });
    }
    seen.add(id);
  }
  const nodeIds = new Set(layout.nodes.map((n) => n.id));
  const missing = (element: string, name: string, what: string, id: string) =>
    faults.push({ code: 'missing', element, sentence: `${name}: there is no ${what} "${id}" in this layout.` });
  const bowls = new Set(layout.reservoir.chambers.map((c) => c.id));
  if (layout.master.chambers.length === 0) {
    faults.push({ code: 'missing', element: 'master', sentence: 'The master has no chamber; give it one or two.' });
  }
  if (layout.bleeders.length === 0) {
    faults.push({ code: 'missing', element: 'bleeders', sentence: 'The layout has no bleeder; give it at least one.' });
  }
  for (const c of layout.master.chambers) {
    if (!bowls.has(c.fedBy)) missing(c.id, c.name, 'reservoir chamber', c.fedBy);
    if (layout.nodes.find((n) => n.id === c.port)?.kind !== 'port') missing(c.id, c.name, 'port', c.port);
  }
  for (const s of layout.stretches) {
    for (const end of [s.from, s.to]) if (!nodeIds.has(end)) missing(s.id, s.name, 'point', end);
  }
  for (const b of layout.bleeders) if (!nodeIds.has(b.at)) missing(b.id, `Bleeder ${b.place}`, 'part', b.at);
  return faults;
}

function graphFaults(layout: Layout): LayoutFault[] {
  const faults: LayoutFault[] = [];
  const nodes = new Map(layout.nodes.map((n) => [n.id, n]));
  const roots = layout.master.chambers.map((c) => c.port);
  const reached = new Set<string>();
  const waiting = [...roots];
  const looped = new Set<string>();
  for (const port of roots) {
    if (reached.has(port)) {
      faults.push({ code: 'duplicate', element: port, sentence: `The port "${port}" belongs to two chambers; each chamber needs its own.` });
    }
    reached.add(port);
  }
  while (waiting.length > 0) {
    const at = waiting.pop()!;
    for (const s of layout.stretches.filter((x) => x.from === at)) {
      if (reached.has(s.to)) {
        if (!looped.has(s.to)) {
          const name = nodes.get(s.to)?.name ?? s.to;
          faults.push({ code: 'loop', element: s.id, sentence: `${s.name} closes a loop at ${name}; every point should be fed by one stretch only.` });
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
      faults.push({ code: 'orphan', element: n.id, sentence: `${n.name} cannot be reached from the master; join it with a line or take it out.` });
    } else if (isBlindEnd(n, layout)) {
      faults.push({ code: 'blind end', element: n.id, sentence: `${n.name} ends without a bleeder; nothing could be flushed there.` });
    }
  }
  for (const b of layout.bleeders) {
    if (nodes.has(b.at) && !reached.has(b.at)) {
      faults.push({ code: 'orphan', element: b.id, sentence: `Bleeder ${b.place} cannot be reached from the master; join ${nodes.get(b.at)!.name} with a line.` });
    }
  }
  return faults;
}

function isBlindEnd(node: LayoutNode, layout: Layout): boolean {
  return !layout.stretches.some((s) => s.from === node.id) && !layout.bleeders.some((b) => b.at === node.id);
}

/** Whether a node is a part that the pressure works on, at the end of a line. */
export function isActuator(node: LayoutNode): node is Extract<LayoutNode, { cavityMl: number }> {
  return node.kind === 'caliper' || node.kind === 'wheel cylinder';
}
