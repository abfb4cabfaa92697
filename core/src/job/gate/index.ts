export { TAKE_UPS, type TakeUp } from '../../control/clutch';
export { CHECK_ITEMS, PROOF_ITEMS, type CheckItem, type DriveResult, type Proof } from './proof';
export {
  CONTROL_CHECKS,
  controlProof,
  NOTHING_TRIED,
  takeUpPasses,
  WATCHED_S,
  type ControlAnswers,
  type ControlCheck,
  type ControlProof,
} from './controls';
export {
  MAY_OVERRIDE,
  mayLetGo,
  ofWhat,
  releaseGate,
  type GateAnswer,
  type GateInput,
  type GateReason,
  type GateVerdict,
  type Overridable,
} from './releaseGate';
export {
  CHECK_WORDS,
  CONTROL_CHECK_WORDS,
  gateWords,
  MISSING_MEASURE_WORDS,
  takeUpWords,
} from './words';
