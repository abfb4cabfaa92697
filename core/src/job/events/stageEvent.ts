import { emptied } from '../../fluid/inside';
import { heldBack, type Plan } from '../../bleed/plan';
import {
  afterSaying,
  isStageThrough,
  sayingTouches,
  stageFault,
  stageOpens,
  type OwnStage,
  type StageEvent,
} from '../../bleed/stages';
import { halt, opened, type RunLeg, type RunStanding } from '../standing';
import type { EventBase, Logged } from './base';
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
    const stage = ownStageIn(plan, event.stageId);
    if (stage) return stageFault(plan, stage, event);
  }
  return `There is no stage "${event.stageId}" in this plan that is done by itself.`;
}

const ownStageIn = (plan: Plan, stageId: string): OwnStage | undefined =>
  plan.stages.find((s): s is OwnStage => s.id === stageId && s.kind !== 'bleed');

/** Something said in a stage that opens no bleeder, under the plan to which that stage belongs. */
export function stageFold(run: RunStanding, event: Logged<EventBase & StageEvent>): RunStanding {
  const legs: readonly Pick<RunLeg, 'plan' | 'stages'>[] = [run, ...run.past];
  for (const leg of legs) {
    const stage = ownStageIn(leg.plan, event.stageId);
    if (!stage) continue;
    const after = afterSaying(leg.plan, stage, leg.stages[stage.id], event);
    const stages = { ...leg.stages, [stage.id]: after.state };
    const next =
      leg === run
        ? { ...run, stages }
        : { ...run, past: run.past.map((l) => (l === leg ? { ...l, stages } : l)) };
    const through = event.kind === 'stage done' && stageOpens(stage);
    const canMl =
      stage.kind === 'bench' &&
      event.kind !== 'stage skipped' &&
      isStageThrough(leg.plan, stage, after.state) &&
      !isStageThrough(leg.plan, stage, leg.stages[stage.id])
        ? stage.canMl?.value
        : 0;
    const off = event.kind === 'stage done' && stage.kind === 'hold point' && leg === run;
    // What went into the can on the bench came out of a container, and is no fluid of the vehicle any more.
    const benched = canMl
      ? { ...next, pouredMl: next.pouredMl + canMl, removedMl: next.removedMl + canMl }
      : next;
    const parts = off
      ? { ...benched, empties: emptied(leg.plan.layout, next.empties, heldBack(leg.plan)) }
      : benched;
    const said = through ? opened(parts, event.atMs) : parts;
    return after.halt
      ? halt(said, {
          eventId: event.id,
          reason: after.halt,
          masterId: stage.kind === 'tie back' ? stage.masterId : null,
        })
      : said;
  }
  return run;
}
