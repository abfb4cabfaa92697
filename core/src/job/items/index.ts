export {
  CHECK_ITEMS,
  PROOF_ITEMS,
  type CheckItem,
  type DriveResult,
  type Proof,
  type ProofItem,
} from './proof';
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
export { askOf, CHECK_WORDS, CONTROL_CHECK_WORDS, type CheckWords } from './words';
