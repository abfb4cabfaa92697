import { resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { startCluster } from './setup/cluster';
import { folderFault } from './setup/dataFolder';
import { leaveDataFolder, takeDataFolder } from './setup/dataLock';
import { restore } from './setup/dump';
import { ROOT } from './setup/paths';
import { giveUp, say } from './setup/say';

const USAGE = 'npm run restore -- FILE [--data DIR]';

/** A backup into an empty data folder; npm start goes on from it. */
const { file, dir } = readOptions();
const unusable = folderFault(dir);
if (unusable) giveUp(unusable);
const other = takeDataFolder(dir, 'a restore');
if (other)
  giveUp(`This data is in use by ${other}; stop it first or give another folder with --data.`);
process.on('exit', () => leaveDataFolder(dir));
const cluster = await startCluster({ dir });
try {
  await restore(cluster, file);
  say(`Restored into ${dir}. Start it: npm start -- --data ${dir}`);
} catch (error) {
  process.exitCode = 1;
  process.stderr.write(`${(error as Error).message}\n`);
} finally {
  cluster.stop();
}
process.exit();

function readOptions(): { file: string; dir: string } {
  try {
    const { values, positionals } = parseArgs({
      allowPositionals: true,
      options: { data: { type: 'string', default: '.data' } },
    });
    if (positionals.length !== 1) throw new Error('Give one file that npm run backup wrote.');
    return { file: resolve(positionals[0]!), dir: resolve(ROOT, values.data) };
  } catch (error) {
    return giveUp(`${(error as Error).message}\n${USAGE}`);
  }
}
