export { controlsConcerned } from './controlsConcerned';
export { gateOf } from './gateOf';
export { doneAfterClose, jobSays, type JobAbout, type JobSays } from './jobSays';
export { knownFromRun } from './knownFromRun';
export { holds, MATTER_KINDS, type Matter, type MatterKind, type MatterWeight } from './matter';
export { owedWork, owesBleed, workTakenOver } from './takenOver';
export { usedGap } from './usedGap';
export { openMatters, vehicleDrive, type DriveFinding, type VehicleFacts } from './vehicle';
export { groupMatters, matterSettledBy, matterTitle, type MatterGroup } from './words';
