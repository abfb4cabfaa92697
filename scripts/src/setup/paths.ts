import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** Root of the repository. */
export const ROOT = dirname(dirname(dirname(dirname(fileURLToPath(import.meta.url)))));

export const WEB_DIST = join(ROOT, 'client', 'dist');
