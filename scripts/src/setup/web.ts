import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { once } from 'node:events';
import {
  copyFileSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { readFile, writeFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { dirname, extname, join, relative } from 'node:path';
import { text } from 'node:stream/consumers';
import { promisify } from 'node:util';
import { brotliCompress, constants, type BrotliOptions, type InputType } from 'node:zlib';
import { generateSW } from 'workbox-build';
import { ROOT, WEB_DIST } from './paths';
import { giveUp, say } from './say';

/** Environment around the Expo CLI: nothing is fetched, nothing is reported. */
export const EXPO_ENV = {
  EXPO_OFFLINE: '1',
  EXPO_NO_TELEMETRY: '1',
  CI: '1',
  NODE_ENV: 'production',
};

const SOURCES = [
  'client',
  'core/src',
  'contract/src',
  'package-lock.json',
  'scripts/src/setup/web.ts',
];
const FONTS = [
  '@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2',
  '@fontsource/barlow-condensed/files/barlow-condensed-latin-600-normal.woff2',
];

/** Build the web target when its sources changed since the last build. @returns its folder */
export async function buildWeb(): Promise<string> {
  const stamp = join(WEB_DIST, '.sources');
  const sources = fingerprint();
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === sources) return WEB_DIST;
  say('Building the web target …');
  copyFonts();
  rmSync(WEB_DIST, { recursive: true, force: true });
  await exportWeb(join(ROOT, 'client'), WEB_DIST);
  await addServiceWorker(WEB_DIST);
  await compress(WEB_DIST);
  writeFileSync(stamp, sources);
  return WEB_DIST;
}

/** Run Expo's export of one app. */
export async function exportWeb(appDir: string, outDir: string): Promise<void> {
  const child = spawn(
    'npx',
    ['--no-install', 'expo', 'export', '-p', 'web', '--output-dir', outDir],
    {
      cwd: appDir,
      env: { ...process.env, ...EXPO_ENV },
      stdio: ['ignore', 'pipe', 'pipe'],
    },
  );
  const [said, complained, [status]] = await Promise.all([
    text(child.stdout),
    text(child.stderr),
    once(child, 'exit'),
  ]);
  if (status !== 0) giveUp(`The web target could not be built.\n${said}\n${complained}`);
}

/** The whole app is kept on the phone, and any of its pages opens from there; what the API answers is not. A new version waits until the page lets it take over. */
async function addServiceWorker(dir: string): Promise<void> {
  const { warnings } = await generateSW({
    globDirectory: dir,
    globPatterns: ['**/*.{html,js,css,svg,woff2,png,ico,json}'],
    swDest: join(dir, 'sw.js'),
    navigateFallback: '/index.html',
    navigateFallbackDenylist: [/^\/api\//],
    maximumFileSizeToCacheInBytes: 4_000_000,
    // Names with a hash in them need no revision.
    dontCacheBustURLsMatching: /-[0-9a-f]{16,}\./,
    clientsClaim: true,
    skipWaiting: false,
    inlineWorkboxRuntime: true,
    sourcemap: false,
  });
  if (warnings.length > 0) giveUp(`The service worker is not whole.\n${warnings.join('\n')}`);
}

/** Brotli at its best level beside each text file: the server sends these as they are. */
export async function compress(dir: string): Promise<void> {
  const texts = filesBelow(dir).filter((file) =>
    ['.js', '.css', '.html', '.svg', '.json'].includes(extname(file)),
  );
  await Promise.all(
    texts.map(async (file) => {
      const content = await readFile(file);
      const params = {
        [constants.BROTLI_PARAM_QUALITY]: 11,
        [constants.BROTLI_PARAM_SIZE_HINT]: content.length,
      };
      await writeFile(`${file}.br`, await brotli(content, { params }));
    }),
  );
}

const brotli = promisify<InputType, BrotliOptions, Buffer>(brotliCompress);

/** The typefaces ship with the app: out of their packages into what the page serves. */
function copyFonts(): void {
  const require = createRequire(join(ROOT, 'client', 'package.json'));
  const target = join(ROOT, 'client', 'public', 'fonts');
  mkdirSync(target, { recursive: true });
  for (const font of FONTS) {
    const [scope, name, ...rest] = font.split('/');
    const home = dirname(require.resolve(`${scope}/${name}/package.json`));
    copyFileSync(join(home, ...rest), join(target, font.slice(font.lastIndexOf('/') + 1)));
  }
}

function fingerprint(): string {
  const hash = createHash('sha256');
  for (const source of SOURCES) {
    const path = join(ROOT, source);
    const files = statSync(path).isDirectory() ? filesBelow(path) : [path];
    for (const file of files)
      hash.update(relative(ROOT, file)).update('\0').update(readFileSync(file)).update('\0');
  }
  return hash.digest('hex');
}

const SKIPPED = new Set(['node_modules', 'dist', '.expo', 'fonts']);

function filesBelow(dir: string): string[] {
  return readdirSync(dir, { withFileTypes: true })
    .filter(
      (entry) =>
        !SKIPPED.has(entry.name) &&
        !/\.(test\.tsx?|tsbuildinfo|br)$/.test(entry.name) &&
        entry.name !== 'expo-env.d.ts',
    )
    .sort((a, b) => (a.name < b.name ? -1 : 1))
    .flatMap((entry) =>
      entry.isDirectory() ? filesBelow(join(dir, entry.name)) : [join(dir, entry.name)],
    );
}
