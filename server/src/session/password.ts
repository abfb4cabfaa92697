import { hash, verify } from '@node-rs/argon2';

/** OWASP's smallest advised argon2id setting: 19 MiB, two passes, one lane. */
const OPTIONS = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

export function hashPassword(password: string): Promise<string> {
  return hash(password, OPTIONS);
}

export function passwordMatches(stored: string, password: string): Promise<boolean> {
  return verify(stored, password);
}
