import { Stryker } from '@stryker-mutator/core';
import { join } from 'node:path';
import { ROOT } from '../setup/paths';
import { isFile, testsOf } from './tests';
import { isUnnoticed } from './unnoticed';

const UNNOTICED = join(ROOT, 'scripts/src/mutants/reporter.ts');

/** The client's tests want the world that Jest builds for them. */
const BY_JEST = {
  testRunner: 'jest',
  plugins: ['@stryker-mutator/jest-runner', UNNOTICED],
  coverageAnalysis: 'off',
  jest: {
    projectType: 'custom',
    configFile: 'scripts/jest/client.cjs',
    // A folder is judged by the tests beside it, not by all that happen to reach it.
    enableFindRelatedTests: false,
  },
};

/** Rooms without an interface go without that world, many times as quickly. */
const BY_ROOM = {
  testRunner: 'room',
  plugins: [join(ROOT, 'scripts/src/mutants/roomRunner.ts'), UNNOTICED],
  testRunnerNodeArgs: ['--import', 'tsx'],
  coverageAnalysis: 'perTest',
};

/** What became of the changes that were seeded into one folder. */
export interface Caught {
  readonly caught: number;
  readonly all: number;
}

/**
 * Seed changes into a folder by StrykerJS (a condition negated, `<` for `<=`, a
 * statement dropped, a member out of a list) and see which the tests of its room catch.
 * Texts are left alone: what must be said is tested by name.
 *
 * @param folder or one file of it: a long folder can be gone through in pieces
 */
export async function byStryker(folder: string): Promise<Caught> {
  // Read by the configuration of Jest, in this process and in those that run the tests.
  process.env.BROOK_MUTANTS = testsOf(folder);
  const results = await new Stryker({
    mutate: isFile(folder)
      ? [folder]
      : [`${folder}/**/*.ts`, `${folder}/**/*.tsx`, `!${folder}/**/*.test.{ts,tsx}`],
    ...(folder.startsWith('client/') ? BY_JEST : BY_ROOM),
    mutator: { plugins: null, excludedMutations: ['StringLiteral'] },
    reporters: ['unnoticed'],
    concurrency: 2,
    timeoutMS: 8_000,
    tempDirName: join(ROOT, '.test', 'mutants'),
    logLevel: 'error',
    allowConsoleColors: false,
    cleanTempDir: 'always',
  } as ConstructorParameters<typeof Stryker>[0]).runMutationTest();
  const judged = results.filter((r) => r.status !== 'Ignored' && r.status !== 'CompileError');
  return { caught: judged.filter((r) => !isUnnoticed(r)).length, all: judged.length };
}
