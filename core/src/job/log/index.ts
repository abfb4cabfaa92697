export {
  CAME_OFF,
  isOfRun,
  MEDIA,
  LOOK_LATER,
  isPhoneEvent,
  type AcceptedPick,
  type CameOff,
  type DeskHappening,
  FLUID_READ_VERSION,
  type FluidRead,
  type FluidUsedEntry,
  type JobEvent,
  type JobEventKind,
  type LookLater,
  type MediaNote,
  type Medium,
  type PhoneHappening,
  type ProofHappening,
  type RefitHappening,
  type VehicleEvent,
  type VehicleHappening,
} from './event';
export { refitOf, type Refit } from './refit';
export { takenBackIn, undoneIds } from './undo';
export {
  NO_PROOF,
  touches,
  type Answered,
  type ProofAnswer,
  type ProofPhoto,
  type ProofItem,
  type ProofState,
  type Voided,
} from './proof';
export {
  driveInForce,
  NEW_JOB,
  proofOf,
  stageOf,
  type JobState,
  type LoggedOf,
  type TestDrive,
} from './state';
export { addToJob, foldJob } from './fold';
export { followProof } from './followProof';
export { isSuperfluous, jobEventFault, MOST_MEDIA_NOTES, type Believable } from './checkEvent';
export { unseenStrokes } from './unseen';
export { runningClocks, type RunningClock } from './clocks';
export {
  judgedByMeasure,
  measuredAt,
  measuredNow,
  measuringOf,
  type Measuring,
  type TakeUpRead,
} from './measured';
export { controlsOnRecord, type ControlOnRecord } from './onRecord';
export { clutchNeedOf, type ClutchNeed } from './clutchNeed';
export {
  isOpenedSince,
  jointsOf,
  lookAgainOf,
  manualTorqueOf,
  tightnessOf,
  type LookAgain,
  type ManualTorque,
} from './lookAgain';
export { overriddenWords, overridesOf, type Overridden } from './overrides';
