import type { Problem } from '@brook/contract';
import type { ErrorRequestHandler, Response } from 'express';
import { PROBLEM_KINDS, ProblemError, type ProblemKind } from './kinds';

/** Answer with an RFC 9457 problem document. */
export function sendProblem(res: Response, error: ProblemError): void {
  const { status, title } = PROBLEM_KINDS[error.kind];
  const body: Problem = { type: `/problems/${error.kind}`, title, status, detail: error.message };
  if (error.faults.length > 0) body.faults = [...error.faults];
  res.status(status).type('application/problem+json').send(JSON.stringify(body));
}

/** The one place that knows which error becomes which status. */
export const problemHandler: ErrorRequestHandler = (error, req, res, next) => {
  if (res.headersSent) return next(error);
  if (error instanceof ProblemError) return sendProblem(res, error);
  const body = bodyProblem(error);
  if (body) return sendProblem(res, body);
  req.log?.error({ err: error }, 'request failed');
  sendProblem(
    res,
    new ProblemError('failed', 'The server could not do this. Nothing was saved; try again.'),
  );
};

/** Errors of the JSON reader, told by their `type` property. */
function bodyProblem(error: unknown): ProblemError | null {
  const type = (error as { type?: unknown })?.type;
  const kinds: Record<string, [ProblemKind, string]> = {
    'entity.parse.failed': ['invalid', 'The body is not JSON; send one JSON document.'],
    'entity.too.large': ['invalid', 'The body is larger than 1 MB; send less at once.'],
  };
  const found = typeof type === 'string' ? kinds[type] : undefined;
  return found ? new ProblemError(...found) : null;
}
