import { spawnSync } from 'node:child_process';
import { cpSync, existsSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { ROOT } from '../setup/paths';
import { CAUSES, type Patch } from './causes';
import type { Figure } from './figures';

const CORE = join(ROOT, 'core');
const COPY = join(ROOT, '.test', 'put-back');

/**
 * A rule taken out of a text.
 *
 * @throws RangeError where the rule does not stand there just once
 */
export function takenOut(text: string, { file, rule, without }: Patch): string {
  const parts = text.split(rule);
  if (parts.length !== 2)
    throw new RangeError(
      `${file} should have this once and has it ${parts.length - 1} times: ${rule}`,
    );
  return parts.join(without);
}

/**
 * Put each cause back into a copy of core and look, history by history, until
 * the witness objects to what the product then calls free.
 *
 * @param most histories that are tried for each
 */
export function putBack(most: number, only: readonly string[] = Object.keys(CAUSES)): Figure[] {
  return only.map((cause): Figure => {
    const { what, patches } = CAUSES[cause]!;
    rmSync(COPY, { recursive: true, force: true });
    cpSync(CORE, COPY, {
      recursive: true,
      filter: (from) => !/node_modules|\.test\.ts$/.test(relative(CORE, from)),
    });
    const own = join(CORE, 'node_modules');
    if (existsSync(own)) symlinkSync(own, join(COPY, 'node_modules'));
    for (const patch of patches) {
      const file = join(COPY, 'src', patch.file);
      writeFileSync(file, takenOut(readFileSync(file, 'utf8'), patch));
    }
    const witness = join(COPY, 'src', 'testing', 'witness', 'index.ts');
    const look = `const { history, mulberry32 } = await import(${JSON.stringify(witness)});
      for (let seed = 1; seed <= ${most}; seed++) {
        const { differ } = history(mulberry32(seed), true);
        if (differ !== null) { console.log(JSON.stringify({ seed, differ })); break; }
      }`;
    const { stdout, stderr, status } = spawnSync(
      process.execPath,
      ['--import', 'tsx', '--input-type=module', '-e', look],
      { cwd: ROOT, encoding: 'utf8' },
    );
    if (status !== 0) throw new Error(`cause ${cause} could not be looked for: ${stderr}`);
    const found = stdout.trim() === '' ? null : (JSON.parse(stdout) as object);
    process.stdout.write(`${JSON.stringify({ cause, what, ...(found ?? { seed: null }) })}\n`);
    return {
      name: `gate.cause.${cause}`,
      value: found ? 0 : 1,
      unit: 'count',
      limit: 0,
      tried: most,
    };
  });
}
