export type { EventBase, Logged, Order } from './base';
export { hadHeard, heardThrough, heardUpTo, positionOf, type Heard } from './heard';
export type { Known, Names, Voids } from './kind';
export { OPEN_ITEM_KINDS, type Brought, type OpenItemKind } from './brought';
export { namesIn } from './names';
export type { Product } from './product';
export { airBehindPart, broughtByHalt, modulatorsOf } from './places';
export { elementFault } from './faults';
export {
  answerOf,
  bearsOnDriving,
  foldOf,
  happeningFault,
  happeningWords,
  isBadAnswer,
  isBeforePlan,
  isByPhone,
  isOfRun,
  isPhoneEvent,
  keepsOf,
  keptOf,
  opensOf,
  partOf,
  settledBy,
  undoOf,
  voidsOf,
  type DeskHappening,
  type HappeningOf,
  type JobEvent,
  type JobEventKind,
  type PhoneHappening,
  type ProofHappening,
  type RunEvent,
  type RunHappening,
  type VehicleEvent,
  type VehicleHappening,
} from './registry';
export { MOST_MADE } from './stroke';
export { BROKEN_ROUNDS, type BrokenRound } from './roundBroken';
export { TRY_WORDS } from './tried';
export { HALTS_AT_BLEEDER, HALT_WORDS } from './halted';
export { DECISIONS_ON, DECISION_WORDS, isOnward, type Onward } from './decided';
export { MENDABLE } from './mended';
export { type MasterJoined } from './masterFitted';
export { MEDIA, MEDIUM_WORDS, MOST_MEDIA_NOTES, type Medium } from './mediaNote';
export { CAME_OFF, opensCircuit, opensControl, type CameOff } from './cameOff';
export { LOOK_LATER, type LookLater } from './lookLater';
export { FLUID_READ_VERSION, type FluidRead } from './fluidRead';
export { type AcceptedPick } from './planAccepted';
export { type FluidUsedEntry } from './fluidUsed';
export { type Overridable } from './overridden';
export type { StageEvent } from './stageEvent';
export {
  BUBBLE_READINGS,
  COUNT_WAYS,
  DECISIONS,
  HALT_REASONS,
  TRIES,
  type BubbleReading,
  type CountWay,
  type Decision,
  type HaltReason,
  type JarShare,
  type Tightened,
  type Try,
} from '../standing';
