import { createHash } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';
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
  await forgetOld(at);
  const made = await SignInTry.create({ id: uuid(), pair, at });
  if ((await SignInTry.count({ where: { pair } })) <= TRIES) return;
  // One that was not looked at is none: whoever waits is not made to wait longer by having asked.
  await made.destroy();
  throw new ProblemError(
    'too-many',
    `Too many wrong tries for this name from here. Wait a quarter of an hour.`,
  );
}

/** Wrong codes that are answered at once: a hand that slips is not made to wait. */
const AT_ONCE = 10;
const FIRST_WAIT_MS = 250;
const LONGEST_WAIT_MS = 8_000;

/** How long a wrong code waits for its answer, by how many wrong ones there were, itself among them, ms [M]. */
export const waitAfterWrongMs = (wrong: number): number =>
  wrong <= AT_ONCE ? 0 : Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** (wrong - AT_ONCE - 1));

/**
 * Try a code. A right one always goes through: a workshop has one address, and
 * nobody is locked out by what others typed. Wrong ones, counted by address and
 * by code, are answered ever more slowly.
 *
 * @param what which sort of code it is
 */
export async function tryCode<T>(
  what: string,
  { code, address }: { readonly code: string; readonly address: string | undefined },
  at: Date,
  enter: () => Promise<T>,
): Promise<T> {
  try {
    return await enter();
  } catch (error) {
    if (error instanceof ProblemError && error.kind === 'not-found')
      await wait(waitAfterWrongMs(await wrongOf([pairOf(what, address), pairOf(what, code)], at)));
    throw error;
  }
}

/** Count one more of each; the most that any has. */
async function wrongOf(pairs: readonly string[], at: Date): Promise<number> {
  await forgetOld(at);
  await SignInTry.bulkCreate(pairs.map((pair) => ({ id: uuid(), pair, at })));
  const counts = await Promise.all(pairs.map((pair) => SignInTry.count({ where: { pair } })));
  return Math.max(...counts);
}

async function forgetOld(at: Date): Promise<void> {
  const since = new Date(at.getTime() - WINDOW_MINUTES * 60_000);
  await SignInTry.destroy({ where: { at: { [Op.lte]: since } } });
}

/** The password was right: what went before no longer counts. */
export async function forgetTries(pair: string): Promise<void> {
  await SignInTry.destroy({ where: { pair } });
}
