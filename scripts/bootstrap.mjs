// Plain Node.js, because nothing may be installed yet: brings the npm packages
// up to date, then hands over to the TypeScript script that was asked for.
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { constants } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = dirname(dirname(fileURLToPath(import.meta.url)));
const [script, ...rest] = process.argv.slice(2);

/** A start script that was killed is begun again, so many times. */
let again = script === 'start' ? 5 : 0;
let asked = false;
let child;

installPackages();
run();
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => {
    asked = true;
    child.kill(signal);
  });
endWithParent();

function run() {
  child = spawn(
    process.execPath,
    ['--import', 'tsx', join('scripts', 'src', `${script}.ts`), ...rest],
    // The channel tells the script by its end that this process is gone.
    { cwd: root, stdio: ['inherit', 'inherit', 'inherit', 'ipc'] },
  );
  child.on('exit', (code, signal) => {
    if (signal && !asked && again-- > 0) {
      process.stderr.write(`The start script ended (${signal}); starting it again.\n`);
      run();
      return;
    }
    process.exit(code ?? 128 + (constants.signals[signal ?? 'SIGTERM'] ?? 0));
  });
}

/** Run by npm, end with npm: killed, it leaves nothing of ours behind. */
function endWithParent() {
  if (!process.env.npm_lifecycle_event) return;
  const parent = process.ppid;
  setInterval(() => {
    if (process.ppid === parent) return;
    asked = true;
    child.kill('SIGTERM');
  }, 500).unref();
}

function installPackages() {
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  const stamp = join(root, 'node_modules', '.installed-lock');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  process.stderr.write('Installing npm packages …\n');
  const done = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: root,
    stdio: ['ignore', 2, 2],
  });
  if (done.status !== 0) {
    process.stderr.write('The npm packages could not be installed; see the lines above.\n');
    process.exit(1);
  }
  mkdirSync(dirname(stamp), { recursive: true });
  writeFileSync(stamp, lock);
}
