export {
  decidingStretch,
  rankMethods,
  type BleederFlow,
  type Cure,
  type DecidingStretch,
  type MethodQuestion,
  type MethodReason,
  type MethodRow,
  type MethodVerdict,
} from './rank';
export {
  CARRIED_WORDS,
  cureWords,
  METHOD_VERDICT_WORDS,
  METHOD_WORDS,
  methodWords,
  methodReasonWords,
} from './words';
