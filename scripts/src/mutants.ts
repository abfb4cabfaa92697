import { execFileSync } from 'node:child_process';
import { byNumbers } from './mutants/numbers';
import { byStryker } from './mutants/stryker';
import { isFile, isJudged, limitOf } from './mutants/tests';
import { ROOT } from './setup/paths';

/** What the tests of a folder, or of one file, miss: where a change went unnoticed, and one JSON line behind it. */
for (const folder of foldersOf(process.argv.slice(2))) {
  const parts = [await byStryker(folder), byNumbers(ROOT, folder)];
  const caught = parts.reduce((sum, p) => sum + p.caught, 0);
  const all = parts.reduce((sum, p) => sum + p.all, 0);
  const value = all === 0 ? 100 : Math.round((1000 * caught) / all) / 10;
  process.stdout.write(
    `${JSON.stringify({ name: `mutants.${folder}`, value, unit: '%', limit: limitOf(folder), caught, of: all })}\n`,
  );
}

/** Folders, or files, by name; without one those of the files that were changed and not yet committed. */
function foldersOf(given: readonly string[]): string[] {
  const named = given.filter((a) => a !== '--');
  const other = named.find((f) => !isJudged(f));
  if (other !== undefined) {
    process.stderr.write(
      `Mutants are seeded below core/src, contract/src or client; "${other}" is none of these.\n`,
    );
    process.exit(1);
  }
  if (named.length > 0) return [...named];
  const changed = execFileSync('git', ['diff', '--name-only', 'HEAD'], {
    cwd: ROOT,
    encoding: 'utf8',
  });
  const folders = changed
    .split('\n')
    .filter((f) => isJudged(f) && isFile(f))
    .map((f) =>
      f
        .split('/')
        .slice(0, f.startsWith('client/') ? 2 : 3)
        .join('/'),
    );
  return [...new Set(folders)];
}
