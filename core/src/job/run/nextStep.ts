import { partIdOf } from '../../vehicle/circuit';
import { COLOURS } from '../../fluid/verdict';
import { emptyOnWayMl, wayTo } from '../../fluid/inside';
import { drawsOff, halfMl, lookAfterS, strokesUntilTopUp } from '../../hydraulics/order';
import {
  LAST_FILL_FROM_ML,
  type Plan,
  type PlanReservoir,
  type PreparationStep,
} from '../../bleed/plan';
import {
  isStageThrough,
  leastCounts,
  stageWhen,
  type OwnStage,
  type PlanOpening,
  type StageWhen,
} from '../../bleed/stages';
import { type RunState } from './state';
import { isWaiting, type BleederState, type Halt } from '../standing';

/** What is still missing before a bleeder may be shut. */
export type Missing =
  | 'strokes'
  | 'bubbles not read'
  | 'bubbles in the last three'
  /** The order of a round was broken less than three strokes ago. */
  | 'round broken'
  /** Somebody came back to it less than three strokes ago. */
  | 'opened again'
  | 'colour not read'
  | 'colour not new';

/** The one thing to do next in a run. */
export type NextStep =
  | { readonly kind: 'prepare'; readonly step: PreparationStep }
  | { readonly kind: 'stage'; readonly stage: OwnStage }
  /** A part that was still to be done: fitted, and how it went. */
  | { readonly kind: 'fit part'; readonly partId: string }
  /** A master that was still to be changed: its lines are joined, and how that went. */
  | { readonly kind: 'master joined'; readonly masterId: string }
  | { readonly kind: 'decide'; readonly halt: Halt }
  | { readonly kind: 'top up'; readonly reservoir: PlanReservoir; readonly pourMl: number }
  /** Fluid is pushed up into this reservoir: it is drawn off to half before it could rise above MAX. */
  | {
      readonly kind: 'draw off';
      readonly reservoir: PlanReservoir;
      readonly drawMl: number;
      readonly first: boolean;
    }
  /** A pot is put under pressure before its first mark, and let off before anything else is done. */
  | { readonly kind: 'pressure'; readonly on: boolean }
  /** From below: the syringe is rid of its air, joined and tied before the bleeder may be opened, at every filling. */
  | { readonly kind: 'ready syringe'; readonly opening: PlanOpening; readonly again: boolean }
  | {
      readonly kind: 'stroke';
      readonly opening: PlanOpening;
      readonly strokesLeft: number;
      readonly strokesUntilTopUp: number;
    }
  /** A steady flow fills what is empty on the way: let it draw so long, then look into the reservoir. */
  | {
      readonly kind: 'fill way';
      readonly opening: PlanOpening;
      readonly reservoir: PlanReservoir;
      readonly lookAfterS: number;
      readonly leftMl: number;
    }
  /** A steady flow runs by the clock, or ran: what it gave is read on the jar before anything else is done. */
  | {
      readonly kind: 'flow';
      readonly opening: PlanOpening;
      /** Since when, and when somebody looks at the latest, milliseconds since 1970; null where it was stopped. */
      readonly running: BleederState['flow'];
      readonly strokesLeft: number;
    }
  | { readonly kind: 'read'; readonly opening: PlanOpening; readonly missing: readonly Missing[] }
  | {
      readonly kind: 'more strokes';
      readonly opening: PlanOpening;
      readonly missing: readonly Missing[];
      readonly strokesUntilTopUp: number;
    }
  | { readonly kind: 'shut'; readonly opening: PlanOpening }
  /** It was shut and lacks something: it is opened again, or somebody says why not. */
  | {
      readonly kind: 'shut early';
      readonly opening: PlanOpening;
      readonly missing: readonly Missing[];
    }
  | { readonly kind: 'last fill'; readonly reservoir: PlanReservoir; readonly pourMl: number }
  | { readonly kind: 'finished' }
  | { readonly kind: 'ended' };

const LAST_STROKES = 3;
/** What only more strokes put right. */
export const MORE_STROKES: readonly Missing[] = [
  'strokes',
  'round broken',
  'opened again',
  'bubbles in the last three',
  'colour not new',
];

/** Work out the next step from the plan in force and the state reached. */
export function nextStep(state: RunState): NextStep {
  const step = withoutPot(state);
  if (step.kind === 'ended') return step;
  const byPot = 'opening' in step && step.opening.method === 'pressure';
  // Whatever else is called for, a decision among it: a cap under pressure is not opened.
  if (state.pressureOn && !byPot) return { kind: 'pressure', on: false };
  const flows =
    step.kind === 'stroke' ||
    step.kind === 'more strokes' ||
    step.kind === 'fill way' ||
    step.kind === 'flow';
  return byPot && flows && !state.pressureOn ? { kind: 'pressure', on: true } : step;
}

function withoutPot(state: RunState): NextStep {
  const { plan } = state;
  if (state.ended) return { kind: 'ended' };
  const open = state.halts.find((h) => h.decision === null);
  if (open) return { kind: 'decide', halt: open };
  const first = masterJoined(state) ?? beforeTheBleed(state);
  if (first) return first;
  for (const stage of plan.stages) {
    if (stage.kind !== 'bleed') {
      if (!isThrough(state, stage)) return { kind: 'stage', stage };
      continue;
    }
    for (const b of state.bleeders) {
      if (!stage.openingIds.includes(b.openingId)) continue;
      const opening = openingOf(plan, b.openingId);
      if (b.shut && b.flowUnread) return flowStep(opening, b);
      if (isWaiting(state, b)) return atBleeder(state, opening);
      const missing = b.shut && b.early === null ? missingAt(plan, opening, b) : [];
      if (missing.length > 0) return { kind: 'shut early', opening, missing };
    }
  }
  return lastFill(state);
}

/** Once the lines of a master are joined it is asked how that went, before anything else is done. */
function masterJoined(state: RunState): NextStep | null {
  const { plan } = state;
  const master = plan.work.master?.notYet ? plan.work.master : null;
  const join = plan.stages.find((s): s is OwnStage => s.kind === 'join lines');
  return master && join && isThrough(state, join) && !state.fitted.includes(master.masterId)
    ? { kind: 'master joined', masterId: master.masterId }
    : null;
}

/**
 * The order of the work up to the bleed [C]: protected and made still, bleeders
 * cracked while their bodies are held; then parts are compared; then the old
 * fluid is drawn off; then bench and joints; then new fluid is filled, and is
 * not drawn off again.
 */
function beforeTheBleed(state: RunState): NextStep | null {
  const { plan } = state;
  const prepare = (steps: readonly PreparationStep[]): NextStep | null => {
    const step = plan.preparation.find((s) => steps.includes(s) && !state.prepared.includes(s));
    return step ? { kind: 'prepare', step } : null;
  };
  const stage = (when: StageWhen): NextStep | null => {
    const next = plan.stages.find(
      (s): s is OwnStage =>
        s.kind !== 'bleed' && stageWhen(plan, s) === when && !isThrough(state, s),
    );
    return next ? { kind: 'stage', stage: next } : null;
  };
  const fit = (): NextStep | null => {
    const part = plan.work.parts.find(
      (p) => p.notYet && !state.fitted.includes(partIdOf(plan.layout, p.partId)),
    );
    return part ? { kind: 'fit part', partId: part.partId } : null;
  };
  return (
    prepare(plan.preparation.filter((s) => !OF_THE_RESERVOIR.includes(s))) ??
    stage('before drawing') ??
    prepare(['empty reservoir', 'clean reservoir']) ??
    fit() ??
    stage('before filling') ??
    prepare(['fill reservoir'])
  );
}

const OF_THE_RESERVOIR: readonly PreparationStep[] = [
  'empty reservoir',
  'clean reservoir',
  'fill reservoir',
];

/** The opening in hand: the first of the plan that is neither shut nor left, if its stage has come. */
export function currentOpening(state: RunState): PlanOpening | null {
  const step = nextStep(state);
  if ('opening' in step) return step.opening;
  const waiting = state.bleeders.find((b) => isWaiting(state, b));
  return waiting && step.kind !== 'stage' ? openingOf(state.plan, waiting.openingId) : null;
}

const isThrough = (state: RunState, stage: OwnStage): boolean =>
  isStageThrough(state.plan, stage, state.stages[stage.id]);

const openingOf = (plan: Plan, openingId: string): PlanOpening =>
  plan.openings.find((s) => s.id === openingId)!;

/**
 * What an opening lacks: the planned wash-out; at the last opening of its
 * bleeder three strokes free of bubbles with a reading at the last of them;
 * where the fluid is renewed a colour no darker than the new fluid, seen within
 * the last three strokes. The same from the start counts.
 */
export function missingAt(plan: Plan, opening: PlanOpening, b: BleederState): Missing[] {
  const missing: Missing[] = [];
  if (b.strokes < leastCounts(opening)) missing.push('strokes');
  // Bubbles are read where they count: at the last opening, and where a sweep ends by them; any other only moves fluid.
  const last =
    opening.band !== undefined ||
    plan.openings.filter((s) => s.bleeder.id === opening.bleeder.id).at(-1) === opening;
  if (b.againAtStroke !== null && b.strokes - b.againAtStroke < LAST_STROKES)
    missing.push('opened again');
  else if (last && b.lastBrokenAtStroke > 0 && b.strokes - b.lastBrokenAtStroke < LAST_STROKES)
    missing.push('round broken');
  else if (last && b.lastBubblesAtStroke > 0 && b.strokes - b.lastBubblesAtStroke < LAST_STROKES)
    missing.push('bubbles in the last three');
  else if (
    last &&
    (!b.bubbles ||
      b.bubbles.atStroke !== b.strokes ||
      b.strokes < Math.min(LAST_STROKES, leastCounts(opening)))
  )
    missing.push('bubbles not read');
  if (opening.until !== 'new') return missing;
  const wanted = COLOURS.indexOf(plan.newColour);
  if (!b.colour || b.strokes - b.colour.atStroke >= LAST_STROKES) missing.push('colour not read');
  else if (COLOURS.indexOf(b.colour.seen) > wanted)
    missing.push(b.colour.atStroke === b.strokes ? 'colour not new' : 'colour not read');
  return missing;
}

/**
 * What of that leaves danger behind: bubbles always; the wash-out where it was
 * to carry air out, not where it only renews the fluid; never a colour.
 */
export function dangerAt(plan: Plan, opening: PlanOpening, b: BleederState): Missing[] {
  const airy =
    opening.until !== 'new' ||
    plan.scope.bleeders.some((f) => f.bleederId === opening.bleeder.id && f.why.code === 'air');
  return missingAt(plan, opening, b).filter(
    (m) =>
      m === 'bubbles not read' ||
      m === 'bubbles in the last three' ||
      m === 'round broken' ||
      m === 'opened again' ||
      (m === 'strokes' && airy),
  );
}

function atBleeder(state: RunState, opening: PlanOpening): NextStep {
  const { plan } = state;
  const b = state.bleeders.find((x) => x.openingId === opening.id)!;
  const missing = missingAt(plan, opening, b);
  const fill = fillsWay(state, opening, b);
  if (fill && missing.length > 0) return fill;
  if (b.flowUnread) return flowStep(opening, b);
  if (missing.length === 0)
    return lookedAt(opening, b)
      ? { kind: 'shut', opening }
      : { kind: 'read', opening, missing: ['bubbles not read'] };
  const reservoir = plan.reservoirs.find((x) => x.id === opening.reservoirId)!;
  const levelMl = state.levelMl[reservoir.id]!;
  const leastMl = state.leastMl[reservoir.id]!;
  // Somebody will push to the end of travel: the call comes where full strokes would ask for it.
  const untilTopUp = opening.fromReservoir
    ? strokesUntilTopUp(leastMl, reservoir, opening.mostStrokeMl.value)
    : Infinity;
  const leftMl = emptyOnWayMl(state.empties, wayTo(plan.layout, opening.bleeder.id));
  const first = b.strokes === 0;
  const risesMl = Math.max(0, opening.strokeMl.value - leftMl);
  const wantsStrokes = missing.some((m) => MORE_STROKES.includes(m));
  if (wantsStrokes && !opening.fromReservoir && drawsOff(levelMl, reservoir, risesMl, first))
    return { kind: 'draw off', reservoir, drawMl: levelMl - halfMl(reservoir), first };
  if (wantsStrokes && !opening.fromReservoir && !b.syringeReady)
    return { kind: 'ready syringe', opening, again: !first };
  if (wantsStrokes && untilTopUp === 0)
    return { kind: 'top up', reservoir, pourMl: reservoir.maxMl - levelMl };
  if (missing.includes('strokes')) {
    return {
      kind: 'stroke',
      opening,
      strokesLeft: leastCounts(opening) - b.strokes,
      strokesUntilTopUp: untilTopUp,
    };
  }
  if (wantsStrokes)
    return { kind: 'more strokes', opening, missing, strokesUntilTopUp: untilTopUp };
  return { kind: 'read', opening, missing };
}

/** A steady flow that fills what is empty on its way before its first mark. */
function fillsWay(state: RunState, opening: PlanOpening, b: BleederState): NextStep | null {
  const { plan } = state;
  const leftMl = emptyOnWayMl(state.empties, wayTo(plan.layout, opening.bleeder.id));
  if (!opening.mostMlS || leftMl <= 0 || b.strokes > 0) return null;
  const reservoir = plan.reservoirs.find((x) => x.id === opening.reservoirId)!;
  const seconds = lookAfterS(state.leastMl[reservoir.id]!, reservoir, opening.mostMlS.value);
  return seconds === null
    ? { kind: 'top up', reservoir, pourMl: reservoir.maxMl - state.levelMl[reservoir.id]! }
    : { kind: 'fill way', opening, reservoir, lookAfterS: seconds, leftMl };
}

const flowStep = (opening: PlanOpening, b: BleederState): NextStep => ({
  kind: 'flow',
  opening,
  running: b.flow,
  strokesLeft: leastCounts(opening) - b.strokes,
});

/** Three marks more are looked at after: where only bubbles or colour are still waited for. */
const FEW_MARKS = 3;

/**
 * How long a steady flow may run until somebody looks, s: until the level could
 * have fallen to the call to top up, and no longer than the planned end is
 * away by the flow of the layout. Null where nothing flows by itself, or where
 * it is topped up first.
 */
export function flowLookAfterS(state: RunState, step: NextStep): number | null {
  if (step.kind !== 'stroke' && step.kind !== 'more strokes') return null;
  const { opening } = step;
  if (!opening.mostMlS || !opening.fromReservoir) return null;
  const marks = step.kind === 'stroke' ? step.strokesLeft : FEW_MARKS;
  const toEndS = Math.max(1, Math.ceil(marks * opening.secondsPerStroke));
  if (opening.selfFed) return toEndS;
  const reservoir = state.plan.reservoirs.find((b) => b.id === opening.reservoirId)!;
  const byLevelS = lookAfterS(state.leastMl[reservoir.id]!, reservoir, opening.mostMlS.value);
  return byLevelS === null ? null : Math.min(byLevelS, toEndS);
}

/** Whether somebody saw what came at the end of an opening: a first pass too, where nothing need be clear yet. What was shut without is as it is. */
const lookedAt = ({ fromReservoir }: PlanOpening, { bubbles, strokes }: BleederState): boolean =>
  !fromReservoir || (bubbles !== null && strokes - bubbles.atStroke < LAST_STROKES);

function lastFill(state: RunState): NextStep {
  for (const reservoir of state.plan.reservoirs) {
    const pourMl = reservoir.finalLevelMl - state.levelMl[reservoir.id]!;
    if (pourMl > LAST_FILL_FROM_ML) return { kind: 'last fill', reservoir, pourMl };
  }
  return { kind: 'finished' };
}
