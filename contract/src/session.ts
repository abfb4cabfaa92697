import { z } from 'zod';
import { id, line, oneOf } from './common';

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

export const session = z.object({
  user: z.object({ id, name: z.string(), role }),
  workshop: z.object({ id, name: z.string(), timeZone: z.string().describe('IANA time zone') }),
});
export type Session = z.infer<typeof session>;
