/** Where a job stands on the way. The last two are ends. */
export const JOB_STAGES = [
  'fluid',
  'plan',
  'run',
  'proof',
  'test drive',
  'released',
  'ended',
] as const;
export type JobStage = (typeof JOB_STAGES)[number];

/** The pools of the way, in order; intake is done when the job exists. */
export const WAY = ['intake', 'fluid', 'plan', 'run', 'proof', 'release'] as const;
export type WayStep = (typeof WAY)[number];

/** What is next, in words for a list. */
export const NEXT_WORDS: Readonly<Record<JobStage, string>> = {
  fluid: 'Next: read the cap, look at the fluid',
  plan: 'Next: look at the plan',
  run: 'Next: bleed',
  proof: 'Next: prove pedal and joints',
  'test drive': 'Next: test drive, then release',
  released: 'Released',
  ended: 'Ended, not released',
};

/** The step of the way that a stage belongs to. */
export function wayStep(stage: JobStage): WayStep | null {
  if (stage === 'test drive' || stage === 'released') return 'release';
  return stage === 'ended' ? null : stage;
}

/** Whether nothing more can be changed on the job. */
export function isClosed(stage: JobStage): boolean {
  return stage === 'released' || stage === 'ended';
}
