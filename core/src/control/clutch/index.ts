export {
  BLOCKED_ROD_MM,
  blockedTells,
  clutchSet,
  SLAVE_READING_MM,
  slavePasses,
  slaveTests,
  type SlaveReading,
  type SlaveTest,
  type SlaveWay,
} from './slaveTest';
export {
  FREE_PLAY_MM,
  PITCH_MM,
  pushrodTurns,
  type PlayAt,
  type PushrodPass,
  type PushrodTurns,
} from './pushrod';
export { airTakes, SLAVE_NEED_MM, slaveTravel, type SlaveTravelInput } from './slaveTravel';
export {
  airOrRod,
  PLAY_MM,
  PUMPED_WITHIN_MM,
  TAKE_UP_MM,
  TAKE_UPS,
  takeUpOf,
  type TakeUp,
} from './takeUp';
