import { z } from 'zod';
import { ProblemError } from './problems/kinds';

/** A moment as our own cursors write it; nothing that is listed is older than clocks of computers, and the database knows no year 0. */
export const moment = z.iso.datetime().refine((at) => Date.parse(at) >= 0);

/** Where a page ends, as a word that only we read. */
const writeCursor = (place: object): string =>
  Buffer.from(JSON.stringify(place)).toString('base64url');

/** What a page is asked for by: from where, and how many. */
export interface PageRequest {
  readonly cursor?: string | undefined;
  readonly limit: number;
}

/**
 * A page out of rows of which one more was asked for than it holds: so it is known whether it goes on.
 *
 * @param placeOf what the keyset is made of, of the last row shown
 */
export function pageOf<R>(
  rows: readonly R[],
  limit: number,
  placeOf: (last: R) => object,
): { readonly shown: R[]; readonly next: string | null } {
  const shown = rows.slice(0, limit);
  const last = shown.at(-1);
  return { shown, next: rows.length > limit && last ? writeCursor(placeOf(last)) : null };
}

/** The place that a page goes on from, null for the first. @throws ProblemError of kind invalid when the cursor was not made here */
export const placeAfter = <T extends z.ZodType>(
  shape: T,
  { cursor }: PageRequest,
): z.output<T> | null => (cursor === undefined ? null : readCursor(shape, cursor));

/** @throws ProblemError of kind invalid when it was not made here */
function readCursor<T extends z.ZodType>(shape: T, cursor: string): z.output<T> {
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
