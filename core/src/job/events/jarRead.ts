import { emptyOnWayMl, swallow } from '../../fluid/inside';
import {
  atBleeder,
  flowRead,
  JAR_READ_TO_ML,
  jarShares,
  opened,
  openingIn,
  pastItsBand,
  recounted,
  wayIn,
  type JarShare,
  type RunStanding,
} from '../standing';
import { bleederName } from '../../vehicle/circuit';
import { openingFault, openingNamed } from './faults';
import { BRINGS_NOTHING, SETTLES_NOTHING, PROVES_NOTHING, runEvent, TAKES_BACK } from './kind';

/** How much stands in the jar: the count and the reservoirs follow from it. */
export interface JarReadHappening {
  readonly kind: 'jar read';
  readonly openingId: string;
  readonly jarMl: number;
  /** As the fold reads it: by how much the count of each opening was short, mL, with its sign. The phone leaves it out. */
  readonly shares?: readonly JarShare[];
}

export const jarRead = runEvent<JarReadHappening>({
  kind: 'jar read',
  voids: 'all',
  opens: BRINGS_NOTHING,
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  undo: TAKES_BACK,
  kept: (run, event) => ({ ...event, shares: jarShares(run, event) }),
  fold: (before, { id, openingId, jarMl, shares = [], atMs }) => {
    const { jar, leastMl } = before;
    // Nobody can have drawn more than full strokes since the reservoir was last filled: the bound of before holds.
    const mostMl = jar.since.reduce((sum, s) => sum + (s.filledMl > 0 ? 0 : s.slackMl), 0);
    const boundHolds = jarMl - jar.standsMl <= mostMl;
    const after = shares.reduce(given, {
      ...opened(before, atMs),
      jar: { ...jar, standsMl: jarMl, seen: true, since: [] },
    });
    const reservoirIds = new Set(
      [...jar.since, ...shares].flatMap((s) => openingIn(before, s.openingId)?.reservoirId ?? []),
    );
    const least = [...reservoirIds].map((reservoirId) => {
      const byJarMl = after.levelMl[reservoirId]! - JAR_READ_TO_ML;
      const boundMl = Math.min(after.levelMl[reservoirId]!, leastMl[reservoirId]!);
      return [reservoirId, boundHolds ? Math.max(boundMl, byJarMl) : byJarMl];
    });
    const read = new Set([openingId, ...jar.since.map((s) => s.openingId)]);
    const known = [...read].reduce<RunStanding>(
      (run, at) => atBleeder(run, at, (b) => ({ ...flowRead(b), byJar: true })),
      { ...after, leastMl: { ...after.leastMl, ...Object.fromEntries(least) } },
    );
    const opening = openingIn(before, openingId);
    return opening ? pastItsBand(before, known, opening, id) : known;
  },
  fault: ({ openingId }, { plans }) => {
    const opening = openingNamed(plans, openingId);
    return opening && !opening.fromReservoir
      ? `What is pushed up at ${bleederName(opening.bleeder)} is not in the jar; count the marks of the syringe.`
      : openingFault(plans, openingId);
  },
  words: ({ jarMl, openingId }, { at }) =>
    `the jar read, ${Math.round(jarMl)} mL, ${at(openingId)}`,
});

/** What an opening gave more, or less, than was counted there. */
function given(run: RunStanding, { openingId, ml, filledMl, fellMl }: JarShare): RunStanding {
  const opening = openingIn(run, openingId);
  if (!opening) return run;
  const { reservoirId, selfFed } = opening;
  // Fluid stands in the jar: its way is full, and the reservoir gave that as well.
  const way = wayIn(run, opening);
  const swallowedMl = ml > 0 ? emptyOnWayMl(run.empties, way) : 0;
  const pouredMoreMl = selfFed ? ml + swallowedMl : filledMl;
  const more = {
    ...run,
    empties: ml > 0 ? swallow(run.empties, way, Infinity).empties : run.empties,
    bledMl: run.bledMl + ml,
    pouredMl: run.pouredMl + pouredMoreMl,
    // Out of the same containers as what was poured before.
    pouredFromMl: Object.fromEntries(
      Object.entries(run.pouredFromMl).map(([id, was]) => [
        id,
        selfFed ? was : was * (1 + pouredMoreMl / run.pouredMl),
      ]),
    ),
    levelMl: selfFed
      ? run.levelMl
      : { ...run.levelMl, [reservoirId]: run.levelMl[reservoirId]! - fellMl - swallowedMl },
  };
  return atBleeder(more, openingId, (b) =>
    recounted(opening, { ...b, bledMl: b.bledMl + ml, swallowedMl: b.swallowedMl + swallowedMl }),
  );
}
