import { rangeWords, type Range } from '@brook/core/base/units';
import { z } from 'zod';
import './sentences';

export const id = z.uuid({ error: 'An id should be a UUID made by the client or the server.' });

/** A line of text that a person types, trimmed. */
export const line = (what: string, least: number, most: number) =>
  z
    .string({ error: `${what} is missing; give ${least} to ${most} characters.` })
    .trim()
    .min(1, { error: what === 'Name' ? 'Give it a name.' : `${what} is missing.`, abort: true })
    .min(least, `${what} is too short; give ${least} to ${most} characters.`)
    .max(most, `${what} is too long; give ${least} to ${most} characters.`);

/** One of a closed list of words, with a sentence that names them all. */
export const oneOf = <const T extends readonly [string, ...string[]]>(what: string, words: T) =>
  z.enum(words, {
    error: (issue) => `${what} is ${said(issue.input)}; it should be one of ${words.join(', ')}.`,
  });

/** A number within what a person may give, with the sentence that says what that is. */
export const within = (range: Range, what = range.what) => {
  const sentence = `${what} should be ${rangeWords(range)}.`;
  const given = z.number({ error: sentence }).min(range.least, sentence).max(range.most, sentence);
  return (range.whole ? given.int(sentence) : given).describe(range.unit || 'count');
};

export const isoTime = z.iso.datetime({ offset: true }).describe('Moment, ISO 8601 with offset');

function said(input: unknown): string {
  return input === undefined ? 'missing' : JSON.stringify(input);
}

/** A counter as the database can hold it. */
const MOST = 2_000_000_000;
export const counter = (what: string, least: number) => {
  const sentence = `${what} should be a whole number from ${least} to ${MOST}.`;
  return z.number({ error: sentence }).int(sentence).min(least, sentence).max(MOST, sentence);
};

/** Where a page goes on: the "next" of the page before. */
const cursor = z.string('cursor should be the "next" of the page before.').max(300).optional();

const limit = (most: number, usual: number) => {
  const sentence = `limit should be 1 to ${most}.`;
  return z.coerce
    .number({ error: sentence })
    .int(sentence)
    .min(1, sentence)
    .max(most, sentence)
    .default(usual)
    .describe('How many a page holds');
};
/** Of a list that is looked at page by page. */
export const pageQuery = z.strictObject({ cursor, limit: limit(100, 30) });
/** Of a list that is read to its end, to be summed up or to be at hand without reception. */
export const wholeQuery = z.strictObject({ cursor, limit: limit(500, 100) });
/** Where a list goes on. */
export const next = z.string().nullable().describe('Cursor of the next page; null after the last');
