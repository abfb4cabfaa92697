import type { z } from 'zod';
import type { Request } from 'express';
import { ProblemError } from './problems/kinds';

/**
 * Read input by its contract.
 *
 * @throws ProblemError of kind invalid that names every field at fault
 */
export function parse<T extends z.ZodType>(schema: T, input: unknown): z.output<T> {
  const result = schema.safeParse(input);
  if (result.success) return result.data;
  const faults = result.error.issues.map((issue) => ({
    field: issue.path.join('.') || 'body',
    sentence: issue.message,
  }));
  throw new ProblemError('invalid', faults.map((f) => f.sentence).join(' '), faults);
}

/** The version that the client last saw, from If-Match; every change of a job or vehicle must name it. */
export function ifMatch(req: Request): number {
  const match = /^"(\d+)"$/.exec(req.get('if-match') ?? '');
  if (!match)
    throw new ProblemError(
      'invalid',
      'If-Match is missing; send the ETag of the version that was seen.',
      [{ field: 'If-Match', sentence: 'If-Match should be the ETag, for example "3".' }],
    );
  return Number(match[1]);
}

/** A version as an ETag. */
export const etag = (version: number): string => `"${version}"`;

/** A UUID of the path; anything else names nothing. */
export function pathId(req: Request, name = 'id'): string {
  const value = req.params[name];
  return typeof value === 'string' && UUID.test(value)
    ? value
    : '00000000-0000-0000-0000-000000000000';
}

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i;
