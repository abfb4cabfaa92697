export {
  PEDAL_RESULTS,
  PEDAL_RESULT_WORDS,
  pedalPasses,
  type PedalResult,
  type PedalResultWords,
} from './resultWords';
export {
  airFor,
  airLeft,
  airWords,
  RULER_MM,
  type AirLeft,
  type At,
  type Reading,
} from './airLeft';
export {
  curveOf,
  forcesFor,
  lostShare,
  pressureMPa,
  SEA_LEVEL_MPA,
  travelMm,
  type Curve,
  type Forces,
} from './curve';
export {
  judgeMeasured,
  JUDGED_BY,
  TWO_FINGERS_MM,
  type Judged,
  type MissingMeasure,
} from './judge';
export { pedalSetup, type PedalSetup } from './setup';
export { normals } from './normals';
export { ruled } from './ruled';
