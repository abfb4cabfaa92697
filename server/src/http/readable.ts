import express, { type RequestHandler } from 'express';
import { ProblemError } from './problems/kinds';

/** How deep lists and objects may stand in each other; the deepest of ours, a layout in a plan's request, has 8. */
const DEEPEST = 32;

/** U+0000, and halves of a surrogate pair that stand alone: no text in the database can hold them. */
const NO_TEXT = /[\0\p{Surrogate}]/u;

interface Fault {
  readonly field: string;
  readonly sentence: string;
}

/**
 * The first place of a JSON document that cannot be kept as it came.
 *
 * It walks by itself instead of by calls, so that no depth of a document can
 * exhaust the stack.
 *
 * @returns null where everything can be kept
 */
export function unkeepable(document: unknown): Fault | null {
  const waiting: { value: unknown; field: string; depth: number }[] = [
    { value: document, field: '', depth: 0 },
  ];
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    const { value, field, depth } = next;
    if (typeof value === 'string' && NO_TEXT.test(value)) return noText(field);
    if (typeof value !== 'object' || value === null) continue;
    if (depth === DEEPEST)
      return {
        field: 'body',
        sentence: `This stands ${DEEPEST} lists or objects deep in each other; send it flatter.`,
      };
    for (const [key, inner] of Object.entries(value)) {
      if (NO_TEXT.test(key)) return noText(field);
      waiting.push({
        value: inner,
        field: field === '' ? key : `${field}.${key}`,
        depth: depth + 1,
      });
    }
  }
  return null;
}

const noText = (field: string): Fault => ({
  field: field || 'body',
  sentence: `${field || 'The text'} holds a sign that is no letter (U+0000 or half of a pair); send it without.`,
});

/** Let nothing past that the database could not keep: in the body, in the query, in the path. */
export const keepable: RequestHandler = (req, _res, next) => {
  const fault = unkeepable({ ...req.query }) ?? unkeepable(req.body);
  if (fault) throw new ProblemError('invalid', fault.sentence, [fault]);
  next();
};

/** A body of somebody who is not signed in is this small. */
export const smallBody = [express.json({ limit: '4kb' }), keepable];
