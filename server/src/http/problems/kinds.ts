import type { FieldFault } from '@brook/contract';

/** The kinds of refusal this server knows; each maps to one status and one `type`. */
export const PROBLEM_KINDS = {
  unreadable: { status: 400, title: 'This request cannot be read' },
  invalid: { status: 422, title: 'Something entered cannot be right' },
  'too-large': { status: 413, title: 'Too much at once' },
  'not-json': { status: 415, title: 'In another form than is read here' },
  'signed-out': { status: 401, title: 'Sign in first' },
  forbidden: { status: 403, title: 'Not allowed' },
  'not-found': { status: 404, title: 'Not found' },
  conflict: { status: 409, title: 'Changed by somebody else meanwhile' },
  refused: { status: 409, title: 'Not possible as things stand' },
  'too-many': { status: 429, title: 'Too many tries' },
  failed: { status: 500, title: 'Something failed here' },
  unavailable: { status: 503, title: 'Not just now' },
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
