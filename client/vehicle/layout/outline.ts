import {
  bleederName,
  isActuator,
  SIZE_FIELDS,
  sizesOf,
  type KnownSizes,
  type Layout,
  type LayoutNode,
  type SizedKind,
} from '@brook/core/vehicle/circuit';

/** One element in the order in which the fluid meets it. */
export interface OutlineRow {
  readonly id: string;
  /** How many branches deep it lies. */
  readonly depth: number;
  readonly what: 'reservoir' | 'master' | 'chamber' | 'node' | 'stretch' | 'bleeder';
  readonly title: string;
  /** Its sizes in short. */
  readonly about: string;
  /** How its sizes are known, by key; one that is not in it is a guess. */
  readonly known: KnownSizes;
  /** Groups of sizes that it has, each with what holds them. */
  readonly sizes: readonly { readonly kind: SizedKind; readonly holder: object }[];
}

/** A layout as a list: reservoirs, then each master with its circuits from the port outwards. */
export function outline(layout: Layout): OutlineRow[] {
  const rows: OutlineRow[] = layout.reservoirs.map((b) => ({
    id: b.id,
    depth: 0,
    what: 'reservoir',
    title: b.name,
    about: short('reservoir', b),
    known: b.known ?? {},
    sizes: [{ kind: 'reservoir', holder: b }],
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
      known: node.known ?? {},
      sizes: [{ kind: node.kind, holder: node }],
    });
    for (const b of layout.bleeders.filter((x) => x.at === nodeId)) {
      const { wrenchMm } = sizesOf(b.fitting);
      rows.push({
        id: b.id,
        depth: depth + 1,
        what: 'bleeder',
        title: `Bleeder ${bleederName(b)}`,
        about: `${wrenchMm === null ? 'wrench not known' : `wrench ${wrenchMm} mm`}, ${b.type}`,
        known: {},
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
        known: s.known ?? {},
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
      known: m.known ?? {},
      sizes: [{ kind: 'master', holder: m }],
    });
    for (const c of m.chambers) {
      rows.push({
        id: c.id,
        depth: 1,
        what: 'chamber',
        title: c.name,
        about: short('chamber', c),
        known: c.known ?? {},
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

/** Sizes of a row that are known or guessed; those of a fitting are listed or found, and its thread read. */
export const guessable = (row: Pick<OutlineRow, 'sizes'>): string[] =>
  row.sizes.flatMap(({ kind, holder }) =>
    kind === 'fitting'
      ? []
      : SIZE_FIELDS[kind].flatMap((f) =>
          (holder as Record<string, number | null>)[f.key] === null ? [] : [f.key],
        ),
  );

/** How many sizes of a layout somebody measured or looked up, in words. */
export function knownWords(rows: readonly OutlineRow[]): string {
  const all = rows.flatMap((r) => guessable(r).map((size) => r.known[size] !== undefined));
  const known = all.filter(Boolean).length;
  return known === 0
    ? 'Every size is a guess until somebody measures it or looks it up.'
    : `${known} of ${all.length} sizes are measured or by the maker; the others are guesses.`;
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
        `${f.range.what} ${(holder as Record<string, number>)[f.key]}${f.range.unit ? ` ${f.range.unit}` : ''}`,
    )
    .join(' · ');
}
