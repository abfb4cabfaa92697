import { z } from 'zod';
import { UNIT_CHOICES } from '@brook/core/base/units';
import { id, isoTime, line, next, oneOf } from './common';
import { typedCode } from './help';

export const ROLES = ['technician', 'lead'] as const;
export const role = oneOf('Role', ROLES);
export type Role = z.infer<typeof role>;

export const signIn = z.strictObject({
  login: line('Sign-in name', 2, 60),
  password: z
    .string({ error: 'Password is missing; give it.' })
    .min(1, 'Password is missing; give it.')
    .max(200, 'Password is too long; 200 characters at most.'),
});
export type SignIn = z.infer<typeof signIn>;

/** Length of a password that is chosen from now on: NIST SP 800-63B asks for no less than 8. */
const NEW_PASSWORD = 'The password should have 10 to 200 characters.';
export const changePassword = z.strictObject({
  old: signIn.shape.password,
  new: z.string({ error: NEW_PASSWORD }).min(10, NEW_PASSWORD).max(200, NEW_PASSWORD),
});
export type ChangePassword = z.infer<typeof changePassword>;

/** Somebody of the workshop; who left keeps the name that stands on the records. */
export const person = z.object({
  id,
  name: z.string(),
  role,
  left: z.object({ at: isoTime, by: z.string() }).nullable(),
});
export type Person = z.infer<typeof person>;

/** Somebody whom a lead asked in and who has not come yet. */
export const invitation = z.object({
  id,
  name: z.string(),
  role,
  by: z.string(),
  until: isoTime,
});
export type Invitation = z.infer<typeof invitation>;

export const newInvitation = z.strictObject({ name: line('Name', 2, 60), role });
export type NewInvitation = z.infer<typeof newInvitation>;

/** An invitation that was just made; its code is told this once and kept nowhere. */
export const madeInvitation = z.object({ invitation, code: z.string() });
export type MadeInvitation = z.infer<typeof madeInvitation>;

/** Letters and digits of an invitation: 32^16 of them, so none is found by trying. */
export const INVITATION_LENGTH = 16;

/** Who was asked in chooses how to sign in, and is signed in. */
export const joinWorkshop = z.strictObject({
  code: typedCode(
    INVITATION_LENGTH,
    `The code has ${INVITATION_LENGTH} letters and digits, as the lead got it.`,
  ),
  login: line('Sign-in name', 2, 60).regex(/^\S+$/, 'Sign-in name should have no gap in it.'),
  password: changePassword.shape.new,
});
export type JoinWorkshop = z.input<typeof joinWorkshop>;

/** A page of people, by name; the first with all who were asked in. */
export const peoplePage = z.object({
  people: z.array(person),
  invited: z.array(invitation),
  next,
});
export type PeoplePage = z.infer<typeof peoplePage>;

export const personChange = z.strictObject({
  left: z.boolean({ error: 'Whether this person left is not said; give true or false.' }),
});

/** The units in which a person reads and types; what is stored and sent stays metric. */
export const unitChoice = z.strictObject({
  length: oneOf('Length', UNIT_CHOICES.length),
  volume: oneOf('Volume', UNIT_CHOICES.volume),
  torque: oneOf('Torque', UNIT_CHOICES.torque),
  temperature: oneOf('Temperature', UNIT_CHOICES.temperature),
  pressure: oneOf('Pressure', UNIT_CHOICES.pressure),
});

export const session = z.object({
  user: z.object({ id, name: z.string(), role, units: unitChoice }),
  workshop: z.object({ id, name: z.string(), timeZone: z.string().describe('IANA time zone') }),
});
export type Session = z.infer<typeof session>;
