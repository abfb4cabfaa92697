export {
  MAY_OVERRIDE,
  mayLetGo,
  ofWhat,
  releaseGate,
  type GateAnswer,
  type GateInput,
  type GateReason,
  type GateVerdict,
} from './releaseGate';
export { gateWords, MISSING_MEASURE_WORDS, takeUpWords } from './words';
