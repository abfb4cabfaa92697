import { bleederName } from '@brook/core/vehicle/circuit';
import { happeningWords, type PhoneHappening } from '@brook/core/job/events';
import type { Plan } from '@brook/core/bleed/plan';
import { stageTitle } from '@brook/core/bleed/stages';
import { lowerFirst } from '@brook/core/base/text';

/** What an event was, in a few words, for a person who is asked about it. */
export function eventWords(
  plans: readonly Plan[],
  event: PhoneHappening | { readonly kind: string },
): string {
  return happeningWords(event as PhoneHappening, {
    at: (openingId) => {
      const opening = plans.flatMap((p) => p.openings).find((s) => s.id === openingId);
      return opening ? bleederName(opening.bleeder) : 'a bleeder that is not in the plan';
    },
    control: (masterId) =>
      plans.flatMap((p) => p.layout.masters).find((m) => m.id === masterId)?.control ??
      'pedal or lever',
    stage: (stageId) => {
      const stage = plans
        .flatMap((p) => p.stages.map((s) => ({ s, p })))
        .find(({ s }) => s.id === stageId);
      return stage ? lowerFirst(stageTitle(stage.p.layout, stage.s)) : 'a stage of the plan';
    },
  });
}
