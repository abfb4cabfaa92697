export { ANGLE_DEG, crowFootSettingNm, EXTENSION_MM, WRENCH_MM } from './crowFoot';
export {
  BLEEDER_NM,
  jointAgain,
  jointHolds,
  JOINT_NM,
  jointWords,
  TORQUE_UNITS,
  torqueFault,
  torquePair,
  type JointAgain,
  type JointTorque,
} from './joint';
