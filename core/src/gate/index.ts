export {
  CHECK_ITEMS,
  EMPTY_PROOF,
  PROOF_ITEMS,
  type CheckItem,
  type DriveResult,
  type Proof,
} from './proof';
export { releaseGate, type GateAnswer, type GateReason, type GateVerdict } from './releaseGate';
export { CHECK_WORDS, gateWords } from './words';
