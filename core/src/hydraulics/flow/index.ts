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
  MOST_PRESSURE_KPA,
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
  alongSlope,
  risesAt,
  transport,
  type Carried,
  type Motion,
  type Rise,
  type StretchVerdict,
} from './transport';
