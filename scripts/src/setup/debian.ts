import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { giveUp, say } from './say';

const POSTGRES_HOME = '/usr/lib/postgresql';

/** Folder of the newest PostgreSQL's programs, installing Debian's package when there is none. */
export function postgresPrograms(): string {
  if (!newestPostgres()) {
    // Without this Debian's package would make and start a cluster of its own, which nobody asked for.
    installDebian('postgresql', 'postgresql', { PG_CREATECLUSTER: 'no' });
  }
  return (
    newestPostgres() ??
    giveUp(`PostgreSQL was installed, but its programs are not under ${POSTGRES_HOME}.`)
  );
}

/** Chromium for the browser tests and the pictures: built without windows it needs a third less of the processor. */
export function chromiumProgram(): string {
  const program = '/usr/bin/chromium-headless-shell';
  if (!existsSync(program)) installDebian('Chromium', 'chromium-headless-shell');
  return existsSync(program)
    ? program
    : giveUp(`Chromium was installed, but it is not at ${program}.`);
}

function newestPostgres(): string | null {
  if (!existsSync(POSTGRES_HOME)) return null;
  const versions = readdirSync(POSTGRES_HOME)
    .filter((v) => existsSync(join(POSTGRES_HOME, v, 'bin', 'initdb')))
    .sort((a, b) => Number(b) - Number(a));
  return versions[0] ? join(POSTGRES_HOME, versions[0], 'bin') : null;
}

function installDebian(
  name: string,
  debianPackage: string,
  env: Record<string, string> = {},
): void {
  const asRoot = process.getuid?.() === 0;
  const sudo = asRoot ? [] : ['sudo', '-n'];
  if (!asRoot && spawnSync('sudo', ['-n', 'true']).status !== 0) {
    giveUp(
      `${name} is missing. Run: sudo apt-get update && sudo apt-get install -y ${debianPackage}`,
    );
  }
  say(`Installing ${name} from Debian’s packages …`);
  const run = (...words: string[]) => {
    const [program, ...rest] = [
      ...sudo,
      'env',
      'DEBIAN_FRONTEND=noninteractive',
      ...Object.entries(env).map(([k, v]) => `${k}=${v}`),
      ...words,
    ];
    return spawnSync(program!, rest, { stdio: ['ignore', 'ignore', 'inherit'] }).status === 0;
  };
  run('apt-get', 'update', '-qq');
  if (!run('apt-get', 'install', '-y', '-qq', '--no-install-recommends', debianPackage)) {
    giveUp(
      `${name} could not be installed. Run: sudo apt-get update && sudo apt-get install -y ${debianPackage}`,
    );
  }
}
