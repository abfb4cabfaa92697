export {
  Brook,
  Caller,
  emptyDatabase,
  fluidSeen,
  fullRun,
  goodProof,
  NOW,
  planOfJob,
  SEED,
  seen,
  SOUND_FLUID,
  usedFluid,
} from './brook';
