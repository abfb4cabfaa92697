import type { FieldFault } from '@brook/contract';

/** The kinds of refusal this server knows; each maps to one status and one `type`. */
export const PROBLEM_KINDS = {
  invalid: { status: 422, title: 'Something entered cannot be right' },
  'signed-out': { status: 401, title: 'Sign in first' },
  forbidden: { status: 403, title: 'Not allowed' },
  'not-found': { status: 404, title: 'Not found' },
  conflict: { status: 409, title: 'Changed by somebody else meanwhile' },
  refused: { status: 409, title: 'Not possible as things stand' },
  'too-many': { status: 429, title: 'Too many tries' },
  failed: { status: 500, title: 'Something failed here' },
} as const;
export type ProblemKind = keyof typeof PROBLEM_KINDS;

/** A refusal with its kind, one sentence and, where they are known, the fields at fault. */
export class ProblemError extends Error {
  constructor(
    readonly kind: ProblemKind,
    detail: string,
    readonly faults: readonly FieldFault[] = [],
  ) {
    super(detail);
  }
}

export const notFound = (what: string): ProblemError =>
  new ProblemError('not-found', `There is no such ${what} in this workshop.`);
export const refused = (detail: string, faults: readonly FieldFault[] = []): ProblemError =>
  new ProblemError('refused', detail, faults);
