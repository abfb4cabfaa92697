import { convertTorque, inRange, rangeWords, type Range, type TorqueUnit } from '../../base/units';

/** Torques that a joint of these lines can be meant to have [M]: what lies outside is a slip of the unit or of the finger. */
export const JOINT_NM: Range = { what: 'Torque of a joint', unit: 'N·m', least: 1, most: 120 };
/** Bleeders are hollow: small values [M]. */
export const BLEEDER_NM: Range = { what: 'Torque of a bleeder', unit: 'N·m', least: 2, most: 25 };

export const TORQUE_UNITS: readonly TorqueUnit[] = ['N·m', 'lbf·ft', 'lbf·in'];

/**
 * A torque in both families of units, so that a slip of the unit is seen.
 *
 * @example torquePair(10.8) is "10.8 N·m = 8.0 lbf·ft = 96 lbf·in"
 */
export const torquePair = (torqueNm: number): string =>
  `${torqueNm.toFixed(1)} N·m = ${convertTorque(torqueNm, 'N·m', 'lbf·ft').toFixed(1)} lbf·ft = ${convertTorque(torqueNm, 'N·m', 'lbf·in').toFixed(0)} lbf·in`;

/** What cannot be about a torque, with what would be right in both units; null where it can. */
export function torqueFault(torqueNm: number, bleeder: boolean): string | null {
  const range = bleeder ? BLEEDER_NM : JOINT_NM;
  if (inRange(range, torqueNm)) return null;
  const most = convertTorque(range.most, 'N·m', 'lbf·ft').toFixed(0);
  return `${range.what} should be ${rangeWords(range)} (up to ${most} lbf·ft); look at the unit.`;
}

/** What was said of one joint: the manual's value, and what was applied; null is by feel. */
export interface JointTorque {
  readonly manualNm: number | null;
  readonly appliedNm: number | null;
}

/** Above the manual's value by less than a wrench tells is not above [M]: a good one is right to 4 %. */
const WRENCH_SHARE = 0.04;

/** Beyond these shares of the manual's value a joint holds the vehicle [C]: stretched, or not tight. */
const FAR_ABOVE = 1.2;
const BELOW = 0.9;

/** Why a joint is looked at again. */
export type JointAgain = 'far above' | 'above' | 'below' | 'by feel';

/** Why a joint is looked at again: against the manual's value, or by feel; null where it is as it should be. */
export function jointAgain({ manualNm, appliedNm }: JointTorque): JointAgain | null {
  if (appliedNm === null) return 'by feel';
  if (manualNm === null) return null;
  if (appliedNm > manualNm * FAR_ABOVE) return 'far above';
  if (appliedNm > manualNm * (1 + WRENCH_SHARE)) return 'above';
  return appliedNm < manualNm * BELOW ? 'below' : null;
}

/** Whether a joint as it was tightened holds the vehicle. */
export const jointHolds = (joint: JointTorque): boolean =>
  ['far above', 'below'].includes(jointAgain(joint) ?? '');

/** What was said of a joint, as it is printed: by feel is never a torque. */
export function jointWords(joint: JointTorque): string {
  const { manualNm, appliedNm } = joint;
  const manual =
    manualNm === null ? 'the manual’s value was not looked up' : `manual ${torquePair(manualNm)}`;
  if (appliedNm === null) return `tightened by feel; ${manual}`;
  const again = jointAgain(joint);
  const against = again === null || again === 'by feel' ? '' : `, ${again} it`;
  return `tightened to ${torquePair(appliedNm)}; ${manual}${against}`;
}
