import {
  bleederName,
  isActuator,
  SIZE_FIELDS,
  sizesOf,
  type Layout,
  type LayoutNode,
  type SizedKind,
} from '@brook/core/circuit';

/** One element in the order in which the fluid meets it. */
export interface OutlineRow {
  readonly id: string;
  /** How many branches deep it lies. */
  readonly depth: number;
  readonly what: 'bowl' | 'master' | 'chamber' | 'node' | 'stretch' | 'bleeder';
  readonly title: string;
  /** Its sizes in short. */
  readonly about: string;
  /** Groups of sizes that it has, each with what holds them. */
  readonly sizes: readonly { readonly kind: SizedKind; readonly holder: object }[];
}

/** A layout as a list: reservoirs, then each master with its circuits from the port outwards. */
export function outline(layout: Layout): OutlineRow[] {
  const rows: OutlineRow[] = layout.bowls.map((b) => ({
    id: b.id,
    depth: 0,
    what: 'bowl',
    title: b.name,
    about: short('bowl', b),
    sizes: [{ kind: 'bowl', holder: b }],
  }));
  const walk = (nodeId: string, depth: number): void => {
    const node = layout.nodes.find((n) => n.id === nodeId);
    if (!node || rows.some((r) => r.id === nodeId)) return;
    rows.push({
      id: node.id,
      depth,
      what: 'node',
      title: node.name,
      about: `${nodeWords(node)}, ${short(node.kind, node)}`,
      sizes: [{ kind: node.kind, holder: node }],
    });
    for (const b of layout.bleeders.filter((x) => x.at === nodeId)) {
      const { wrenchMm } = sizesOf(b.fitting);
      rows.push({
        id: b.id,
        depth: depth + 1,
        what: 'bleeder',
        title: `Bleeder ${bleederName(b)}`,
        about: `${wrenchMm === null ? 'wrench not known' : `${wrenchMm} mm`}, ${b.type}`,
        sizes: [{ kind: 'fitting', holder: b.fitting.found ?? b.fitting.listed }],
      });
    }
    const out = layout.stretches.filter((s) => s.from === nodeId);
    for (const s of out) {
      const deeper = out.length > 1 ? depth + 1 : depth;
      rows.push({
        id: s.id,
        depth: deeper,
        what: 'stretch',
        title: s.name,
        about: `${s.kind}, ${short(s.kind, s)}`,
        sizes: [
          { kind: s.kind, holder: s },
          { kind: 'fitting', holder: s.nut ? (s.nut.found ?? s.nut.listed) : {} },
        ],
      });
      walk(s.to, deeper);
    }
  };
  for (const m of layout.masters) {
    rows.push({
      id: m.id,
      depth: 0,
      what: 'master',
      title: m.name,
      about: `${m.control}, ${m.attitude}, ${short('master', m)}`,
      sizes: [{ kind: 'master', holder: m }],
    });
    for (const c of m.chambers) {
      rows.push({
        id: c.id,
        depth: 1,
        what: 'chamber',
        title: c.name,
        about: short('chamber', c),
        sizes: [
          { kind: 'chamber', holder: c },
          { kind: 'outlet', holder: c.outlet },
        ],
      });
      walk(c.port, 1);
    }
  }
  return rows;
}

function nodeWords(node: LayoutNode): string {
  if (node.kind === 'valve') return `${node.valve} valve`;
  if (isActuator(node)) return node.kind;
  return {
    port: 'outlet of the master',
    joint: 'joint, bend or hump',
    tee: 'tee',
    modulator: 'ABS modulator',
  }[node.kind];
}

/** The sizes of one thing on one line: those that must be known. */
function short(kind: SizedKind, holder: object): string {
  return SIZE_FIELDS[kind]
    .filter((f) => !('optional' in f && f.optional))
    .map(
      (f) =>
        `${(holder as Record<string, number>)[f.key]}${f.range.unit ? ` ${f.range.unit}` : ''}`,
    )
    .join(' · ');
}
