export {
  BRETHERTON_LIMIT,
  boreFillingRiseMmS,
  bondNumber,
  levelDriftMmS,
  limitInsideMm,
  stokesRiseMmS,
  SURFACE_TENSION_NM,
  vianaFroude,
} from './bubbles';
export {
  columnPa,
  LAMINAR_REYNOLDS,
  reynolds,
  steadyFlowMlS,
  tubeResistance,
  velocityMmS,
} from './hydraulics';
export {
  METHOD_TRAITS,
  METHODS,
  USUAL_DAY,
  USUAL_MEANS,
  WORKSHOP_C,
  type Circumstances,
  type Means,
  type Method,
  type MethodKind,
  type MethodTraits,
} from './methods';
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
  alongSlope,
  risesAt,
  transport,
  type Carried,
  type Motion,
  type Rise,
  type StretchVerdict,
} from './transport';
export {
  CARRIED_WORDS,
  cureWords,
  METHOD_VERDICT_WORDS,
  METHOD_WORDS,
  methodWords,
  methodReasonWords,
} from './words';
