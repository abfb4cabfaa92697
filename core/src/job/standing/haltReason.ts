/** What can stop a run. */
export const HALT_REASONS = [
  'ran dry',
  'seized',
  'snapped',
  'nothing comes',
  'air never ends',
  'tool stopped',
  'wrong part',
  'not as planned',
  'other size',
  'grease',
  'other product',
  'leak',
  'pedal not right',
] as const;
export type HaltReason = (typeof HALT_REASONS)[number];
