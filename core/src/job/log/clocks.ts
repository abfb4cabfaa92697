import { ENDS_FLOW, type ClockKind } from '../../base/clock';
import { cycleTimes, isPumpStep } from '../../bleed/scanTool';
import { type Logged, type JobEvent } from '../events';
import { undoneIds } from './undo';

/** A clock that runs, or is up and was not looked at. */
export interface RunningClock {
  /** Of the event that started it. */
  readonly eventId: string;
  readonly clock: ClockKind;
  /** Where; null where it is of the whole vehicle. */
  readonly elementId: string | null;
  readonly person: string;
  readonly startedMs: number;
  /** When it is up, milliseconds since 1970. */
  readonly dueMs: number;
  /** Whether it is a flow of the run, or a pump that cools: what follows in the run ends it, no tap on it. */
  readonly ofRun?: true;
}

/** The clocks of a job that nobody has ended, the one that is up first at the front. */
export function runningClocks(log: readonly Logged<JobEvent>[]): RunningClock[] {
  const undone = undoneIds(log);
  const inEffect = log.filter((e) => !undone.has(e.id));
  const ended = new Set(inEffect.flatMap((e) => (e.kind === 'clock ended' ? [e.eventId] : [])));
  return [
    ...inEffect.flatMap((e): RunningClock[] =>
      e.kind === 'clock started' && !ended.has(e.id)
        ? [
            {
              eventId: e.id,
              clock: e.clock,
              elementId: e.elementId,
              person: e.person,
              startedMs: e.atMs,
              dueMs: e.atMs + e.minutes * 60_000,
            },
          ]
        : [],
    ),
    ...flowsOf(inEffect),
    ...coolsIn(inEffect),
  ].sort((a, b) => a.dueMs - b.dueMs);
}

/** The flows of a run that nobody looked at since they were let run: each opening has one at the most. */
function flowsOf(log: readonly Logged<JobEvent>[]): RunningClock[] {
  const flows = new Map<string, RunningClock>();
  for (const e of log) {
    // What halts the run stops what runs in it; by another plan it is another opening.
    if (e.kind === 'halted' || e.kind === 'decided') flows.clear();
    if (!('openingId' in e) || e.openingId === null || !endsFlow(e.kind)) continue;
    flows.delete(e.openingId);
    if (e.kind !== 'flow set' || e.lookAfterS === null) continue;
    flows.set(e.openingId, {
      eventId: e.id,
      clock: 'level look',
      elementId: null,
      person: e.person,
      startedMs: e.atMs,
      dueMs: e.atMs + e.lookAfterS * 1000,
      ofRun: true,
    });
  }
  return [...flows.values()];
}

/** The pump of a tool's cycle after its last run: it cools, an aborted run too, until the cycle is checked at its end. */
function coolsIn(log: readonly Logged<JobEvent>[]): RunningClock[] {
  const steps = log.filter((e) => e.kind === 'tool step' || e.kind === 'tool checked');
  const ran = steps.filter((e) => e.kind === 'tool step' && isPumpStep(e.stepId)).at(-1);
  if (!ran) return [];
  const over = steps.slice(steps.indexOf(ran)).some((e, i, after) => {
    const before = after[i - 1];
    return e.kind === 'tool checked' && before?.kind === 'tool step' && before.done;
  });
  if (over) return [];
  return [
    {
      eventId: ran.id,
      clock: 'cool-down',
      elementId: null,
      person: ran.person,
      startedMs: ran.atMs,
      dueMs: ran.atMs + cycleTimes().coolS.value * 1000,
      ofRun: true,
    },
  ];
}

const endsFlow = (kind: JobEvent['kind']): boolean =>
  (ENDS_FLOW satisfies readonly JobEvent['kind'][] as readonly string[]).includes(kind);
