import {
  howKnown,
  isActuator,
  knownTogether,
  partElements,
  paths,
  sizeFigure,
  sizesOf,
  type Fitting,
  type HowKnown,
  type Layout,
  type LayoutNode,
  type Master,
  type SizeFound,
  type Stretch,
} from '../circuit';
import type { Figure } from '../../base/figure';
import { lowerFirst } from '../../base/text';

/**
 * One thing in which a new part must agree with what the vehicle needs. A
 * number is measured on the new part and on the old one, and the maker's decides
 * where it is known: the layout's is a guess and only a hint. A thread that
 * was read on this vehicle is read on the new part too. A question is answered
 * by the part and its place, for the old one may itself be the wrong kind;
 * only what is seen on no part is held beside the old one.
 */
export type PartNeed = { readonly id: string; readonly label: string } & (
  | {
      readonly kind: 'number';
      readonly unit: 'mm' | 'times';
      /** What the layout has; decides nothing. */
      readonly guess: Figure;
      /** How that is known; null where it is a guess. */
      readonly known: HowKnown | null;
      /** How far two of them may be apart: in its unit, and as a share of the one that is wanted. */
      readonly tolerance: { readonly by: number; readonly share: number };
      /** Sizes of the layout that it is, of several stretches each its share. */
      readonly sizes: readonly (Omit<SizeFound, 'value'> & { readonly share: number })[];
    }
  | { readonly kind: 'thread'; readonly needed: string }
  | { readonly kind: 'question'; readonly why: string }
  | { readonly kind: 'as the old one'; readonly why: string }
);

/** How far two measured bores or pistons may be apart, mm: callipers and rounding [M]. */
const BORE_TOLERANCE_MM = 0.15;
/** How far a length may be, as a share [M]. */
const LENGTH_TOLERANCE = 0.05;

/**
 * What a new part must agree with, from the layout: bore, pistons, number of
 * ports, threads, kinds of brake at each end.
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
      diameter(
        `${c.id}:bore`,
        master.chambers.length > 1 ? `Bore, ${lowerFirst(c.name)}` : 'Bore',
        c.boreMm,
        { elementId: c.id, size: 'boreMm' },
        howKnown(c, 'boreMm'),
      ),
    ),
    ...leaving.map((s) => starts(s, 'its port')),
    question(
      'brakes',
      `By its number or the maker’s list made for ${endsOf(layout, master)}?`,
      'A master for other brakes has another stroke, or a residual valve in its ports. The old one may have been the wrong kind.',
    ),
    {
      id: 'rod',
      label: 'Rod length and seat',
      kind: 'as the old one',
      why: 'A rod too long covers the port: the brake drags and cannot be bled.',
    },
    question(
      'connector',
      'Do level switch, connector and adapter plug in?',
      'What does not plug in is found now, not when it is full.',
    ),
  ];
}

function nodeNeeds(layout: Layout, node: LayoutNode): PartNeed[] {
  const before = layout.stretches.filter((s) => s.to === node.id);
  const after = layout.stretches.filter((s) => s.from === node.id);
  if (isActuator(node)) {
    const bleeders = layout.bleeders.filter((b) => b.at === node.id);
    return [
      diameter(
        'piston',
        node.kind === 'caliper' ? 'Piston diameter' : 'Bore',
        node.pistonMm,
        { elementId: node.id, size: 'pistonMm' },
        howKnown(node, 'pistonMm'),
      ),
      {
        id: 'pistons',
        label: 'Pistons',
        kind: 'number',
        unit: 'times',
        ...inLayout('Pistons', node.pistons, 'times', howKnown(node, 'pistons')),
        tolerance: { by: 0, share: 0 },
        sizes: [{ elementId: node.id, size: 'pistons', share: 1 }],
      },
      ...before.map((s) => starts(s, 'the new part')),
      ...(node.kind === 'slave'
        ? [
            question(
              'side',
              'Do flange, rod and travel fit?',
              'A slave of another travel does not clear the clutch, or runs past its end.',
            ),
          ]
        : [
            question(
              'side',
              bleeders.length > 1
                ? `Held in its place: do all ${bleeders.length} bleeders stand at the top?`
                : 'Held in its place: does its bleeder stand at the top?',
              'Left and right look alike. On the wrong side the counts run clean and air stays above the bleeder.',
            ),
          ]),
    ];
  }
  return [
    ...[...before, ...after].map((s) => starts(s, 'its port')),
    ...(node.kind === 'valve'
      ? [
          question(
            'valve',
            `By its number or the maker’s list a ${node.valve} valve${node.end ? `, ${node.end} half` : ''}?`,
            'Another kind holds or cuts pressure where it must not. The old one may have been the wrong kind.',
          ),
        ]
      : []),
    question(
      'unit',
      'Is its number in the maker’s list, and do connector and bracket fit?',
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
      unit: 'mm',
      ...inLayout(
        'Length',
        lengthMm,
        'mm',
        knownTogether(stretches.map((s) => howKnown(s, 'lengthMm'))),
      ),
      tolerance: { by: 0, share: LENGTH_TOLERANCE },
      sizes: stretches.map((s) => ({
        elementId: s.id,
        size: 'lengthMm',
        share: s.lengthMm / lengthMm,
      })),
    },
    ...readThread('nut', 'Thread of its end', last.nut),
    question(
      'ends',
      'Do both its ends match their seats, and start by hand?',
      'A flare, banjo or male end of another shape leaks under pressure, whatever it is tightened to. Two threads that nearly fit strip the first time.',
    ),
    ...(last.kind === 'hose'
      ? [
          question(
            'run',
            'Does it reach at full lock and full droop, not twisted?',
            'A short or twisted hose tears where nobody looks.',
          ),
        ]
      : []),
  ];
}

const inLayout = (
  label: string,
  value: number,
  unit: 'mm' | 'times',
  known: HowKnown | null,
): { readonly guess: Figure; readonly known: HowKnown | null } => ({
  guess: sizeFigure(label, value, unit, known),
  known,
});
const diameter = (
  id: string,
  label: string,
  mm: number,
  of: Omit<SizeFound, 'value'>,
  known: HowKnown | null,
): PartNeed => ({
  id,
  label,
  kind: 'number',
  unit: 'mm',
  ...inLayout(label, mm, 'mm', known),
  tolerance: { by: BORE_TOLERANCE_MM, share: 0 },
  sizes: [{ ...of, share: 1 }],
});
const question = (id: string, label: string, why: string): PartNeed => ({
  id,
  label,
  kind: 'question',
  why,
});

/** The vehicle's own line or hose tells whether a thread is right. */
const starts = (stretch: Stretch, where: string): PartNeed =>
  question(
    `${stretch.id}:thread`,
    `${stretch.name}: does it start by hand in ${where}?`,
    'Slight resistance, no force: two threads that nearly fit strip the first time they are tightened.',
  );

/** A thread that somebody read on this vehicle. */
function readThread(id: string, label: string, fitting: Fitting | null): PartNeed[] {
  const needed = fitting?.found ? sizesOf(fitting).thread : null;
  return needed ? [{ id, label, kind: 'thread', needed }] : [];
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
