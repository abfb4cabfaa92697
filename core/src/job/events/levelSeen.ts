import { emptyOnWayMl, swallow } from '../../fluid/inside';
import {
  atBleeder,
  flowRead,
  levelKnown,
  levelled,
  moved,
  opened,
  openingIn,
  recounted,
  wayIn,
} from '../standing';
import { openingFault, openingNamed } from './faults';
import { SETTLES_NOTHING, PROVES_NOTHING, runEvent, TAKES_BACK } from './kind';
import { airBehind } from './places';

/** A look into a reservoir while a steady flow fills a way: where it stands, and whether fluid comes at the bleeder by now. */
export interface LevelSeenHappening {
  readonly kind: 'level seen';
  readonly openingId: string;
  readonly levelMl: number;
  readonly fluidComes: boolean;
}

export const levelSeen = runEvent<LevelSeenHappening>({
  kind: 'level seen',
  voids: 'all',
  opens: ({ openingId, levelMl }, plans) => (levelMl > 0 ? [] : airBehind(plans, openingId)),
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  undo: TAKES_BACK,
  // What it fell by went into what is empty, and the rest into the jar.
  fold: (before, { openingId, levelMl, fluidComes, atMs }) => {
    const opening = openingIn(before, openingId);
    if (!opening || before.levelMl[opening.reservoirId] === undefined) return before;
    const run = opened(before, atMs);
    const fellMl = Math.max(0, run.levelMl[opening.reservoirId]! - levelMl);
    // What fell was not fed.
    const { next, passedMl } = moved(run, { ...opening, selfFed: false }, fellMl, fellMl);
    const way = wayIn(next, opening);
    const leftMl = fluidComes ? emptyOnWayMl(next.empties, way) : 0;
    const seen = {
      ...next,
      empties: fluidComes ? swallow(next.empties, way, Infinity).empties : next.empties,
      // The level did not tell of it where something kept it up: it came out of that.
      pouredMl: next.pouredMl + (opening.selfFed ? leftMl : 0),
      ...levelled(next, { [opening.reservoirId]: levelMl }),
      jar: levelKnown(next.jar, opening.reservoirId, false),
    };
    return atBleeder(seen, openingId, (b) => {
      const given = {
        ...flowRead(b),
        bledMl: b.bledMl + passedMl,
        swallowedMl: b.swallowedMl + fellMl - passedMl + leftMl,
      };
      // Marks of the jar are counted by the jar.
      return opening.counted === 'strokes' ? recounted(opening, given) : given;
    });
  },
  fault: ({ openingId, levelMl }, { plans }) => {
    const opening = openingNamed(plans, openingId);
    const reservoir = plans.flatMap((p) => p.reservoirs).find((b) => b.id === opening?.reservoirId);
    if (!reservoir) return openingFault(plans, openingId);
    return levelMl <= reservoir.maxMl
      ? null
      : `${reservoir.name} holds ${reservoir.maxMl} mL at MAX; its level should be between 0 and that.`;
  },
  words: ({ levelMl, openingId }, { at }) =>
    `a look at the level, ${Math.round(levelMl)} mL, ${at(openingId)}`,
});
