export { controlsConcerned, partsInHand } from './controlsConcerned';
export { FOUND_WORDS, foundWords } from './foundAtIntake';
export { gateOf, lookedAtToo } from './gateOf';
export { doneAfterClose, jobSays, refitName, type JobSays } from './jobSays';
export type { JobAbout } from './writer';
export { knownFromRun } from './knownFromRun';
export {
  holds,
  isQuiet,
  MATTER_KINDS,
  type Matter,
  type MatterKind,
  type MatterWeight,
} from './matter';
export { owedWork, owesBleed, workTakenOver } from './takenOver';
export { usedGap } from './usedGap';
export { openMatters, vehicleDrive, type DriveFinding, type VehicleFacts } from './vehicle';
export { groupMatters, matterSettledBy, matterTitle, owesCount, type MatterGroup } from './words';
