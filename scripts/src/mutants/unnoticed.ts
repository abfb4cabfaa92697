import type { MutantResult } from '@stryker-mutator/api/core';
import { ROOT } from '../setup/paths';

/** Say at once where a change went unnoticed: a long folder takes an hour. */
export function sayUnnoticed(file: string, line: number, change: string): void {
  process.stderr.write(`  ${file.replace(`${ROOT}/`, '')}:${line} ${change}\n`);
}

/** Whether no test noticed a change: they ran and passed, or none reached it. */
export const isUnnoticed = ({ status }: Pick<MutantResult, 'status'>): boolean =>
  status === 'Survived' || status === 'NoCoverage';
