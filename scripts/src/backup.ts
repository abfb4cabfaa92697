import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { runningDatabase } from './setup/cluster';
import { backUp, DATABASE, withCluster } from './setup/dump';
import { ROOT } from './setup/paths';
import { giveUp, say } from './setup/say';

const USAGE = 'npm run backup -- FILE [--data DIR]';

/** Everything that the workshop recorded, in one file; the app may go on meanwhile. */
const { file, dir } = readOptions();
if (!existsSync(join(dir, 'postgres')))
  giveUp(`There is no record in ${dir}; give the folder of npm start with --data.`);
try {
  await withCluster(dir, runningDatabase(dir, DATABASE), (database) => backUp(database, file));
} catch (error) {
  giveUp(`There is no backup: ${(error as Error).message}`);
}
say(`The backup is ${file}. Keep it where only you read it: names and records stand in it.`);
process.exit(0);

function readOptions(): { file: string; dir: string } {
  try {
    const { values, positionals } = parseArgs({
      allowPositionals: true,
      options: { data: { type: 'string', default: '.data' } },
    });
    if (positionals.length !== 1) throw new Error('Give one file to write.');
    return { file: resolve(positionals[0]!), dir: resolve(ROOT, values.data) };
  } catch (error) {
    return giveUp(`${(error as Error).message}\n${USAGE}`);
  }
}
