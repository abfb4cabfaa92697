import {
  howKnown,
  isActuator,
  paths,
  sizeFigure,
  VEHICLE_TRAITS,
  type Layout,
  type LayoutNode,
} from '../../vehicle/circuit';
import { figure, MODEL, PRACTICE, type Figure } from '../../base/figure';
import type { Range } from '../../base/units';

/**
 * How a clutch is proved to be free of air. 'blocked': the slave's piston is
 * held and the master pushed; only where it can be held without touching its
 * bore. 'travel': the slave's travel is measured in place. 'take-up': the slave
 * cannot be seen, so the height of the take-up and the reverse gear tell.
 */
export type SlaveWay = 'blocked' | 'travel' | 'take-up';

export interface SlaveTest {
  readonly slaveId: string;
  readonly way: SlaveWay;
  /** What the reading is held against: rod travel at the most, slave travel at the least; null where the layout knows no limit. */
  readonly limitMm: Figure | null;
  /** Whether the vehicle has no reverse gear to try it with; left out: it has one. */
  readonly noReverse?: boolean;
}

/** What somebody measured, and how reverse went in where that tells. */
export interface SlaveReading {
  readonly mm: number;
  readonly reverse: 'clean' | 'grates' | null;
}

/** Rod travel of the master with the slave blocked, under which it is bled: 1/8 in [C]. */
export const BLOCKED_ROD_MM = 3.2;
/** Share of the travel by volume that a slave free of air shows; the rest is widening of hoses and seals [M]. */
const LEAST_TRAVEL_SHARE = 0.85;

/**
 * What the rod's travel tells with the slave blocked: nothing that fluid could
 * do is left but to give, so what moves far has air in it, or a master that
 * lets past.
 */
export const blockedTells = (rodMm: number): 'sound' | 'air or master' =>
  rodMm < BLOCKED_ROD_MM ? 'sound' : 'air or master';

/** A travel or a height that can be measured at a clutch, mm [M]. */
export const SLAVE_READING_MM: Range = { what: 'Reading', unit: 'mm', least: 0, most: 300 };

/** The tests for the slaves behind some bleeders, each once. */
export function slaveTests(layout: Layout, bleederIds: readonly string[]): SlaveTest[] {
  const slaves = layout.nodes
    .filter(isSlave)
    .filter((n) => layout.bleeders.some((b) => b.at === n.id && bleederIds.includes(b.id)));
  return slaves.map((slave) => {
    const way: SlaveWay = slave.holdable ? 'blocked' : slave.inGearbox ? 'take-up' : 'travel';
    const noReverse = !VEHICLE_TRAITS[layout.vehicleKind].reverseGear;
    return { slaveId: slave.id, way, limitMm: limitFor(layout, slave, way), noReverse };
  });
}

/** Whether a reading proves the clutch; a take-up height alone proves nothing without reverse going in clean. */
export function slavePasses(test: SlaveTest, { mm, reverse }: SlaveReading): boolean {
  const shifts = test.noReverse === true || reverse === 'clean';
  switch (test.way) {
    case 'blocked':
      return mm < test.limitMm!.value;
    case 'travel':
      return mm >= test.limitMm!.value && shifts;
    case 'take-up':
      // Without a reverse gear the clutch's own proof tells; a height of nothing is no take-up.
      return mm > 0 && shifts;
  }
}

/** Whether the whole set of a clutch can lie on the bench: its slave is outside. */
export function clutchSet(layout: Layout, masterId: string): boolean {
  const master = layout.masters.find((m) => m.id === masterId);
  const slaves = paths(layout).flatMap((p) =>
    p.master.id === masterId ? [p.points.at(-1)!.node] : [],
  );
  return master?.system === 'clutch' && slaves.every((n) => n.kind === 'slave' && !n.inGearbox);
}

type Slave = Extract<LayoutNode, { kind: 'slave' }>;
const isSlave = (n: LayoutNode): n is Slave => isActuator(n) && n.kind === 'slave';

function limitFor(layout: Layout, slave: Slave, way: SlaveWay): Figure | null {
  if (way === 'take-up') return null;
  if (way === 'blocked')
    return figure({
      label: 'Rod travel, less than',
      value: BLOCKED_ROD_MM,
      unit: 'mm',
      rule: '1/8 in: fluid hardly gives, air does',
      source: PRACTICE,
    });
  const { chamber } = paths(layout).find((p) => p.points.at(-1)!.node.id === slave.id)!;
  const byVolume = figure({
    label: 'Slave travel by volume',
    value: (chamber.boreMm ** 2 * chamber.fullStrokeMm) / (slave.pistonMm ** 2 * slave.pistons),
    unit: 'mm',
    rule: 'what the master pushes out in its full stroke ÷ area of the slave’s piston: d² · stroke ÷ D²',
    source: MODEL,
    from: [
      sizeFigure('Bore of the master', chamber.boreMm, 'mm', howKnown(chamber, 'boreMm')),
      sizeFigure('Full stroke', chamber.fullStrokeMm, 'mm', howKnown(chamber, 'fullStrokeMm')),
      sizeFigure('Piston of the slave', slave.pistonMm, 'mm', howKnown(slave, 'pistonMm')),
    ],
  });
  return figure({
    label: 'Slave travel, at least',
    // To the tenth that is shown: what is read and what is tested is the same number.
    value: Math.round(10 * byVolume.value * LEAST_TRAVEL_SHARE) / 10,
    unit: 'mm',
    rule: `${LEAST_TRAVEL_SHARE * 100} % of it, to a tenth: hoses and seals give a little. The maker’s figure wins`,
    source: MODEL,
    from: [byVolume],
  });
}
