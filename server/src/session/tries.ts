import { createHash } from 'node:crypto';
import { Op } from 'sequelize';
import { v4 as uuid } from 'uuid';
import { SignInTry } from '../db/models';
import { ProblemError } from '../http/problems/kinds';

/** Wrong tries that one address has for one account in a quarter of an hour. */
export const TRIES = 10;
export const WINDOW_MINUTES = 15;

/** One account from one address: others keep theirs. Kept as a hash, so that the table names nobody. */
export const pairOf = (login: string, address: string | undefined): string =>
  createHash('sha256')
    .update(`${login.toLowerCase()}\n${address ?? ''}`)
    .digest('hex');

/**
 * Take one try of a pair, before the password is looked at: tries that are made
 * at the same time count each other.
 *
 * @throws ProblemError of kind too-many once they are used up
 */
export async function takeTry(pair: string, at: Date): Promise<void> {
  const since = new Date(at.getTime() - WINDOW_MINUTES * 60_000);
  await SignInTry.destroy({ where: { at: { [Op.lte]: since } } });
  const made = await SignInTry.create({ id: uuid(), pair, at });
  if ((await SignInTry.count({ where: { pair } })) <= TRIES) return;
  // One that was not looked at is none: whoever waits is not made to wait longer by having asked.
  await made.destroy();
  throw new ProblemError(
    'too-many',
    `Too many wrong tries for this name from here. Wait a quarter of an hour.`,
  );
}

/** The password was right: what went before no longer counts. */
export async function forgetTries(pair: string): Promise<void> {
  await SignInTry.destroy({ where: { pair } });
}
