import { bleederName } from '../../vehicle/circuit';
import type { Method } from '../../hydraulics/flow';
import type { Plan } from '../../bleed/plan';
import type { AmountKey } from '../../bleed/rules';
import type { PlanOpening } from '../../bleed/stages';
import type { Logged, RunEvent } from '../events';
import type { RunState } from './state';
import type { BleederState } from '../standing';

/** A pause between two strokes that is longer is something else: a look, a top-up, a call, s [M]. */
const LONGEST_STROKE_S = 30;
/** So many strokes tell a pace [M]. */
const LEAST_STROKES = 5;
/** A way from one bleeder to the next that takes longer is a meal, min [M]. */
const LONGEST_WAY_MIN = 30;

/** How one opening of a bleeder went, against its plan. */
export interface Pace {
  readonly openingId: string;
  readonly place: string;
  readonly method: Method;
  /** Who counted most of it. */
  readonly person: string;
  readonly plannedStrokes: number;
  readonly strokes: number;
  readonly plannedMl: number;
  readonly ml: number;
  readonly plannedMinutes: number;
  /** From the bleeder before it being shut, or from its first stroke, to its own being shut; null where it was not. */
  readonly minutes: number | null;
  /** Of one stroke, pauses left out; null where too few were made one by one. */
  readonly secondsPerStroke: number | null;
  /** Reach, hose and cap; null at the first of a run, and where something else came between. */
  readonly minutesBetween: number | null;
}

/** What a run teaches: each opening at which strokes were made and that was shut. */
export function pacesOf(state: RunState): Pace[] {
  const legs: readonly { readonly plan: Plan; readonly bleeders: readonly BleederState[] }[] = [
    ...state.past,
    state,
  ];
  return legs.flatMap(({ plan, bleeders }) =>
    plan.openings.flatMap((opening) => {
      const b = bleeders.find((x) => x.openingId === opening.id);
      return b && b.strokes > 0 && b.shut ? [paceOf(plan, opening, b, state.log)] : [];
    }),
  );
}

function paceOf(
  plan: Plan,
  opening: PlanOpening,
  { strokes, bledMl }: BleederState,
  log: readonly Logged<RunEvent>[],
): Pace {
  const made = log.filter(
    (e) =>
      (e.kind === 'stroke' || e.kind === 'jar read' || e.kind === 'level seen') &&
      e.openingId === opening.id,
  );
  const shutAt = log.map((e) => e.kind === 'shut' && e.openingId === opening.id).lastIndexOf(true);
  const firstMs = made[0]!.atMs;
  const lastMs = made.at(-1)!.atMs;
  const shutMs = log[shutAt]!.atMs;
  const before = log.filter(
    (e) => e.kind === 'shut' && e.openingId !== opening.id && e.atMs <= firstMs,
  );
  const beforeMs = before.at(-1)?.atMs ?? null;
  const between = beforeMs === null ? null : (firstMs - beforeMs + shutMs - lastMs) / 60_000;
  const way = beforeMs === null || (between ?? 0) > LONGEST_WAY_MIN ? firstMs : beforeMs;
  return {
    openingId: opening.id,
    place: bleederName(opening.bleeder),
    method: opening.method,
    person: mostOf(made.map((e) => e.person)),
    plannedStrokes: opening.strokes.value,
    strokes,
    plannedMl: opening.bledMl.value,
    ml: bledMl,
    plannedMinutes:
      (opening.strokes.value * opening.secondsPerStroke) / 60 + plan.preferences.minutesPerBleeder,
    minutes: (shutMs - way) / 60_000,
    secondsPerStroke: secondsOf(made),
    minutesBetween: between === null || between > LONGEST_WAY_MIN ? null : between,
  };
}

/** Seconds of one stroke: the time from one to the next, several that were said at once shared out. */
function secondsOf(made: readonly Logged<RunEvent>[]): number | null {
  let strokes = 0;
  let ms = 0;
  for (let i = 1; i < made.length; i++) {
    const event = made[i]!;
    const n = event.kind === 'stroke' ? (event.made ?? 1) : 0;
    const gapMs = event.atMs - made[i - 1]!.atMs;
    if (n === 0 || gapMs <= 0 || gapMs / n > LONGEST_STROKE_S * 1000) continue;
    strokes += n;
    ms += gapMs;
  }
  return strokes < LEAST_STROKES ? null : ms / strokes / 1000;
}

const mostOf = (people: readonly string[]): string =>
  [...new Set(people)].sort(
    (a, b) => people.filter((p) => p === b).length - people.filter((p) => p === a).length,
  )[0]!;

/** So many openings are enough to propose a time of the workshop's own. */
export const PROPOSE_FROM = 10;

/** The rule that a measured pace is of; null where the plan asks for none. */
export function paceRule(method: Method): AmountKey | null {
  switch (method) {
    case 'two people':
      return 'secondsPerStrokeTwoPeople';
    case 'alone at the lever':
      return 'secondsPerStrokeLever';
    case 'alone, bottle':
      return 'secondsPerStrokeBottle';
    default:
      return null;
  }
}
