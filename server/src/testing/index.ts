export {
  fluidSeen,
  planOfJob,
  seen,
  SOUND_FLUID,
  stateOfJob,
  usedFluid,
} from '@brook/contract/apiDriver';
export { TestServer, Caller, fullRun, goodProof, newDatabase, NOW, SEED } from './testServer';
