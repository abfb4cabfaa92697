export { CHECK_ITEMS, PROOF_ITEMS, type CheckItem, type DriveResult, type Proof } from './proof';
export { releaseGate, type GateAnswer, type GateReason, type GateVerdict } from './releaseGate';
export { CHECK_WORDS, gateWords } from './words';
