import { emptyOnWayMl, wayTo } from '../../fluid/inside';
import type { PlanOpening } from '../../bleed/stages';
import type { JarShare } from '../events';
import type { BleederState, Jar, RunState } from './state';

/** A jar is read to the nearest half of a mark every 10 mL [M]. */
export const JAR_READ_TO_ML = 5;

/** What rounding may leave, mL. */
const TINY_ML = 1e-9;

/** The jar after an opening gave some more by the count, and may have given more than that with full strokes, mL. */
export function jarAfter(
  jar: Jar,
  { id: openingId, reservoirId }: Pick<PlanOpening, 'id' | 'reservoirId'>,
  ml: number,
  slackMl: number,
): Jar {
  const known = jar.since.find((s) => s.openingId === openingId) ?? {
    openingId,
    reservoirId,
    ml: 0,
    filledMl: 0,
    fellMl: 0,
    slackMl: 0,
  };
  const more = {
    ...known,
    ml: known.ml + ml,
    fellMl: known.fellMl + ml,
    slackMl: known.slackMl + Math.max(0, slackMl),
  };
  return {
    ...jar,
    standsMl: jar.standsMl + ml,
    since: [...jar.since.filter((s) => s.openingId !== openingId), more],
  };
}

/** The jar once the level of a reservoir is known again, because it was filled or looked into. */
export const levelKnown = (jar: Jar, reservoirId: string, filled: boolean): Jar => ({
  ...jar,
  since: jar.since.map((s) =>
    s.reservoirId === reservoirId
      ? { ...s, fellMl: 0, filledMl: s.filledMl + (filled ? s.fellMl : 0) }
      : s,
  ),
});

/** The jar emptied, changed or first put under: what was counted into it before stays as it was counted. */
export const jarSet = (jar: Jar, standsMl: number): Jar => ({
  standsMl,
  seen: true,
  unread: jar.unread || jar.since.some((s) => s.ml > 0),
  since: [],
});

/**
 * By how much each opening gave more, or less, than was counted there. More is
 * first laid to the full strokes that others may have made since the last look,
 * so that no opening is credited with what another may have given; the rest is
 * of the opening in hand. Less is taken off all of them alike.
 */
export function jarShares(
  { jar }: Pick<RunState, 'jar'>,
  { openingId, jarMl }: { readonly openingId: string; readonly jarMl: number },
): JarShare[] {
  const shortMl = jarMl - jar.standsMl;
  if (shortMl < 0) {
    const countedMl = jar.since.reduce((sum, s) => sum + s.ml, 0);
    const share = countedMl > 0 ? Math.min(1, -shortMl / countedMl) : 0;
    return jar.since.flatMap((s) =>
      s.ml * share > TINY_ML
        ? [
            {
              openingId: s.openingId,
              ml: -s.ml * share,
              filledMl: -s.filledMl * share,
              fellMl: -s.fellMl * share,
            },
          ]
        : [],
    );
  }
  let leftMl = shortMl;
  // When it came nobody knows: the level is taken as if it all came after the last fill.
  const others = jar.since.flatMap((s) => {
    const ml = s.openingId === openingId ? 0 : Math.min(s.slackMl, leftMl);
    leftMl -= ml;
    return ml > TINY_ML ? [{ openingId: s.openingId, ml, filledMl: 0, fellMl: ml }] : [];
  });
  return leftMl > TINY_ML
    ? [...others, { openingId, ml: leftMl, filledMl: 0, fellMl: leftMl }]
    : others;
}

/**
 * An opening with its count by what left it. Where it was counted too high, or
 * strokes were counted since a look, what was seen keeps its distance to the
 * end; where nothing was counted since, what came meanwhile came after the look.
 */
export function recounted(opening: PlanOpening, b: BleederState): BleederState {
  const ml = b.bledMl + (opening.counted === 'strokes' ? b.swallowedMl : 0);
  const strokes = Math.floor(ml / opening.strokeMl.value + TINY_ML);
  const by = strokes - b.strokes;
  if (by === 0) return b;
  const moved = (atStroke: number): number =>
    atStroke > 0 && (by < 0 || atStroke < b.strokes) ? Math.max(0, atStroke + by) : atStroke;
  return {
    ...b,
    strokes,
    bubbles: b.bubbles && { ...b.bubbles, atStroke: moved(b.bubbles.atStroke) },
    lastBubblesAtStroke: moved(b.lastBubblesAtStroke),
    lastBrokenAtStroke: moved(b.lastBrokenAtStroke),
    colour: b.colour && { ...b.colour, atStroke: moved(b.colour.atStroke) },
    againAtStroke: b.againAtStroke === null ? null : moved(b.againAtStroke),
    tried: b.tried.map((t) => ({ ...t, atStroke: moved(t.atStroke) })),
  };
}

/** What a look into the jar would say, with its sign, before it is said. */
export interface JarSays {
  /** Beyond the count; below 0 less, mL. */
  readonly moreMl: number;
  /** Counts at this opening then, and how many more or less that is. */
  readonly strokes: number;
  readonly moreStrokes: number;
  /** By it the reservoir would stand below its outlets: it was filled unsaid, or ran dry. */
  readonly belowOutlet: boolean;
}

/** @param after the state once it is said */
export function jarSays(before: RunState, after: RunState, opening: PlanOpening): JarSays {
  const at = ({ bleeders }: RunState) => bleeders.find((b) => b.openingId === opening.id)!.strokes;
  const reservoir = before.plan.reservoirs.find((b) => b.id === opening.reservoirId)!;
  return {
    moreMl: after.jar.standsMl - before.jar.standsMl,
    strokes: at(after),
    moreStrokes: at(after) - at(before),
    belowOutlet: after.levelMl[reservoir.id]! < reservoir.airDrawnMl,
  };
}

/** The sentence for a reading that cannot be, or says nothing, or null. Millilitres since it was put under. */
export function jarFault(state: RunState, opening: PlanOpening, jarMl: number): string | null {
  const { jar, empties, plan } = state;
  const b = state.bleeders.find((x) => x.openingId === opening.id);
  const lookedMl = jar.standsMl - jar.since.reduce((sum, s) => sum + s.ml, 0);
  if (jarMl < lookedMl - TINY_ML)
    return `It stood at ${Math.round(lookedMl)} mL at the last look; give as much or more. If it was emptied, say that first.`;
  const wasEmpty =
    emptyOnWayMl(empties, wayTo(plan.layout, opening.bleeder.id)) > 0 || (b && b.swallowedMl > 0);
  return wasEmpty && jarMl - lookedMl < TINY_ML
    ? 'Nothing came into it, and this way began empty: only a look into the reservoir says how far it is filled.'
    : null;
}
