import { mkdirSync } from 'node:fs';
import { networkInterfaces } from 'node:os';
import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { makeCertificate } from './setup/certificate';
import { ROOT } from './setup/paths';
import { giveUp, say } from './setup/say';

const USAGE = 'npm run certificate -- [--host ADDRESS …] [--dir DIR]';

/** A pair for the workshop's network: the app's page is encrypted, so that phones keep it. */
const { host, dir } = readOptions();
const hosts = host ?? ownAddresses();
mkdirSync(dir, { recursive: true, mode: 0o700 });
const { ca, cert, key } = await makeCertificate(dir, hosts);
say(`Made for ${hosts.join(', ')}, good for a year.`);
say(`Start with it: npm start -- --host 0.0.0.0 --cert ${cert} --key ${key}`);
say(
  `Once on each phone: copy ${ca} to it and trust it there as a certificate authority. Keep the other files where only the server reads them.`,
);

/** The addresses under which this machine is reached in its network. */
function ownAddresses(): string[] {
  const addresses = Object.values(networkInterfaces())
    .flat()
    .filter((a) => a !== undefined && !a.internal && a.family === 'IPv4')
    .map((a) => a!.address);
  return ['localhost', '127.0.0.1', ...addresses];
}

function readOptions() {
  try {
    const { values } = parseArgs({
      options: {
        host: { type: 'string', multiple: true },
        dir: { type: 'string', default: join('.data', 'certificate') },
      },
    });
    return { ...values, dir: resolve(ROOT, values.dir) };
  } catch (error) {
    return giveUp(`${(error as Error).message}\n${USAGE}`);
  }
}
