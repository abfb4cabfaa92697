import { build, type Plugin } from 'esbuild';
import { expect } from 'expect';
import { bind } from 'jest-each';
import { readdirSync } from 'node:fs';
import { createRequire, isBuiltin } from 'node:module';
import { join, relative } from 'node:path';
import { compileFunction } from 'node:vm';

/** One test of a file: its full name, as Jest says it, and what it does. */
export interface RoomTest {
  /** File and full name; of two of one name in one file the second has a number behind it. */
  readonly id: string;
  readonly run: () => unknown;
}

/** A file of tests with all that it imports, compiled once. Each call evaluates the whole of it anew, so that nothing is remembered from the call before. */
export interface RoomFile {
  readonly path: string;
  tests(): RoomTest[];
}

/**
 * The test files below a folder, each bundled with what it imports from the rooms.
 *
 * Jest builds its world anew for every file and every change, which is most of what a change
 * costs; the tests of the rooms without an interface use only `test`, `describe`, `each` and `expect`.
 *
 * @param root the copy of the project that is tested
 * @param folder below it, for example core/src/owed
 */
export function roomFiles(root: string, folder: string): Promise<RoomFile[]> {
  const paths = readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' })
    .filter((path) => path.endsWith('.test.ts'))
    .map((path) => join(root, folder, path))
    .sort();
  return Promise.all(paths.map((path) => roomFile(root, path)));
}

/** Packages stay outside the bundle, each as the file that imports it finds it: a room may have some of its own. */
const packagesOutside: Plugin = {
  name: 'packages outside',
  setup: ({ onResolve }) =>
    onResolve({ filter: /^[^./]/ }, ({ path, importer, kind }) => {
      if (kind === 'entry-point' || path.startsWith('@brook/')) return undefined;
      if (isBuiltin(path)) return { path, external: true };
      return { path: createRequire(importer).resolve(path), external: true };
    }),
};

async function roomFile(root: string, path: string): Promise<RoomFile> {
  const { outputFiles } = await build({
    entryPoints: [path],
    bundle: true,
    write: false,
    platform: 'node',
    format: 'cjs',
    target: 'node20',
    plugins: [packagesOutside],
    // Across the links between rooms too the copy is tested, not what it was copied from.
    alias: {
      '@brook/core': join(root, 'core/src'),
      '@brook/contract': join(root, 'contract/src'),
    },
  });
  const given = ['require', 'module', 'exports', 'test', 'it', 'describe', 'expect'];
  const evaluate = compileFunction(outputFiles[0]!.text, given, { filename: path });
  const require = createRequire(path);
  return {
    path,
    tests: () => {
      const { tests, test, describe } = register(relative(root, path));
      const module = { exports: {} };
      evaluate(require, module, module.exports, test, test, describe, expect);
      return tests;
    },
  };
}

/** `test` and `describe` as Jest has them, which note what is said to them. */
function register(file: string) {
  const tests: RoomTest[] = [];
  const within: string[] = [];
  const plainTest = (title: string, run: () => unknown) => {
    const name = `${file}: ${[...within, title].join(' ')}`;
    const same = tests.filter(({ id }) => id === name || id.startsWith(`${name} #`)).length;
    tests.push({ id: same > 0 ? `${name} #${same + 1}` : name, run });
  };
  const plainDescribe = (title: string, inner: () => void) => {
    within.push(title);
    inner();
    within.pop();
  };
  return {
    tests,
    test: Object.assign(plainTest, { each: bind(plainTest as never) }),
    describe: Object.assign(plainDescribe, { each: bind(plainDescribe as never, false) }),
  };
}
