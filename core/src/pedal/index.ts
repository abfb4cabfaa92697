export {
  PEDAL_RESULTS,
  PEDAL_RESULT_WORDS,
  pedalPasses,
  type PedalResult,
  type PedalResultWords,
} from './resultWords';
