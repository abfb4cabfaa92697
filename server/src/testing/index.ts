export {
  Brook,
  Caller,
  newDatabase,
  fluidSeen,
  fullRun,
  goodProof,
  NOW,
  planOfJob,
  SEED,
  seen,
  SOUND_FLUID,
  stateOfJob,
  usedFluid,
} from './brook';
export { jobsOf } from './jobs';
