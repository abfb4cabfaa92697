export {
  PEDAL_RESULTS,
  PEDAL_RESULT_WORDS,
  pedalPasses,
  type PedalResult,
  type PedalResultWords,
} from './resultWords';
export { ambientMPaAt, SEA_LEVEL_MPA } from './ambient';
export { airOf, airWords, mayHideMl, type AirLeft } from './airWords';
export { isSamePlace, type At, type Reading } from './reading';
export {
  curveOf,
  forcesFor,
  lostShare,
  pressureMPa,
  travelMm,
  type Curve,
  type Forces,
  type WorkedBy,
} from './curve';
export {
  judgedWords,
  judgeMeasured,
  JUDGED_BY,
  TWO_FINGERS_MM,
  type Judged,
  type MissingMeasure,
} from './judge';
export { pedalSetup, type PedalSetup } from './setup';
export {
  FORCE_N,
  HEIGHT_MM,
  heightFault,
  isSinking,
  heldAs,
  workedBy,
  judgeControl,
  MEASURED_WHEN,
  measuresFor,
  readingWords,
  SINK_S,
  SUNK_MM,
  wasTaken,
  wholeForces,
  worseResult,
  type Measure,
  type ControlMeasured,
  type MeasuredReading,
  type MeasuredWhen,
  type SinkWatched,
  type Sinking,
} from './measured';
export { airTrend, FIRST_MEASURE, trendWords, type Trend, type TrendPoint } from './trend';
export { heldLoss, heldWords, TWO_READINGS_MM, type HoldWatch, type HoldLoss } from './hold';
