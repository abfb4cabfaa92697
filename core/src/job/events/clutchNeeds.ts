import { notClutchFault } from './faults';
import {
  BRINGS_NOTHING,
  SETTLES_NOTHING,
  PROVES_NOTHING,
  nothing,
  proofEvent,
  TAKES_BACK,
} from './kind';

/** What the manual of this vehicle asks of a clutch, and where somebody wants it to take up: said once, known to its later jobs. */
export interface ClutchNeedsHappening {
  readonly kind: 'clutch needs';
  readonly masterId: string;
  /** What the slave must travel, by the manual; null where no manual says it. */
  readonly slaveTravelMm: number | null;
  /** Heights between which it should take up; null where nobody said. */
  readonly window: { readonly leastMm: number; readonly mostMm: number } | null;
  /** Thread of the pedal's rod, mm a turn; null where nobody measured it. */
  readonly pitchMm: number | null;
}

export const clutchNeeds = proofEvent<ClutchNeedsHappening>({
  kind: 'clutch needs',
  voids: nothing('it is what the manual says'),
  opens: BRINGS_NOTHING,
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  undo: TAKES_BACK,
  fault: ({ masterId, window }, { plans }) => {
    const notClutch = notClutchFault(plans, masterId);
    if (notClutch) return notClutch;
    return !window || window.mostMm > window.leastMm
      ? null
      : `The window begins at ${window.leastMm} mm and ends at ${window.mostMm} mm; it should end above where it begins.`;
  },
  words: ({ masterId }, { control }) => `what the ${control(masterId)} needs`,
});
