import type { Seed } from '@brook/contract';
import { createInterface } from 'node:readline';

/** What comes by standard input: what no command line and no environment may show, and what the user we run as may not read. */
export interface HandedIn {
  /** URL of the database with its role and password. */
  readonly database: string;
  readonly sessionSecret: string;
  /** Certificate and key in PEM, where the page is served over TLS. */
  readonly cert?: string;
  readonly key?: string;
  /** For an empty database. */
  readonly seed?: Seed;
}

/** One line of JSON on standard input, which stays open as long as whoever started us lives. */
export async function readHandedIn(): Promise<HandedIn> {
  for await (const line of createInterface({ input: process.stdin }))
    return JSON.parse(line) as HandedIn;
  throw new Error('one line of JSON with the database is needed on standard input');
}

/** Do something when standard input ends: whoever started us is gone. */
export function whenParentIsGone(act: () => void): void {
  process.stdin.once('close', act).once('end', act).resume();
}
