import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Caught } from './stryker';
import { isFile, testsOf } from './tests';
import { sayUnnoticed } from './unnoticed';

/** Numbers that are changed in one folder at the most; which ones goes by the seed. */
const MOST = 24;
const SEED = 20;

interface Place {
  readonly file: string;
  readonly line: number;
  readonly from: number;
  readonly to: number;
  readonly becomes: string;
}

/**
 * Change numbers by a tenth, one at a time, and see whether the tests of
 * its room catch it: StrykerJS leaves numbers alone. The files are put back
 * whatever happens.
 */
export function byNumbers(root: string, folder: string): Caught {
  const places = chosen(filesOf(join(root, folder)).flatMap(numbersIn));
  const caught = places.filter((p) => {
    const noticed = isCaught(root, folder, p);
    if (!noticed) sayUnnoticed(p.file, p.line, `number → ${p.becomes}`);
    return noticed;
  });
  return { caught: caught.length, all: places.length };
}

function filesOf(dir: string): string[] {
  if (isFile(dir)) return [dir];
  return readdirSync(dir, { withFileTypes: true }).flatMap((entry) => {
    const path = join(dir, entry.name);
    if (entry.isDirectory()) return filesOf(path);
    return /\.tsx?$/.test(entry.name) && !/\.test\.tsx?$/.test(entry.name) ? [path] : [];
  });
}

/** Numbers that compute something: not 0 and 1, which are places and units more often than sizes, nor what stands in a comment or text. */
export function numbersIn(file: string): Place[] {
  const text = readFileSync(file, 'utf8');
  return text.split('\n').flatMap((line, i) => {
    const code = line.replace(/'[^']*'|`[^`]*`|\/\/.*|^\s*\*.*|\/\*.*/g, (m) =>
      ' '.repeat(m.length),
    );
    return [...code.matchAll(/(?<![\w.$])\d[\d_]*(\.\d+)?(?![\w.])/g)].flatMap((m): Place[] => {
      const value = Number(m[0].replaceAll('_', ''));
      if (value === 0 || value === 1) return [];
      const start = text.split('\n').slice(0, i).join('\n').length + (i > 0 ? 1 : 0) + m.index;
      const changed = Number.isInteger(value) && value < 10 ? value + 1 : value * 1.1;
      return [
        {
          file,
          line: i + 1,
          from: start,
          to: start + m[0].length,
          becomes: String(Number(changed.toPrecision(6))),
        },
      ];
    });
  });
}

/** The same few at every run: drawn by a small generator from a fixed seed. */
export function chosen(places: readonly Place[], most = MOST): Place[] {
  let state = SEED;
  const next = () => (state = (state * 1_103_515_245 + 12_345) % 2_147_483_648);
  return places
    .map((place) => ({ place, key: next() }))
    .sort((a, b) => a.key - b.key)
    .slice(0, most)
    .map(({ place }) => place);
}

function isCaught(root: string, folder: string, { file, from, to, becomes }: Place): boolean {
  const before = readFileSync(file, 'utf8');
  writeFileSync(file, before.slice(0, from) + becomes + before.slice(to));
  try {
    const done = spawnSync(
      join(root, 'node_modules', '.bin', 'jest'),
      ['--bail', `${testsOf(folder)}/`],
      {
        cwd: root,
        stdio: 'ignore',
        env: { ...process.env, TZ: 'UTC' },
      },
    );
    return done.status !== 0;
  } finally {
    writeFileSync(file, before);
  }
}
