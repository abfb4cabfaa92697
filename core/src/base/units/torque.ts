/** Units of torque a person may read a wrench in. Stored: N·m. */
export type TorqueUnit = 'N·m' | 'lbf·ft' | 'lbf·in';

/**
 * Newton metres in one of each unit: a foot of 0.3048 m by a pound-force of
 * 4.4482216152605 N, both exact (NIST SP 811, appendix B).
 */
export const NM_PER: Readonly<Record<TorqueUnit, number>> = {
  'N·m': 1,
  'lbf·ft': 0.3048 * 4.4482216152605,
  'lbf·in': 0.0254 * 4.4482216152605,
};

/** Convert a torque between two units. @example convertTorque(8, 'lbf·ft', 'N·m') is 10.8 */
export function convertTorque(value: number, from: TorqueUnit, to: TorqueUnit): number {
  return (value * NM_PER[from]) / NM_PER[to];
}
