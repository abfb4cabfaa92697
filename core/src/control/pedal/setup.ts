import { chambersOf, isActuator, paths, type Layout, type Master } from '../../vehicle/circuit';
import { figure, MODEL, type Figure } from '../../base/figure';
import { ambientMPaAt } from './ambient';

/** What lies between the foot or hand and the pads, as far as it tells travel from force. */
export interface PedalSetup {
  readonly masterId: string;
  /** Pedal or lever ratio. */
  readonly ratio: number;
  /** Area of the bore that the rod pushes, mm². */
  readonly areaMm2: number;
  /** Local pressure of the air, MPa. */
  readonly ambientMPa: number;
  /** What the return springs hold back at the rod, N. */
  readonly preloadN: Figure;
  /** Travel of the rod before the port is covered, mm. */
  readonly playMm: Figure;
  /** What the pads or shoes take until they touch, mL. */
  readonly clearanceMl: Figure;
  /** What hoses and actuators widen by, mL a MPa. */
  readonly complianceMlPerMPa: Figure;
}

/** Return springs' preload at the rod, N, and how far it may be off [M]. */
const PRELOAD_N = { value: 100, plusMinus: 50 } as const;
/** Rod travel until the seal has passed the port, mm [M]. */
const PLAY_MM = { value: 1.2, plusMinus: 0.6 } as const;
/** Widening of an actuator, its pads or shoes among it, mL a MPa for each cm² of piston [M]. */
const ACTUATOR_ML_PER_MPA_CM2 = 0.0025;
/** Pads of a disc are not drawn back with their pistons: of the pistons' way a first stroke finds so much open [M]. */
const PADS_STAND_OFF = 0.5;
/** How far the computed compliance may be off, as a share [M]: linings, ages and makes differ. */
const COMPLIANCE_SHARE = 0.5;
/** How far the computed clearance may be off, as a share [M]. */
const CLEARANCE_SHARE = 0.6;
/** Of the widening at which a hose may still be sold, what one in use widens by [M]. */
const HOSE_SHARE_OF_LIMIT = 0.5;
/** Pressure at which the widening of a hose is stated, MPa (1000 psi). */
const WIDENING_AT_MPA = 6.895;

const areaMm2 = (diameterMm: number): number => (Math.PI * diameterMm * diameterMm) / 4;

/** Elements that a master works on, each once. */
function elementsOf(layout: Layout, master: Master): ReadonlySet<string> {
  const chambers = new Set(master.chambers.map((c) => c.id));
  return new Set(
    paths(layout)
      .filter((p) => chambers.has(p.chamber.id))
      .flatMap((p) => [...p.points.map((x) => x.node.id), ...p.stretches.map((s) => s.id)]),
  );
}

/**
 * What the layout says of a pedal or lever: the springs, the clearance and the
 * widening are a model, corrected by this vehicle's own readings.
 *
 * @param altitudeM where it is measured, −400 to 5000 m
 * @throws RangeError where the layout has no such master, or nobody works so high
 */
export function pedalSetup(layout: Layout, masterId: string, altitudeM = 0): PedalSetup {
  const master = layout.masters.find((m) => m.id === masterId);
  if (!master) throw new RangeError(`there is no master "${masterId}" in this layout`);
  const own = elementsOf(layout, master);
  const actuators = layout.nodes.filter(isActuator).filter((n) => own.has(n.id));
  const hoses = layout.stretches.filter((s) => own.has(s.id) && s.wideningMlPerM !== null);
  const pistonsMm2 = (n: (typeof actuators)[number]) => n.pistons * areaMm2(n.pistonMm);
  const clearanceMl = actuators.reduce(
    (sum, n) =>
      sum + (pistonsMm2(n) * n.retractionMm * (n.kind === 'caliper' ? PADS_STAND_OFF : 1)) / 1000,
    0,
  );
  const hoseMl = hoses.reduce(
    (sum, s) =>
      sum + (HOSE_SHARE_OF_LIMIT * s.wideningMlPerM! * s.lengthMm) / 1000 / WIDENING_AT_MPA,
    0,
  );
  const partMl = actuators.reduce(
    (sum, n) => sum + (pistonsMm2(n) / 100) * ACTUATOR_ML_PER_MPA_CM2,
    0,
  );
  // The rod pushes the first chamber; the second floats behind it in the same bore.
  const [pushed] = chambersOf(layout).filter((c) => c.master.id === masterId);
  return {
    masterId,
    ratio: master.ratio,
    areaMm2: areaMm2(pushed!.chamber.boreMm),
    ambientMPa: ambientMPaAt(altitudeM),
    preloadN: figure({
      label: 'Return springs, at the rod',
      ...PRELOAD_N,
      unit: 'N',
      rule: 'a usual preload; fitted from the readings where they tell',
      source: MODEL,
    }),
    playMm: figure({
      label: 'Rod travel until the port is covered',
      ...PLAY_MM,
      unit: 'mm',
      rule: 'a usual play and the way of the seal past its port',
      source: MODEL,
    }),
    clearanceMl: figure({
      label: 'Clearance of pads or shoes',
      value: clearanceMl,
      plusMinus: CLEARANCE_SHARE * clearanceMl,
      unit: 'mL',
      rule: 'pistons × area × how far they are drawn back, of a disc half of it: its pads stay where they were',
      source: MODEL,
    }),
    complianceMlPerMPa: figure({
      label: 'Widening of hoses and actuators',
      value: hoseMl + partMl,
      plusMinus: COMPLIANCE_SHARE * (hoseMl + partMl),
      unit: 'mL/MPa',
      rule: `hoses by half of their stated widening at 6.9 MPa, which is a limit, actuators ${ACTUATOR_ML_PER_MPA_CM2} mL a MPa for each cm² of piston`,
      source: MODEL,
    }),
  };
}
