export { ANGLE_DEG, crowFootSettingNm, EXTENSION_MM, WRENCH_MM } from './crowFoot';
export {
  BLEEDER_NM,
  jointAgain,
  JOINT_NM,
  jointWords,
  TORQUE_UNITS,
  torqueFault,
  torquePair,
  type JointTorque,
} from './joint';
