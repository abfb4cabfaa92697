import { z } from 'zod';
import { ProblemError } from '../problems/kinds';

/** A moment as our own cursors write it. */
export const moment = z.iso.datetime();

/** Where a page ends, as a word that only we read. */
export const writeCursor = (place: object): string =>
  Buffer.from(JSON.stringify(place)).toString('base64url');

/** @throws ProblemError of kind invalid when it was not made here */
export function readCursor<T extends z.ZodType>(shape: T, cursor: string): z.output<T> {
  try {
    const read = shape.safeParse(JSON.parse(Buffer.from(cursor, 'base64url').toString()));
    if (read.success) return read.data;
  } catch {
    // Falls through to the sentence below.
  }
  throw new ProblemError(
    'invalid',
    'This cursor was not made here; take the one that the page before gave.',
    [{ field: 'cursor', sentence: 'cursor should be the "next" of the page before.' }],
  );
}
