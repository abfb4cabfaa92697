import { HELPER_SIGNALS } from '@brook/core/bleed/call';
import { z } from 'zod';
import { id, line, oneOf } from './common';
import { computed } from './computed';

/** Letters and digits of a code: none that looks like another. */
export const CODE_LETTERS = '23456789ABCDEFGHJKLMNPQRSTUVWXYZ';
export const CODE_LENGTH = 8;
const CODE = `The code has ${CODE_LENGTH} letters and digits, as the other phone shows it.`;

/** A code as somebody types it: small letters, with a gap or without. */
export const typedCode = (length: number, sentence: string) =>
  z
    .string({ error: sentence })
    .max(60, sentence)
    .transform((typed) => typed.toUpperCase().replaceAll(/[\s-]/g, ''))
    .refine(
      (typed) => typed.length === length && [...typed].every((c) => CODE_LETTERS.includes(c)),
      sentence,
    );
const code = typedCode(CODE_LENGTH, CODE);

/** A helper's phone joins a run by the code that the technician's phone shows. */
export const joinHelp = z.strictObject({
  code,
  name: line('Your name', 2, 60).describe('Stands on the record as who was at pedal or lever'),
});
export type JoinHelp = z.input<typeof joinHelp>;

const TOKEN = 'Join again with the code; this phone is not joined.';
const token = z.string({ error: TOKEN }).regex(/^[\w-]{43}$/, TOKEN);
export const helpJoined = z.object({ token: z.string().describe('For this phone alone') });
export type HelpJoined = z.infer<typeof helpJoined>;

export const helpQuery = z.object({ token });
export const helpHere = z.strictObject({ token });

const SIGNALS = [...HELPER_SIGNALS, 'take it back', 'count here'] as const;
/** One tap on a helper's phone. */
export const helpSignal = z.strictObject({
  token,
  id: id.describe('Made by the phone: sent twice, it is one tap'),
  openingId: line('Opening', 1, 140)
    .nullable()
    .describe('The opening that the call was about when it was tapped; null to count here'),
  signal: oneOf('Signal', SIGNALS),
});
export type HelpSignal = z.infer<typeof helpSignal>;

/** What a helper's phone shows, and whether the technician's is in step. */
export const helperScreen = z.object({
  view: computed('HelperView'),
  inStep: z
    .boolean()
    .describe('False where the technician’s phone was not heard of: then it goes on by voice'),
});
export type HelperScreen = z.infer<typeof helperScreen>;

/** The code of a helper's link, shown once. */
export const helperLink = z.object({ code: z.string() });
export type HelperLink = z.infer<typeof helperLink>;

/** What the technician's phone is told of the helper's: server-sent event "helper". */
export const helperNews = z
  .object({
    name: z.string().nullable().describe('Null until somebody joined'),
    deviceId: id,
    inStep: z.boolean().describe('Whether that phone was heard of just now'),
    phase: computed('ClosedPhase'),
    openingId: z.string().nullable(),
  })
  .nullable();
export type HelperNews = z.infer<typeof helperNews>;
