import type { PlanOpening } from '../../bleed/stages';
import type { BleederState, Jar, RunStanding } from './state';

/** By how much the jar says that more left an opening than was counted there, mL; below 0 less. */
export interface JarShare {
  readonly openingId: string;
  readonly ml: number;
  /** Of that, what a fill of its reservoir has made up for since, mL: so much more, or less, was poured. */
  readonly filledMl: number;
  /** Of that, what its reservoir stands lower now, or higher, mL. */
  readonly fellMl: number;
}

/** A jar is read to the nearest half of a mark every 10 mL [M]. */
export const JAR_READ_TO_ML = 5;

/** What rounding may leave, mL. */
export const TINY_ML = 1e-9;

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
  { jar }: Pick<RunStanding, 'jar'>,
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
