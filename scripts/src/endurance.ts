import { join } from 'node:path';
import { Field, type FieldOptions } from './endurance/field';
import { isMet, report, reportFailed, type Figure } from './endurance/figures';
import { fuzz } from './endurance/fuzz';
import { gate } from './endurance/gate';
import { killDatabase, killServer } from './endurance/kills';
import { eventsRatio, load } from './endurance/load';
import { offlineCycles } from './endurance/offline';
import { twoPhones } from './endurance/phones';
import { putBack } from './endurance/putBack';
import { tenancy } from './endurance/tenancy';
import { ROOT } from './setup/paths';
import { buildWeb } from './setup/web';

type Part = (field: Field) => Promise<Figure | Figure[]>;

const [only, random = '20000', honest = '2000', from = '1'] = process.argv.slice(2);
if (only === 'gate') {
  const figures = gate({ random: Number(random), honest: Number(honest), from: Number(from) });
  figures.forEach(report);
  process.exit(figures.every(isMet) ? 0 : 1);
}

if (only === 'causes') {
  const which = process.argv[4];
  const figures = putBack(Number(random), which?.split(''));
  figures.forEach(report);
  process.exit(figures.every(isMet) ? 0 : 1);
}

/** A day in figures, one JSON line each; it ends with an error where one is not met. What is started is stopped, and nothing is left. */
const web = await buildWeb();
process.env.LOG_LEVEL ??= 'error';
let inUse: Field | null = null;
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.once(signal, () => void leave().then(() => process.exit(1)));

const durable = true;
const parts: readonly (readonly [name: string, Omit<FieldOptions, 'dir'>, Part])[] = [
  ['kill.server', { runs: 4, durable }, (field) => killServer(field, 300)],
  ['kill.database', { runs: 4, durable }, (field) => killDatabase(field, 50)],
  ['offline.cycles', { runs: 1, web }, (field) => offlineCycles(field, 200)],
  ['fuzz', { runs: 4 }, (field) => fuzz(field, 10_000)],
  ['tenancy', { runs: 2 }, tenancy],
  ['twoPhones', { runs: 1, servers: 2 }, (field) => twoPhones(field, 60)],
  ['load', { runs: 10, servers: 2 }, (field) => load(field, 50, 30)],
  ['events.ratio', { runs: 50, durable }, (field) => eventsRatio(field, 10)],
];
let allMet = true;
for (const [name, options, part] of parts) {
  try {
    for (const figure of await on(options, part)) {
      report(figure);
      allMet &&= isMet(figure);
    }
  } catch (error) {
    // A part that could not be measured takes no other one's figure along.
    reportFailed(name, error);
    allMet = false;
  }
}
process.exit(allMet ? 0 : 1);

/** One part on a field of its own. */
async function on(options: Omit<FieldOptions, 'dir'>, part: Part): Promise<Figure[]> {
  try {
    inUse = await Field.open({ dir: join(ROOT, '.test', 'endurance'), ...options });
    return [await part(inUse)].flat();
  } finally {
    await leave();
  }
}

async function leave(): Promise<void> {
  await inUse?.close();
  inUse = null;
}
