import { OPENING_STEPS, PREPARATION_WORDS, type PreparationStep } from '../../bleed/plan';
import { lowerFirst } from '../../base/text';
import { SETTLES_NOTHING, PROVES_NOTHING, nothing, runEvent } from './kind';
import { broughtByPour, type OutOf } from './product';

export interface PreparedHappening extends OutOf {
  readonly kind: 'prepared';
  readonly step: PreparationStep;
  /** Of a first fill: out of which container, where somebody said so. */
  readonly containerId?: string | null;
}

export const prepared = runEvent<PreparedHappening>({
  kind: 'prepared',
  voids: ({ step }) =>
    OPENING_STEPS.includes(step)
      ? 'all'
      : step === 'fill reservoir'
        ? 'level'
        : nothing('it opens no circuit and moves no level'),
  opens: (event) => broughtByPour(event, null),
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  fault: ({ step }, { plans }) => {
    const steps = [...new Set(plans.flatMap((p) => p.preparation))];
    return steps.includes(step)
      ? null
      : `"${step}" is not a step of this plan; it should be one of ${steps.join(', ')}.`;
  },
  words: ({ step }) => lowerFirst(PREPARATION_WORDS[step].title),
});
