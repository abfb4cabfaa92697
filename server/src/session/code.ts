import { CODE_LETTERS } from '@brook/contract';
import { createHash, randomInt } from 'node:crypto';

/** A code that nobody can guess, of letters and digits that look like no other. */
export const newCode = (length: number): string =>
  Array.from({ length }, () => CODE_LETTERS[randomInt(CODE_LETTERS.length)]).join('');

/** What is kept of a code or token: whoever reads the database can use none. */
export const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('hex');
