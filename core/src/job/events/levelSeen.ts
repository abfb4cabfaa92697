import { openingFault, openingNamed } from './faults';
import { SETTLES_NOTHING, PROVES_NOTHING, runEvent } from './kind';
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
