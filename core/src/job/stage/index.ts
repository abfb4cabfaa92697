export {
  isClosed,
  JOB_STAGES,
  NEXT_WORDS,
  WAY,
  wayStep,
  type JobStage,
  type WayStep,
} from './stage';
export { DRIVE_STATES, type DriveState } from './driveState';
