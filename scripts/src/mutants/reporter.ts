import type { MutantResult } from '@stryker-mutator/api/core';
import { declareClassPlugin, PluginKind } from '@stryker-mutator/api/plugin';
import type { Reporter } from '@stryker-mutator/api/report';
import { isUnnoticed, sayUnnoticed } from './unnoticed';

/** What StrykerJS finds, as it finds it. */
class UnnoticedReporter implements Reporter {
  onMutantTested(result: Readonly<MutantResult>): void {
    if (!isUnnoticed(result)) return;
    const { fileName, location, mutatorName, replacement, status } = result;
    const becomes = (replacement ?? '').replace(/\s+/g, ' ').slice(0, 80);
    const reached = status === 'NoCoverage' ? ' (no test comes here)' : '';
    sayUnnoticed(fileName, location.start.line, `${mutatorName} → ${becomes}${reached}`);
  }
}

export const strykerPlugins = [
  declareClassPlugin(PluginKind.Reporter, 'unnoticed', UnnoticedReporter),
];
