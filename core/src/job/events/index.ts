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
  happeningFault,
  happeningWords,
  isBadAnswer,
  isBeforePlan,
  isByPhone,
  isOfRun,
  isPhoneEvent,
  opensOf,
  partOf,
  settledBy,
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
export { COUNT_WAYS, type CountWay } from './counting';
export { MOST_MADE } from './stroke';
export { BROKEN_ROUNDS, type BrokenRound } from './roundBroken';
export { BUBBLE_READINGS, type BubbleReading } from './bubbles';
export { TRIES, TRY_WORDS, type Try } from './tried';
export { type JarShare } from './jarRead';
export { type Tightened } from './shut';
export { HALT_REASONS, type HaltReason } from './haltReason';
export { HALTS_AT_BLEEDER, HALT_WORDS } from './halted';
export { DECISIONS, DECISIONS_ON, DECISION_WORDS, type Decision, type Onward } from './decided';
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
