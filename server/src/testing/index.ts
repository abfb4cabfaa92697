export { Brook, Caller, fluidSeen, fullRun, goodProof, NOW, planOfJob, SEED, seen, SOUND_FLUID, usedFluid } from './brook';
