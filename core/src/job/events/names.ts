import { lowerFirst } from '../../base/text';
import type { Plan } from '../../bleed/plan';
import { stageTitle } from '../../bleed/stages';
import { bleederName } from '../../vehicle/circuit';
import type { Names } from './kind';

/** How what an event names is called on the vehicle of these plans. */
export const namesIn = (plans: readonly Plan[]): Names => ({
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
