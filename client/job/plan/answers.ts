export type YesNo = 'yes' | 'no';
/** Nobody knows counts as the worse of the two. */
export type Answer = YesNo | 'unknown';

export const YES_NO = [
  { value: 'yes' as const, label: 'Yes' },
  { value: 'no' as const, label: 'No' },
];

/** Answers to a question that somebody may not be able to answer. */
export const ANSWERS = [...YES_NO, { value: 'unknown' as const, label: 'Nobody knows' }];
