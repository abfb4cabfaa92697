import type { JobEvent } from '@brook/core/job/log';
import { FIRST_PLAN, liftPlan, type Plan } from '@brook/core/bleed/plan';
import type { Kept } from '@brook/core/job/run';
import type { OldJob, OldRunEvent } from './oldJob';

/**
 * The log of a run from before there was one log. Each event gets the plan
 * under which it was made, and the openings and stages of a later plan get ids
 * of their own, so that each means one thing for the whole job. Where another
 * phone went on counting, that is said.
 *
 * @param nextId gives the ids of what is said besides, the same at each lift
 */
export function liftRun(
  accepted: Plan,
  run: OldJob['run'],
  nextId: () => string,
): Kept<JobEvent>[] {
  const later: { readonly decisionId: string; readonly plan: Plan }[] = [];
  let countingDevice: string | null = null;
  return run.flatMap(({ event, by }): Kept<JobEvent>[] => {
    const inForce = later.at(-1)?.plan ?? accepted;
    const lifted = liftEvent(event, inForce, by);
    if (event.kind === 'undone') {
      const at = later.findIndex((l) => l.decisionId === event.eventId);
      if (at >= 0) later.splice(at, 1);
    }
    if (lifted.kind === 'decided' && lifted.plan)
      later.push({ decisionId: lifted.id, plan: lifted.plan });
    if (event.kind !== 'stroke') return [lifted];
    const goesOn = countingDevice === null || countingDevice === event.deviceId;
    countingDevice = event.deviceId;
    if (goesOn) return [lifted];
    const { deviceId, atMs } = event;
    return [
      {
        id: nextId(),
        deviceId,
        deviceSeq: 0,
        atMs,
        planId: inForce.id,
        kind: 'counting',
        way: 'tap',
        person: by,
      },
      lifted,
    ];
  });
}

function liftEvent(event: OldRunEvent, inForce: Plan, person: string): Kept<JobEvent> {
  const { stopId, stageId, plan, ...rest } = event;
  const named = (id: string) => (inForce.id === FIRST_PLAN ? id : ofPlan(id, inForce.id));
  return {
    ...rest,
    planId: inForce.id,
    ...(stopId === undefined ? {} : { stopId: stopId === null ? null : named(stopId) }),
    ...(stageId === undefined ? {} : { stageId: named(stageId) }),
    ...(event.kind === 'topped up' ? { containerId: null } : {}),
    ...(event.kind === 'decided'
      ? { plan: plan ? withOwnIds(liftPlan(plan, event.id), event.id) : null }
      : {}),
    person,
  } as unknown as Kept<JobEvent>;
}

const ofPlan = (id: string, planId: string): string => `${id}@${planId}`;

/** A later plan whose openings and stages began their names again: each gets one of its own. */
function withOwnIds(plan: Plan, planId: string): Plan {
  const own = (id: string) => ofPlan(id, planId);
  return {
    ...plan,
    id: planId,
    stops: plan.stops.map((s) => ({ ...s, id: own(s.id), stageId: own(s.stageId) })),
    stages: plan.stages.map((s) =>
      s.kind === 'bleed'
        ? { ...s, id: own(s.id), stopIds: s.stopIds.map(own) }
        : { ...s, id: own(s.id) },
    ),
  };
}
