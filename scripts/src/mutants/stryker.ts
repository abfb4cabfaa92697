import { Stryker } from '@stryker-mutator/core';
import { join } from 'node:path';
import { ROOT } from '../setup/paths';
import { isFile, testsOf } from './tests';

/** What became of the changes that were seeded into one folder. */
export interface Caught {
  readonly caught: number;
  readonly all: number;
  /** Where a change went unnoticed, one line each. */
  readonly unnoticed: readonly string[];
}

/**
 * Seed changes into a folder by StrykerJS (a condition negated, `<` for `<=`, a
 * statement dropped, a member out of a list) and see which the tests of its room catch.
 * Texts are left alone: what must be said is tested by name.
 *
 * @param folder or one file of it: a long folder can be gone through in pieces
 */
export async function byStryker(folder: string): Promise<Caught> {
  const room = folder.split('/')[0]!;
  // Read by the configuration of Jest, in this process and in those that run the tests.
  process.env.BROOK_MUTANTS = testsOf(folder);
  const results = await new Stryker({
    mutate: isFile(folder)
      ? [folder]
      : [`${folder}/**/*.ts`, `${folder}/**/*.tsx`, `!${folder}/**/*.test.{ts,tsx}`],
    testRunner: 'jest',
    plugins: ['@stryker-mutator/jest-runner'],
    jest: {
      projectType: 'custom',
      configFile: `scripts/jest/${room === 'client' ? 'client' : 'room'}.cjs`,
      // A folder is judged by the tests of its room, not by all that happen to reach it.
      enableFindRelatedTests: false,
    },
    mutator: { plugins: null, excludedMutations: ['StringLiteral'] },
    coverageAnalysis: room === 'client' ? 'off' : 'perTest',
    reporters: [],
    concurrency: 2,
    timeoutMS: 8_000,
    tempDirName: join(ROOT, '.test', 'mutants'),
    logLevel: 'off',
    allowConsoleColors: false,
    cleanTempDir: 'always',
  } as ConstructorParameters<typeof Stryker>[0]).runMutationTest();
  const judged = results.filter((r) => r.status !== 'Ignored' && r.status !== 'CompileError');
  const unnoticed = judged.filter((r) => r.status === 'Survived' || r.status === 'NoCoverage');
  return {
    caught: judged.length - unnoticed.length,
    all: judged.length,
    unnoticed: unnoticed.map(
      (r) =>
        `${r.fileName.replace(`${ROOT}/`, '')}:${r.location.start.line} ${r.mutatorName} → ${(r.replacement ?? '').replace(/\s+/g, ' ').slice(0, 80)}`,
    ),
  };
}
