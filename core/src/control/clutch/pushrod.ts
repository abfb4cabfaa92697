import type { Range } from '../../base/units';

/** Where a manual measures the free play of a clutch: at the rod, or at the pad of the pedal. */
export type PlayAt = 'rod' | 'pedal';

/** Free play of a clutch pedal, mm, at the rod or at the pedal by the manual [C]: the piston must come fully home and open its port. */
export const FREE_PLAY_MM = { least: 1, most: 3 } as const;

/** Thread of a pedal's rod, mm a turn [M]. */
export const PITCH_MM: Range = { what: 'The thread', unit: 'mm', least: 0.5, most: 3 };

/** What one pass of the loop reckons with: measured, turned, measured again. */
export interface PushrodPass {
  /** Height of the pad at which it takes up now, above the floor, mm. */
  readonly takeUpMm: number;
  /** The window that is wanted: from where reverse still goes in silently, to the maker's or the surplus travel. */
  readonly window: { readonly leastMm: number; readonly mostMm: number };
  /** Pitch of the rod's thread, mm a turn, above 0. */
  readonly pitchMm: number;
  /** Pedal ratio, above 0. */
  readonly ratio: number;
  readonly freePlayMm: number;
  readonly playAt: PlayAt;
}

export interface PushrodTurns {
  /** Above 0 makes the rod longer: it takes up higher. */
  readonly turns: number;
  /** Where it would take up then, mm. */
  readonly takeUpMm: number;
  /** What would be left of the free play, where it was measured. */
  readonly freePlayMm: number;
  /** Whether the free play stopped it short of the middle of the window. */
  readonly heldBack: boolean;
}

/**
 * Turns of the rod for the middle of the window: one turn moves the pedal by
 * pitch × ratio, and takes a pitch of the free play at the rod. So far only that
 * the least free play stays: a rod that holds the piston off its stop shuts the
 * port, and the clutch drags or slips as it warms.
 *
 * @throws RangeError where pitch or ratio is not above 0, or the window is none
 */
export function pushrodTurns({
  takeUpMm,
  window: { leastMm, mostMm },
  pitchMm,
  ratio,
  freePlayMm,
  playAt,
}: PushrodPass): PushrodTurns {
  if (!(pitchMm > 0)) throw new RangeError(`The pitch is ${pitchMm} mm a turn; give more than 0.`);
  if (!(ratio > 0)) throw new RangeError(`The ratio is ${ratio}; give more than 0.`);
  if (!(mostMm > leastMm))
    throw new RangeError(`The window ends at ${mostMm} mm; give more than ${leastMm} mm.`);
  const wanted = ((leastMm + mostMm) / 2 - takeUpMm) / (pitchMm * ratio);
  const perTurnMm = playAt === 'rod' ? pitchMm : pitchMm * ratio;
  const most = (freePlayMm - FREE_PLAY_MM.least) / perTurnMm;
  const turns = Math.min(wanted, most);
  return {
    turns,
    takeUpMm: takeUpMm + turns * pitchMm * ratio,
    freePlayMm: freePlayMm - turns * perTurnMm,
    heldBack: turns < wanted,
  };
}
