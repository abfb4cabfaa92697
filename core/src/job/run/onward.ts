import {
  chambersOf,
  type Layout,
  type Master,
  type SizeFound,
  circuitOf,
} from '../../vehicle/circuit';
import {
  cameOff,
  planBleed,
  refusalWords,
  shapeChanges,
  type Plan,
  type PlanReached,
  type PlanResult,
  type PreparationStep,
} from '../../bleed/plan';
import type { Method } from '../../hydraulics/flow';
import { type OwedWork, type WorkDone } from '../../bleed/scope';
import { draftOf, isStageThrough, type PlanOpening, type StageDraft } from '../../bleed/stages';
import type { Onward } from '../events';
import { missingAt } from './nextStep';
import { RunFluid } from './runFluid';
import { bySizes, sizeChanges, sizesBefore } from './sizes';
import { type RunState } from './state';
import { firstPlanOf, plansOf, reservoirsRunDry, type BleederState, type Halt } from '../standing';

/**
 * Plan the rest of a run anew from the state reached: the fluid as it stands
 * in the lines, what was prepared, what is left shut. Where air came in, or may
 * be inside the modulator, the scope is found anew; where one bleeder cannot be
 * opened, the others go on with what is still to do.
 *
 * @param planId of the plan that follows: the id of the decision
 */
export function planOnward(
  state: RunState,
  halt: Halt,
  decision: Onward,
  planId: string,
): PlanResult {
  const leftShut = [...state.leftShut.keys()];
  const inHand = state.plan.openings.find((s) => s.id === halt.openingId)?.bleeder.id;
  switch (decision) {
    case 'plan anew': {
      // What was done to the vehicle is as it was; only what it takes is not.
      if (halt.reason === 'other size') return restBy(state, planId, leftShut);
      const work = rubberRenewed(state, workAfter(state, halt));
      return anew(
        state,
        planId,
        work,
        reachedBy(state, work, { leftShut, rest: null, fillFirst: halt.reason === 'ran dry' }),
      );
    }
    case 'another method':
      return byAnother(state, planId, leftShut);
    case 'leave shut':
      return restBy(state, planId, inHand === undefined ? leftShut : [...leftShut, inHand]);
    case 'do it last':
      return restBy(state, planId, leftShut, inHand);
    default:
      return decision satisfies never;
  }
}

/** What a decision would bring, for a person to read before deciding: the plan of the rest, the rest as it was, and what is different; or why there is none. */
export function whatFollows(
  state: RunState,
  halt: Halt,
  decision: Onward,
):
  | { readonly plan: Plan; readonly before: Plan | null; readonly changes: readonly string[] }
  | { readonly refusals: readonly string[] } {
  const after = planOnward(state, halt, decision, 'looked at');
  if (after.verdict === 'refused')
    return { refusals: after.reasons.map((r) => refusalWords(state.plan.layout, r)) };
  const { told, before: guessed } = sizesBefore(state.accepted, state.log, halt.eventId);
  const asItWas = restBy(bySizesOf(state, guessed), 'looked at', [...state.leftShut.keys()]);
  const before = asItWas.verdict === 'planned' ? asItWas.plan : null;
  const sizes = halt.reason === 'other size' ? sizeChanges(state.plan.layout, told, guessed) : [];
  return {
    plan: after.plan,
    before,
    changes: [...sizes, ...(before ? shapeChanges(before, after.plan) : [])],
  };
}

/** A run as it would stand if some sizes were others. */
function bySizesOf(state: RunState, sizes: readonly SizeFound[]): RunState {
  if (sizes.length === 0) return state;
  return {
    ...state,
    plan: bySizes(state.plan, sizes),
    past: state.past.map((leg) => ({ ...leg, plan: bySizes(leg.plan, sizes) })),
    log: state.log.map((e) =>
      e.kind === 'decided' && e.plan ? { ...e, plan: bySizes(e.plan, sizes) } : e,
    ),
  };
}

/** What was done to the vehicle by now, the surprise counted in. */
function workAfter(state: RunState, { eventId, reason, openingId, masterId }: Halt): WorkDone {
  const { plan } = state;
  const { work } = plan;
  switch (reason) {
    case 'ran dry':
      return {
        ...work,
        lowest: [
          ...work.lowest.filter((l) => !reservoirsRunDry(plan, openingId).includes(l.reservoirId)),
          ...reservoirsRunDry(plan, openingId).map((reservoirId) => ({
            reservoirId,
            belowMaxMm: outletInUseMm(plan, reservoirId, openingId),
          })),
        ],
      };
    case 'pedal not right': {
      // A clutch that fails is bled again by itself: the brakes were judged on their own.
      const master = plan.layout.masters.find((m) => m.id === masterId);
      const soft = { ...work, purpose: 'soft pedal' as const, also: [] };
      if (!master) return { ...soft, airInModulator: true };
      return {
        ...soft,
        masterIds: [master.id],
        ...(master.system === 'clutch'
          ? onlyOf(plan.layout, work, master)
          : { airInModulator: true }),
      };
    }
    case 'not as planned': {
      const how = state.log.find((e) => e.id === eventId);
      if (how?.kind === 'master fitted') {
        const { linesStayedFull, nothingElseOpened, modulatorLostNothing, heldDown, bench } = how;
        const went = { linesStayedFull, nothingElseOpened, modulatorLostNothing, heldDown, bench };
        return { ...work, master: work.master && { ...work.master, ...went, notYet: false } };
      }
      if (how?.kind !== 'part fitted') return work;
      const { partId, cappedAtOnce, keptFull } = how;
      return {
        ...work,
        parts: work.parts.map((p) =>
          p.partId === partId ? { ...p, cappedAtOnce, keptFull, notYet: false } : p,
        ),
      };
    }
    case 'snapped': {
      // The part comes off for its bleeder, and what hangs on it is bled.
      const at = plan.openings.find((s) => s.id === openingId)?.bleeder.at;
      if (at === undefined || work.parts.some((p) => p.partId === at)) return work;
      return {
        ...work,
        parts: [...work.parts, { partId: at, cappedAtOnce: false, keptFull: true, newPart: true }],
      };
    }
    case 'air never ends':
      return { ...work, airInModulator: true };
    default:
      return work;
  }
}

/** What of the strip is owed still, whatever else is planned anew. */
const rubberOf = (owed: WorkDone['owed']): Pick<OwedWork, 'rubberAt' | 'strippedAt'> => ({
  ...(owed?.rubberAt ? { rubberAt: owed.rubberAt } : {}),
  ...(owed?.strippedAt ? { strippedAt: owed.strippedAt } : {}),
});

/** Where all rubber was renewed in this run, only the test behind the flush is still to come. */
function rubberRenewed({ plan, past, stages }: RunState, work: WorkDone): WorkDone {
  const { owed } = work;
  if (!owed?.rubberAt) return work;
  const done = [...past, { plan, stages }].flatMap((leg) =>
    leg.plan.stages.flatMap((s) =>
      s.kind === 'strip' && isStageThrough(leg.plan, s, leg.stages[s.id]) ? s.reservoirIds : [],
    ),
  );
  const { rubberAt, ...others } = owed;
  const still = rubberAt.filter((id) => !done.includes(id));
  return {
    ...work,
    owed: {
      ...others,
      ...(still.length > 0 ? { rubberAt: still } : {}),
      strippedAt: [...new Set([...(owed.strippedAt ?? []), ...done])],
    },
  };
}

/** Of what was done, only what belongs to one master: the rest was bled and proved. */
function onlyOf(
  layout: Layout,
  { parts, master, owed }: WorkDone,
  { id, chambers }: Master,
): Pick<WorkDone, 'parts' | 'master' | 'lowest' | 'owed'> {
  const circuit = new Set(chambers.flatMap((c) => [...circuitOf(layout, c)]));
  return {
    // What the level did was bled out under the plan before.
    parts: parts.filter((p) => circuit.has(p.partId)).map((p) => ({ ...p, keptFull: true })),
    master: master?.masterId === id ? master : null,
    lowest: [],
    owed: { airAt: [], oldAt: [], modulatorIds: [], ...rubberOf(owed) },
  };
}

/** Depth of the outlet through which a reservoir ran dry: that of the bleeder in hand, else the deepest. */
function outletInUseMm(plan: Plan, reservoirId: string, openingId: string | null): number {
  const chamberId = plan.openings.find((s) => s.id === openingId)?.chamberId;
  const fed = chambersOf(plan.layout)
    .map((c) => c.chamber)
    .filter((c) => c.fedBy === reservoirId);
  return Math.max(
    ...fed
      .filter((c) => chamberId === undefined || c.id === chamberId)
      .map((c) => c.outlet.belowMaxMm),
  );
}

function anew(state: RunState, planId: string, work: WorkDone, reached: PlanReached): PlanResult {
  const { layout, fillGrade, newColour, means, preferences, wishes } = state.plan;
  // On the vehicle it is primed in place: the bench is behind it.
  const request = {
    layout,
    fillGrade,
    newColour,
    means,
    preferences,
    ...wishes,
    planId,
    work,
    primeInPlace: true,
    reached,
  };
  const result = planBleed(request);
  // A method that was chosen for the first plan may be hopeless for what came to pass.
  return result.verdict === 'refused' && wishes?.method
    ? planBleed({ ...request, method: null })
    : result;
}

function restBy(
  state: RunState,
  planId: string,
  leftShut: readonly string[],
  last?: string,
  another?: Method,
): PlanResult {
  const { layout, fillGrade, newColour, means, preferences, wishes, work, method } = state.plan;
  return planBleed({
    layout,
    fillGrade,
    newColour,
    means,
    preferences,
    ...wishes,
    planId,
    work,
    method: another ?? method,
    reached: reachedBy(state, work, {
      leftShut,
      rest: restOf(state, leftShut, last).map((d) => (another ? byMethod(d, another) : d)),
      fillFirst: false,
    }),
  });
}

/** A stage of bleeding by another method; any other stage as it is. */
const byMethod = (draft: StageDraft, method: Method): StageDraft =>
  draft.kind === 'bleed'
    ? {
        ...draft,
        method,
        visits: draft.visits.map((v) => ({ ...v, visit: { ...v.visit, method } })),
      }
    : draft;

/** The rest by the best of the other methods that can work here; refused with the last reason where none can. */
function byAnother(state: RunState, planId: string, leftShut: readonly string[]): PlanResult {
  const inHand = state.plan.method;
  const others = state.plan.methods.filter(
    (m) => m.method !== inHand && m.method !== 'injection' && m.verdict !== 'hopeless',
  );
  let result: PlanResult | null = null;
  for (const { method } of others) {
    result = restBy(state, planId, leftShut, undefined, method);
    if (result.verdict === 'planned') return result;
  }
  return result ?? restRefused(state);
}

/** No other method can work: said as the refusal of the one in hand would be. */
function restRefused({ plan }: RunState): PlanResult {
  const reasons = plan.methods
    .filter((m) => m.method !== plan.method)
    .slice(0, 1)
    .map((m) => ({
      code: 'method' as const,
      method: m.method,
      reasons: m.reasons.filter((r) => r.weight === 'stops'),
    }));
  return { verdict: 'refused', reasons, methods: plan.methods };
}

function reachedBy(
  state: RunState,
  work: WorkDone,
  more: Pick<PlanReached, 'leftShut' | 'rest' | 'fillFirst'>,
): PlanReached {
  const { preparation } = state.plan;
  // What was planned and not come to is still to be done: the run stood before it.
  const still = (step: PreparationStep) =>
    preparation.includes(step) && !state.prepared.includes(step);
  const filled = !still('fill reservoir');
  const fluid = new RunFluid(firstPlanOf(state)).after(state.log);
  for (const id of cameOff(state.plan, { work })) fluid.comesOff(id);
  return {
    ...more,
    emptyFirst: !filled && still('empty reservoir'),
    fillFirst: more.fillFirst || !filled,
    fluid,
    prepared: state.prepared,
    cracked: plansOf(state).flatMap((p) => p.openings.map((s) => s.bleeder.id)),
  };
}

/** Whether an opening is behind: shut with nothing missing, or with a reason for what is. */
const isOver = (plan: Plan, opening: PlanOpening, b: BleederState): boolean =>
  b.shut && (b.early !== null || missingAt(plan, opening, b).length === 0);

/** What is still to do of the plan in force, one bleeder moved to the end of its stage where it waits for the penetrant. */
function restOf(
  state: RunState,
  leftShut: readonly string[],
  last: string | undefined,
): StageDraft[] {
  const { plan } = state;
  return plan.stages.flatMap((stage): StageDraft[] => {
    if (stage.kind !== 'bleed') {
      const through = isStageThrough(plan, stage, state.stages[stage.id]);
      return through ? [] : [draftOf(stage, plan)];
    }
    const waiting = plan.openings.filter(
      (s) =>
        s.stageId === stage.id &&
        !leftShut.includes(s.bleeder.id) &&
        !isOver(plan, s, state.bleeders.find((b) => b.openingId === s.id)!),
    );
    const inOrder = [
      ...waiting.filter((s) => s.bleeder.id !== last),
      ...waiting.filter((s) => s.bleeder.id === last),
    ];
    const visits = inOrder.map((s) => ({
      visit: { bleederId: s.bleeder.id, method: s.method, until: s.until },
      why: s.why,
    }));
    return visits.length === 0
      ? []
      : [{ kind: 'bleed', purpose: stage.purpose, method: stage.method, visits }];
  });
}
