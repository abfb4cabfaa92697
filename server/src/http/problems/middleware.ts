import type { Problem } from '@brook/contract';
import type { ErrorRequestHandler, Response } from 'express';
import { problemOf } from './fromOutside';
import { PROBLEM_KINDS, ProblemError } from './kinds';

/** An RFC 9457 problem document. */
export function problemBody(error: ProblemError): Problem {
  const { status, title } = PROBLEM_KINDS[error.kind];
  const body: Problem = { type: `/problems/${error.kind}`, title, status, detail: error.message };
  if (error.faults.length > 0) body.faults = [...error.faults];
  return body;
}

function sendProblem(res: Response, error: ProblemError): void {
  const body = problemBody(error);
  if (error.kind === 'unavailable') res.set('retry-after', '2');
  res.status(body.status).type('application/problem+json').send(JSON.stringify(body));
}

/** The one place that knows which error becomes which status. */
export const problemHandler: ErrorRequestHandler = (error, req, res, next) => {
  if (res.headersSent) return next(error);
  const problem = problemOf(error);
  if (problem?.kind === 'unavailable') req.log?.warn({ err: error }, 'database away');
  if (problem) return sendProblem(res, problem);
  req.log?.error({ err: error }, 'request failed');
  sendProblem(
    res,
    new ProblemError('failed', 'The server could not do this. Nothing was saved; try again.'),
  );
};
