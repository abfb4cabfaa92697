import {
  isActuator,
  partElements,
  paths,
  sizesOf,
  type Fitting,
  type Layout,
  type LayoutNode,
  type Master,
  type Stretch,
} from '../circuit';
import { figure, MODEL, type Figure } from '../figure';
import { lowerFirst } from '../text';

/**
 * One thing in which a new part must agree with what the vehicle needs. A
 * number is measured, a thread is read, "as the old one" is held side by side.
 */
export type PartNeed = { readonly id: string; readonly label: string } & (
  | { readonly kind: 'number'; readonly needed: Figure; readonly tolerance: number }
  | { readonly kind: 'thread'; readonly needed: string }
  | { readonly kind: 'as the old one'; readonly why: string }
);

/** How far a measured bore or piston may be from the layout, mm: callipers and rounding [M]. */
const BORE_TOLERANCE_MM = 0.15;
/** How far a length may be, as a share [M]. */
const LENGTH_TOLERANCE = 0.05;

/**
 * What a new part must agree with, from the layout: bore, pistons, number of
 * ports, threads, kinds of brake at each end; what the layout does not know is
 * held beside the old one.
 *
 * @param partId a master, a node or a stretch; an unknown one needs nothing
 */
export function partNeeds(layout: Layout, partId: string): PartNeed[] {
  const master = layout.masters.find((m) => m.id === partId);
  if (master) return masterNeeds(layout, master);
  const stretches = partElements(layout, partId).flatMap(
    (id) => layout.stretches.find((s) => s.id === id) ?? [],
  );
  if (stretches.length > 0) return stretchNeeds(stretches);
  const node = layout.nodes.find((n) => n.id === partId);
  return node ? nodeNeeds(layout, node) : [];
}

function masterNeeds(layout: Layout, master: Master): PartNeed[] {
  const ports = new Set(master.chambers.map((c) => c.port));
  const leaving = layout.stretches.filter((s) => ports.has(s.from));
  return [
    ...master.chambers.map((c) =>
      bore(
        `${c.id}:bore`,
        master.chambers.length > 1 ? `Bore, ${lowerFirst(c.name)}` : 'Bore',
        c.boreMm,
      ),
    ),
    count('ports', 'Ports for lines', leaving.length),
    ...leaving.flatMap((s) =>
      thread(`${s.id}:thread`, `Thread of the port for the ${lowerFirst(s.name)}`, null),
    ),
    asOld(
      'brakes',
      `Made for ${endsOf(layout, master)}`,
      'A master for other brakes has another stroke, or a residual valve in its ports.',
    ),
    asOld(
      'rod',
      'Rod length and seat',
      'A rod too long covers the port: the brake drags and cannot be bled.',
    ),
    asOld(
      'connector',
      'Level switch, connector, adapter',
      'What does not plug in is found now, not when it is full.',
    ),
  ];
}

function nodeNeeds(layout: Layout, node: LayoutNode): PartNeed[] {
  const before = layout.stretches.filter((s) => s.to === node.id);
  const after = layout.stretches.filter((s) => s.from === node.id);
  const threads = before.flatMap((s) =>
    thread(`${s.id}:thread`, `Thread for the ${lowerFirst(s.name)}`, s.nut),
  );
  if (isActuator(node)) {
    const bleeders = layout.bleeders.filter((b) => b.at === node.id);
    return [
      bore('piston', node.kind === 'caliper' ? 'Piston diameter' : 'Bore', node.pistonMm),
      count('pistons', 'Pistons', node.pistons),
      ...threads,
      count('bleeders', 'Bleeders', bleeders.length),
      ...bleeders.flatMap((b) =>
        thread(
          `${b.id}:thread`,
          `Thread of the bleeder${bleeders.length > 1 ? `, ${b.which ?? b.place}` : ''}`,
          b.fitting,
        ),
      ),
      asOld(
        'side',
        'Side and mounting',
        node.kind === 'slave'
          ? 'Flange, rod and travel as before.'
          : 'On the wrong side the bleeder is not at the top, and air stays.',
      ),
    ];
  }
  return [
    count('ports', 'Ports for lines', before.length + after.length),
    ...threads,
    ...(node.kind === 'valve'
      ? [
          asOld(
            'valve',
            `Kind: ${node.valve} valve${node.end ? `, ${node.end} half` : ''}`,
            'Another kind holds or cuts pressure where it must not.',
          ),
        ]
      : []),
    asOld(
      'unit',
      'Number on the unit, connector, bracket',
      'Units that look alike are coded to other vehicles.',
    ),
  ];
}

/** Of a hose or line, which may be several stretches: the whole length, and what is at its ends. */
function stretchNeeds(stretches: readonly Stretch[]): PartNeed[] {
  const lengthMm = stretches.reduce((sum, s) => sum + s.lengthMm, 0);
  const last = stretches.at(-1)!;
  return [
    {
      id: 'length',
      label: 'Length',
      kind: 'number',
      needed: inLayout('Length', lengthMm, 'mm'),
      tolerance: lengthMm * LENGTH_TOLERANCE,
    },
    ...thread('nut', 'Thread of its end', last.nut),
    asOld(
      'ends',
      'Both ends: flare, banjo or male, and their angle',
      'A flare of another shape leaks under pressure, whatever it is tightened to.',
    ),
    ...(last.kind === 'hose'
      ? [
          asOld(
            'run',
            'Reaches at full lock and full droop, not twisted',
            'A short or twisted hose tears where nobody looks.',
          ),
        ]
      : []),
  ];
}

const inLayout = (label: string, value: number, unit: 'mm' | 'times'): Figure =>
  figure({ label, value, unit, rule: 'in the layout of this vehicle', source: MODEL });
const bore = (id: string, label: string, mm: number): PartNeed => ({
  id,
  label,
  kind: 'number',
  needed: inLayout(label, mm, 'mm'),
  tolerance: BORE_TOLERANCE_MM,
});
const count = (id: string, label: string, n: number): PartNeed => ({
  id,
  label,
  kind: 'number',
  needed: inLayout(label, n, 'times'),
  tolerance: 0,
});
const asOld = (id: string, label: string, why: string): PartNeed => ({
  id,
  label,
  kind: 'as the old one',
  why,
});

/** The thread where somebody knows it; otherwise it is held beside the old one. */
function thread(id: string, label: string, fitting: Fitting | null): PartNeed[] {
  const needed = fitting && sizesOf(fitting).thread;
  return [
    needed
      ? { id, label, kind: 'thread', needed }
      : asOld(
          id,
          label,
          'Nobody put the thread down: two that nearly fit strip the first time they are tightened.',
        ),
  ];
}

/** Kinds of brake behind a master, as a person says them. */
function endsOf(layout: Layout, master: Master): string {
  if (master.system === 'clutch') return 'a clutch';
  const ways = paths(layout).filter((p) => p.master.id === master.id);
  const ends = (['front', 'rear'] as const).flatMap((end) => {
    const parts = ways
      .filter((p) => p.bleeder.place.includes(end))
      .map((p) => p.points.at(-1)!.node.kind);
    const kinds = [
      ...(parts.includes('caliper') ? ['discs'] : []),
      ...(parts.includes('wheel cylinder') ? ['drums'] : []),
    ];
    return kinds.length > 0 ? [`${kinds.join(' and ')} at the ${end}`] : [];
  });
  return ends.join(', ') || 'these brakes';
}
