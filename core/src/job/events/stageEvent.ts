import type { Plan } from '../../bleed/plan';
import { sayingTouches, stageFault, type OwnStage, type StageEvent } from '../../bleed/stages';
import { nothing, type Voids } from './kind';

export type { StageEvent };

/** What of a proof something said in a stage makes void: the kind of stage says so. */
export const stageVoids = ({ kind }: StageEvent): Voids =>
  kind === 'stage done' || kind === 'stage skipped' || sayingTouches(kind)
    ? 'all'
    : nothing('its kind of stage says that it touches nothing');

/** The sentence for something said in a stage that was never there, or null. */
export function stageEventFault(plans: readonly Plan[], event: StageEvent): string | null {
  for (const plan of plans) {
    const stage = plan.stages.find(
      (s): s is OwnStage => s.id === event.stageId && s.kind !== 'bleed',
    );
    if (stage) return stageFault(plan, stage, event);
  }
  return `There is no stage "${event.stageId}" in this plan that is done by itself.`;
}
