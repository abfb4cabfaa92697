import { emptyOnWayMl, swallow } from '../../fluid/inside';
import { mostCounts, type PlanOpening } from '../../bleed/stages';
import { atBleeder, flowRead, opened, openingIn, wayIn } from './at';
import { halt } from './halt';
import { jarAfter } from './jar';
import type { RunStanding, UncountedStroke } from './state';

/** As many strokes as were made at an opening, one after the other. */
export function strokes(
  run: RunStanding,
  made: Pick<UncountedStroke, 'eventId' | 'openingId' | 'atMs' | 'made'>,
): RunStanding {
  return Array.from({ length: made.made }).reduce<RunStanding>((r) => stroke(r, made), run);
}

function stroke(
  before: RunStanding,
  { eventId, openingId, atMs }: Pick<UncountedStroke, 'eventId' | 'openingId' | 'atMs'>,
): RunStanding {
  const opening = openingIn(before, openingId);
  if (!opening) return before;
  const run = opened(before, atMs);
  const ml = opening.strokeMl.value;
  // A mark in the jar says that its way is full: the reservoir gave that as well.
  const inJar = opening.fromReservoir && opening.mostMlS !== null;
  const movedMl = ml + (inJar ? emptyOnWayMl(run.empties, wayIn(run, opening)) : 0);
  const { next, passedMl } = moved(
    run,
    opening,
    movedMl,
    inJar ? movedMl : opening.mostStrokeMl.value,
  );
  const after = atBleeder(next, openingId, (b) => ({
    ...flowRead(b),
    strokes: b.strokes + 1,
    bledMl: b.bledMl + passedMl,
    swallowedMl: b.swallowedMl + movedMl - passedMl,
  }));
  return pastItsBand(before, after, opening, eventId);
}

/** Past its band bubbles are no question of patience any more: somebody says what is wrong. */
export function pastItsBand(
  before: RunStanding,
  after: RunStanding,
  opening: PlanOpening,
  eventId: string,
): RunStanding {
  const at = ({ bleeders }: RunStanding) => bleeders.find((x) => x.openingId === opening.id);
  const b = at(after);
  return b &&
    at(before)!.strokes < mostCounts(opening) &&
    b.strokes >= mostCounts(opening) &&
    b.bubbles !== null &&
    b.bubbles.reading !== 'none'
    ? halt(after, { eventId, reason: 'air never ends', openingId: opening.id })
    : after;
}

/** Fluid moved at one opening: out of the reservoir, or out of a syringe from below, where the reservoir is drawn down as it rises. What is empty takes up its part. */
export function moved(
  run: RunStanding,
  opening: PlanOpening,
  ml: number,
  mostMl: number,
): { readonly next: RunStanding; readonly passedMl: number } {
  const { fromReservoir, reservoirId } = opening;
  const along = wayIn(run, opening);
  const { empties, passedMl } = swallow(
    run.empties,
    fromReservoir ? along : [...along].reverse(),
    ml,
  );
  // What feeds the reservoir by itself brings it to MAX and keeps it there: all of it comes out of a container.
  const maxMl = run.plan.reservoirs.find((b) => b.id === reservoirId)?.maxMl;
  const fedTo = fromReservoir && opening.selfFed && maxMl !== undefined ? maxMl : null;
  const falls = fromReservoir && fedTo === null;
  // From below what is not swallowed comes up into the reservoir.
  const less = (levels: RunStanding['levelMl'], by: number) =>
    !fromReservoir
      ? { ...levels, [reservoirId]: levels[reservoirId]! + passedMl }
      : falls
        ? { ...levels, [reservoirId]: levels[reservoirId]! - by }
        : fedTo === null
          ? levels
          : { ...levels, [reservoirId]: fedTo };
  return {
    passedMl,
    next: {
      ...run,
      empties,
      levelMl: less(run.levelMl, ml),
      leastMl: less(run.leastMl, mostMl),
      // What went up is not in the jar.
      bledMl: run.bledMl + (fromReservoir ? passedMl : 0),
      jar: fromReservoir ? jarAfter(run.jar, opening, passedMl, mostMl - ml) : run.jar,
      pouredMl:
        run.pouredMl +
        (falls ? 0 : ml + (fedTo === null ? 0 : Math.max(0, fedTo - run.levelMl[reservoirId]!))),
    },
  };
}
