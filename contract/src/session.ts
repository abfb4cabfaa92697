import { z } from 'zod';
import { id, isoTime, line, next, oneOf } from './common';

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
const NEW_PASSWORD = 'The new password should have 10 to 200 characters.';
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

/** A page of people, by name. */
export const peoplePage = z.object({ people: z.array(person), next });
export type PeoplePage = z.infer<typeof peoplePage>;

export const personChange = z.strictObject({
  left: z.boolean({ error: 'Whether this person left is not said; give true or false.' }),
});

export const session = z.object({
  user: z.object({ id, name: z.string(), role }),
  workshop: z.object({ id, name: z.string(), timeZone: z.string().describe('IANA time zone') }),
});
export type Session = z.infer<typeof session>;
