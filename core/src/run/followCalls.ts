import { partNeeds, usualPieces } from '../part';
import type { Plan } from '../plan';
import { LEAST_BATTERY_V, type ToolNext } from '../scanTool';
import type { RunEvent } from './event';
import { foldEvent } from './fold';
import { nextStep, type NextStep } from './nextStep';
import { toolNext, type OwnStage } from './stages';
import { emptyRun, type RunState } from './state';

/** What is passed in so that the same call gives the same log. */
export interface FollowOptions {
  readonly deviceId: string;
  /** Gives a new id at each call. */
  readonly nextId: () => string;
  readonly startMs: number;
  /** Strokes to make at the most; the log ends before the next one. */
  readonly strokes?: number | undefined;
  /** The log ends before the first stage of this kind. */
  readonly until?: OwnStage['kind'] | undefined;
}

/** Seconds that one entry takes in a made-up log [M]. */
const MS_PER_EVENT = 6_000;

/**
 * The log of somebody who does just what the run calls for, with clean
 * readings: for the demo, and for tests of what must always hold. Ends when
 * the run is finished, needs a decision, or the strokes are used up.
 *
 * @param from where the run stands; its beginning when left out
 */
export function followCalls(
  plan: Plan,
  options: FollowOptions,
  from: RunState = emptyRun(plan),
): RunEvent[] {
  const events: RunEvent[] = [];
  let state = from;
  let strokesMade = 0;
  for (;;) {
    const step = nextStep(state);
    if (step.kind === 'stage' && step.stage.kind === options.until) return events;
    const said = answerTo(state, step);
    if (!said || (said.kind === 'stroke' && strokesMade === (options.strokes ?? Infinity)))
      return events;
    if (said.kind === 'stroke') strokesMade++;
    const event = {
      id: options.nextId(),
      deviceId: options.deviceId,
      deviceSeq: events.length + 1,
      atMs: options.startMs + events.length * MS_PER_EVENT,
      ...said,
    } as RunEvent;
    events.push(event);
    state = foldEvent(state, event);
  }
}

type Said = RunEvent extends infer E
  ? E extends RunEvent
    ? Omit<E, 'id' | 'deviceId' | 'deviceSeq' | 'atMs'>
    : never
  : never;

function answerTo(state: RunState, step: NextStep): Said | null {
  switch (step.kind) {
    case 'prepare':
      return { kind: 'prepared', step: step.step };
    case 'top up':
    case 'last fill':
      return { kind: 'topped up', bowlId: step.bowl.id };
    case 'stroke':
    case 'more strokes':
      return { kind: 'stroke', stopId: step.stop.id };
    case 'read': {
      const stopId = step.stop.id;
      return step.missing.includes('bubbles not read')
        ? { kind: 'bubbles', stopId, reading: 'none' }
        : { kind: 'colour', stopId, colour: state.plan.newColour };
    }
    case 'shut':
      return { kind: 'shut', stopId: step.stop.id, tightened: 'by feel' };
    case 'stage':
      if (step.stage.kind === 'slave test')
        return {
          kind: 'slave tested',
          stageId: step.stage.id,
          mm:
            step.stage.way === 'blocked'
              ? step.stage.limitMm!.value / 2
              : (step.stage.limitMm?.value ?? 60),
          reverse: step.stage.way === 'blocked' ? null : 'clean',
        };
      if (step.stage.kind === 'right part')
        return asNeeded(state.plan, step.stage.id, step.stage.partId);
      return step.stage.kind === 'tool cycle' && step.stage.atHand
        ? withTool(step.stage.id, toolNext(state, step.stage.id))
        : { kind: 'stage done', stageId: step.stage.id };
    case 'decide':
    case 'finished':
    case 'ended':
      return null;
  }
}

/** A tool read off by hand: everything met, every step done, no code left. */
function withTool(stageId: string, next: ToolNext): Said {
  if (next.kind === 'step')
    return {
      kind: 'tool step',
      stageId,
      stepId: next.step.id,
      by: 'by hand',
      done: true,
      why: null,
    };
  return {
    kind: 'tool checked',
    stageId,
    by: 'by hand',
    check: { batteryV: LEAST_BATTERY_V + 0.6, ignition: 'on', codes: [] },
  };
}

/** A part that is what the layout says, with the usual pieces all right. */
function asNeeded({ layout }: Plan, stageId: string, partId: string): Said {
  const found = Object.fromEntries(
    partNeeds(layout, partId).map((n) => [
      n.id,
      n.kind === 'number' ? n.needed.value : n.kind === 'thread' ? n.needed : true,
    ]),
  );
  return {
    kind: 'part compared',
    stageId,
    found,
    pieces: usualPieces(layout, partId).map((p) => ({ ...p, state: 'right' })),
  };
}
