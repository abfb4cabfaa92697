import { join } from 'node:path';
import { report } from './endurance/figures';
import { fuzz } from './endurance/fuzz';
import { killDatabase, killServer } from './endurance/kills';
import { eventsRatio, load } from './endurance/load';
import { offlineCycles } from './endurance/offline';
import { twoPhones } from './endurance/phones';
import { tenancy } from './endurance/tenancy';
import { ROOT } from './setup/paths';
import { buildWeb } from './setup/web';

/** A day in figures, one JSON line each. What is started is stopped, and nothing is left. */
const dir = (name: string) => join(ROOT, '.test', 'endurance', name);

report(await killServer(dir('server'), 300));
report(await killDatabase(dir('database'), 50));
report(await offlineCycles(dir('offline'), await buildWeb(), 200));
report(await fuzz(dir('fuzz'), 10_000));
report(await tenancy(dir('tenancy')));
for (const figure of await twoPhones(dir('phones'), 60)) report(figure);
report(await load(dir('load'), 50, 30));
report(await eventsRatio(dir('events'), 50, 5));
process.exit(0);
