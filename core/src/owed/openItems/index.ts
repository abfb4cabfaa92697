export { controlsConcerned, partsInHand } from './controlsConcerned';
export { FOUND_WORDS, foundWords } from './foundAtIntake';
export { gateOf, lookedAtToo } from './gateOf';
export { doneAfterClose, jobSays, refitName, type JobSays } from './jobSays';
export type { JobAbout } from './writer';
export { knownFromRun } from './knownFromRun';
export {
  holds,
  isQuiet,
  OPEN_ITEM_KINDS,
  type OpenItem,
  type OpenItemKind,
  type OpenItemWeight,
} from './openItem';
export { planRequestOf, type JobChoices, type JobKnown } from './planRequest';
export { owedWork, owesBleed, workTakenOver } from './takenOver';
export { usedGap } from './usedGap';
export { openItems, vehicleDrive, type DriveFinding, type VehicleFacts } from './vehicle';
export {
  groupOpenItems,
  openItemClearsWhen,
  openItemTitle,
  owesCount,
  type OpenItemGroup,
} from './words';
