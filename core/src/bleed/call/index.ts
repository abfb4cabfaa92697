export {
  CLOSED_PHASES,
  CLOSED_SIGNALS,
  CLOSED_STROKES,
  OPEN_PHASES,
  type ClosedPhase,
  type ClosedSignal,
} from './closedStrokes';
export { brokenCue, callOf, closedCue, cueOf, hoseCue, type Called, type Cue } from './cues';
export {
  HELPER_SIGNALS,
  helperCue,
  helperHears,
  letGoCue,
  mustHold,
  wrenchCue,
  type HelperCue,
  type HelperSignal,
} from './helper';
export { hear, type CallMachine, type PhaseAfter, type CallResult } from './machine';
export { HOSE_PHASES, HOSE_SIGNALS, OPEN_HOSE, type HosePhase, type HoseSignal } from './openHose';
export { SHAPE_WORDS, type ShapeWords } from './shape';
export { beatTells, tempoOf, type Beat, type Tempo } from './tempo';
