import { join } from 'node:path';
import { Field, type FieldOptions } from './endurance/field';
import { report, type Figure } from './endurance/figures';
import { fuzz } from './endurance/fuzz';
import { killDatabase, killServer } from './endurance/kills';
import { eventsRatio, load } from './endurance/load';
import { offlineCycles } from './endurance/offline';
import { twoPhones } from './endurance/phones';
import { tenancy } from './endurance/tenancy';
import { ROOT } from './setup/paths';
import { buildWeb } from './setup/web';

/** A day in figures, one JSON line each. What is started is stopped, and nothing is left. */
const web = await buildWeb();
process.env.LOG_LEVEL ??= 'error';
let inUse: Field | null = null;
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.once(signal, () => void leave().then(() => process.exit(1)));

await on({ runs: 4, durable: true }, (field) => killServer(field, 300));
await on({ runs: 4, durable: true }, (field) => killDatabase(field, 50));
await on({ runs: 1, web }, (field) => offlineCycles(field, 200));
await on({ runs: 4 }, (field) => fuzz(field, 10_000));
await on({ runs: 2 }, tenancy);
await on({ runs: 1, servers: 2 }, (field) => twoPhones(field, 60));
await on({ runs: 10, servers: 2 }, (field) => load(field, 50, 30));
await on({ runs: 50, durable: true }, (field) => eventsRatio(field, 10));
process.exit(0);

/** One part on a field of its own. */
async function on(
  options: Omit<FieldOptions, 'dir'>,
  part: (field: Field) => Promise<Figure | Figure[]>,
): Promise<void> {
  inUse = await Field.open({ dir: join(ROOT, '.test', 'endurance'), ...options });
  try {
    for (const figure of [await part(inUse)].flat()) report(figure);
  } finally {
    await leave();
  }
}

async function leave(): Promise<void> {
  await inUse?.close();
  inUse = null;
}
