import { setTimeout as wait } from 'node:timers/promises';
import { Field, type Caller } from './field';
import { type Figure } from './figures';
import { mulberry32 } from '@brook/core/testing/witness';
import { lostOrDoubled, Tapper } from './tapper';

/** The server is ended again and again while phones count: what it acknowledged is there, once. */
export async function killServer(field: Field, times: number): Promise<Figure> {
  const random = mulberry32(1);
  const value = await whileTapping(field, async () => {
    for (let i = 0; i < times; i++) {
      await wait(20 + 300 * random());
      await field.kill();
      await field.up();
    }
  });
  return { name: 'kill.server', value, unit: 'count', limit: 0, tried: times };
}

/** The same of the database, with every commit on the disk. */
export async function killDatabase(field: Field, times: number): Promise<Figure> {
  const random = mulberry32(2);
  const value = await whileTapping(field, async () => {
    for (let i = 0; i < times; i++) {
      await wait(100 + 600 * random());
      const before = field.cluster.pid()!;
      process.kill(before, 'SIGKILL');
      while (field.cluster.pid() === null || field.cluster.pid() === before) await wait(20);
    }
  });
  return { name: 'kill.database', value, unit: 'count', limit: 0, tried: times };
}

/** @returns how many acknowledged events are lost, doubled or out of order afterwards */
async function whileTapping(field: Field, disturb: () => Promise<void>): Promise<number> {
  const caller = await field.signIn();
  const tappers = (await caller.jobs()).map((job) => new Tapper(caller, job));
  let goesOn = true;
  const tapping = Promise.all(tappers.map((t) => t.tap(() => goesOn)));
  try {
    await disturb();
  } finally {
    goesOn = false;
    await tapping;
  }
  if (tappers.some((t) => t.acknowledged.length === 0)) throw new Error('nothing flowed');
  return lostOrDoubled(tappers, await logsOf(caller));
}

async function logsOf(caller: Caller): Promise<Map<string, readonly { readonly id: string }[]>> {
  return new Map((await caller.jobs()).map((j) => [j.id, j.events]));
}
