export { ApiDriver, type Answer, type DriversPhone, type Method } from './apiDriver';
export { fluidSeen, seen, SOUND_FLUID } from './given';
export { goodProof, planOfJob, runOnFrom, stateOfJob, usedFluid } from './rightAnswers';
