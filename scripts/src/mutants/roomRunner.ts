import { INSTRUMENTER_CONSTANTS, type MutantCoverage } from '@stryker-mutator/api/core';
import { declareClassPlugin, PluginKind } from '@stryker-mutator/api/plugin';
import {
  determineHitLimitReached,
  DryRunStatus,
  TestStatus,
  toMutantRunResult,
  type DryRunResult,
  type MutantRunOptions,
  type MutantRunResult,
  type TestResult,
  type TestRunner,
} from '@stryker-mutator/api/test-runner';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { roomFiles, type RoomFile, type RoomTest } from './roomTests';

/** What the changed code and the runner tell each other, by the name that StrykerJS gives it. */
interface Told {
  activeMutant?: string;
  currentTestId?: string;
  hitCount?: number;
  hitLimit?: number;
  mutantCoverage?: MutantCoverage;
}

/** A test in the run without a change: where it stands and how long it took. */
interface Timed {
  readonly id: string;
  readonly path: string;
  readonly ms: number;
}

/**
 * Runs the tests of a room without an interface for StrykerJS: for each change the files are
 * evaluated anew, only tests that reach it are run, the quickest first, up to the first that notices it.
 */
class RoomRunner implements TestRunner {
  private files: readonly RoomFile[] = [];
  /** Written down, quickest first: the runs with changes are in other processes. */
  private readonly timedFile = join(process.cwd(), '.timed.json');
  private timed: readonly Timed[] | undefined;

  private get told(): Told {
    const all = globalThis as Record<string, unknown>;
    return (all[INSTRUMENTER_CONSTANTS.NAMESPACE] ??= {}) as Told;
  }

  capabilities() {
    return { reloadEnvironment: true };
  }

  async init(): Promise<void> {
    this.files = await roomFiles(process.cwd(), process.env.BROOK_MUTANTS!);
  }

  async dryRun(): Promise<DryRunResult> {
    const told = this.told;
    const mutantCoverage = (told.mutantCoverage = { static: {}, perTest: {} });
    const tests: TestResult[] = [];
    for (const { path, tests: evaluated } of this.files)
      for (const test of evaluated()) {
        told.currentTestId = test.id;
        tests.push(await resultOf(test, path));
        delete told.currentTestId;
      }
    const timed = tests.map((t): Timed => ({ id: t.id, path: t.fileName!, ms: t.timeSpentMs }));
    writeFileSync(this.timedFile, JSON.stringify(timed.sort((a, b) => a.ms - b.ms)));
    return { status: DryRunStatus.Complete, tests, mutantCoverage };
  }

  async mutantRun({
    activeMutant,
    testFilter,
    hitLimit,
  }: MutantRunOptions): Promise<MutantRunResult> {
    const told = this.told;
    told.activeMutant = activeMutant.id;
    told.hitLimit = hitLimit;
    told.hitCount = hitLimit === undefined ? undefined : 0;
    try {
      const tests = await this.untilNoticed(testFilter);
      const endless = determineHitLimitReached(told.hitCount, hitLimit);
      return toMutantRunResult(endless ?? { status: DryRunStatus.Complete, tests });
    } finally {
      delete told.activeMutant;
    }
  }

  /** The tests named (all, where none are), quickest first, up to the first that fails; a file that the change does not let load fails at the first of its tests. */
  private async untilNoticed(testFilter: readonly string[] | undefined): Promise<TestResult[]> {
    this.timed ??= JSON.parse(readFileSync(this.timedFile, 'utf8')) as Timed[];
    const named = testFilter && new Set(testFilter);
    const loaded = new Map<string, readonly RoomTest[]>();
    const results: TestResult[] = [];
    for (const { id, path } of this.timed) {
      if (named?.has(id) === false) continue;
      const run = async () => {
        if (!loaded.has(path)) loaded.set(path, this.files.find((f) => f.path === path)!.tests());
        // A change can take a test away, where one is made of a list: nobody noticed by that.
        await loaded
          .get(path)!
          .find((t) => t.id === id)
          ?.run();
      };
      results.push(await resultOf({ id, run }, path));
      if (results.at(-1)!.status === TestStatus.Failed) break;
    }
    return results;
  }
}

async function resultOf({ id, run }: RoomTest, fileName: string): Promise<TestResult> {
  const from = performance.now();
  const test = () => ({ id, name: id, fileName, timeSpentMs: performance.now() - from });
  try {
    await run();
    return { ...test(), status: TestStatus.Success };
  } catch (error) {
    return { ...test(), status: TestStatus.Failed, failureMessage: String(error) };
  }
}

export const strykerPlugins = [declareClassPlugin(PluginKind.TestRunner, 'room', RoomRunner)];
