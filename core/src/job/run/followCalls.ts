import type { RunEvent, RunHappening } from '../events';
import { foldEvent } from './fold';
import { nextStep, type NextStep } from './nextStep';
import { strokesUntilTopUp } from '../../hydraulics/order';
import { usualSaying, type OwnStage, type PlanOpening } from '../../bleed/stages';
import { emptyRun, type RunState } from './state';
import type { Plan } from '../../bleed/plan';

/** What is passed in so that the same call gives the same log. */
export interface FollowOptions {
  readonly deviceId: string;
  /** Gives a new id at each call. */
  readonly nextId: () => string;
  readonly startMs: number;
  /** Number of the last event of that device; 0 when left out. */
  readonly lastSeq?: number | undefined;
  /** Strokes to make at the most; the log ends before the next one. */
  readonly strokes?: number | undefined;
  /** The log ends before the first stage of this kind. */
  readonly until?: OwnStage['kind'] | undefined;
}

/** Seconds that one entry takes in a made-up log [M]. */
const MS_PER_EVENT = 6_000;

/** Events at the most: a whole car takes a few hundred, so a run that goes on past this turns in a circle. */
const MOST_EVENTS = 5_000;

/**
 * The log of somebody who does just what the run calls for, with clean
 * readings: for the demo, and for tests of what must always hold. Ends when
 * the run is finished, needs a decision, or the strokes are used up.
 *
 * @param from where the run stands; its beginning when left out
 * @throws where the calls never come to an end
 */
export function followCalls(
  plan: Plan,
  options: FollowOptions,
  from: RunState = emptyRun(plan),
): RunEvent[] {
  const events: RunEvent[] = [];
  let state = from;
  let strokesMade = 0;
  while (events.length < MOST_EVENTS) {
    const step = nextStep(state);
    if (step.kind === 'stage' && step.stage.kind === options.until) return events;
    const said = answerTo(state, step);
    if (!said || (said.kind === 'stroke' && strokesMade === (options.strokes ?? Infinity)))
      return events;
    if (said.kind === 'stroke') strokesMade++;
    const event: RunEvent = {
      id: options.nextId(),
      deviceId: options.deviceId,
      deviceSeq: (options.lastSeq ?? 0) + events.length + 1,
      atMs: options.startMs + events.length * MS_PER_EVENT,
      planId: state.plan.id,
      ...said,
    };
    events.push(event);
    state = foldEvent(state, { ...event, person: '' });
  }
  throw new Error('The calls of this run never come to an end.');
}

/** What somebody who does just what the run calls for does next, with clean readings; null where nothing is called for. */
export const usualAnswer = (state: RunState): RunHappening | null =>
  answerTo(state, nextStep(state));

function answerTo(state: RunState, step: NextStep): RunHappening | null {
  switch (step.kind) {
    case 'prepare':
      return { kind: 'prepared', step: step.step };
    case 'top up':
    case 'last fill':
      return { kind: 'topped up', reservoirId: step.reservoir.id, containerId: null };
    case 'draw off':
      return { kind: 'drawn off', reservoirId: step.reservoir.id };
    case 'pressure':
      return { kind: 'pressure set', on: step.on };
    case 'ready syringe':
      return { kind: 'syringe readied', openingId: step.opening.id };
    case 'stroke':
    case 'more strokes':
      return { kind: 'stroke', openingId: step.opening.id };
    case 'flow':
      return {
        kind: 'jar read',
        openingId: step.opening.id,
        jarMl: state.jar.standsMl + step.opening.strokeMl.value,
      };
    case 'fill way': {
      const { opening, reservoir, leftMl } = step;
      const givesMl = state.levelMl[reservoir.id]! - reservoir.topUpLevelMl.value;
      const fluidComes = givesMl >= leftMl;
      const levelMl = state.levelMl[reservoir.id]! - Math.min(leftMl, givesMl);
      return { kind: 'level seen', openingId: opening.id, levelMl, fluidComes };
    }
    case 'read': {
      const openingId = step.opening.id;
      // A sweep that might end is gone on with as planned.
      const made = state.bleeders.find((b) => b.openingId === openingId)!.strokes;
      if (made < step.opening.strokes.value)
        return isLow(state, step.opening)
          ? { kind: 'topped up', reservoirId: step.opening.reservoirId, containerId: null }
          : { kind: 'stroke', openingId };
      return step.missing.includes('bubbles not read')
        ? { kind: 'bubbles', openingId, reading: 'none' }
        : { kind: 'colour', openingId, colour: state.plan.newColour };
    }
    case 'shut':
      return { kind: 'shut', openingId: step.opening.id, tightened: 'by feel' };
    case 'fit part':
      return { kind: 'part fitted', partId: step.partId, cappedAtOnce: true, keptFull: true };
    case 'master joined':
      return {
        kind: 'master fitted',
        masterId: step.masterId,
        linesStayedFull: true,
        nothingElseOpened: true,
        modulatorLostNothing: true,
        heldDown: true,
        bench: 'clean',
      };
    case 'stage':
      return usualSaying(state.plan, step.stage, state.stages[step.stage.id]);
    case 'shut early':
    case 'decide':
    case 'finished':
    case 'ended':
      return null;
  }
}

/** Whether the next stroke, made in full, could take its reservoir below the call. */
function isLow(
  state: RunState,
  { fromReservoir, reservoirId, mostStrokeMl }: PlanOpening,
): boolean {
  const reservoir = state.plan.reservoirs.find((b) => b.id === reservoirId)!;
  return (
    fromReservoir &&
    strokesUntilTopUp(state.leastMl[reservoirId]!, reservoir, mostStrokeMl.value) === 0
  );
}
