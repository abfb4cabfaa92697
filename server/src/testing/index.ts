export { Brook, Caller, fullRun, goodProof, NOW, planOfJob, SEED, SOUND_FLUID } from './brook';
