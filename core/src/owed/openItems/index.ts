export { controlsConcerned, partsInHand } from './controlsConcerned';
export { FOUND_WORDS, foundWords } from './foundAtIntake';
export { gateOf, lookedAtToo } from './gateOf';
export { doneAfterClose } from './afterClose';
export { refitName, type JobSays } from './jobSays';
export { jobSays, saysByLogs, type JobByLogs } from './saysOf';
export type { JobAbout } from './writer';
export { knownFromRun } from './knownFromRun';
export { layoutFault } from './layoutKeeps';
export {
  clearsByLook,
  holds,
  isQuiet,
  OPEN_ITEM_KINDS,
  type OpenItem,
  type OpenItemKind,
  type OpenItemWeight,
} from './openItem';
export { planRequestOf, type JobChoices, type JobKnown } from './planRequest';
export { lookSettles, owedWork, owesBleed, workTakenOver } from './takenOver';
export { usedGap } from './usedGap';
export { openItems, vehicleDrive, type DriveFinding, type VehicleFacts } from './vehicle';
export {
  groupOpenItems,
  openItemClearsWhen,
  openItemTitle,
  owesCount,
  type OpenItemGroup,
} from './words';
