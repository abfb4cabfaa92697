import type { VehicleKind } from '../circuit';

/** Steps before the first stroke, in order. */
export type PreparationStep =
  | 'protect'
  | 'stand'
  | 'bar level'
  | 'read cap'
  | 'empty servo'
  | 'empty reservoir'
  | 'fill reservoir'
  | 'crack bleeders';

/**
 * What must be done before the first stroke [C]. The reservoir is emptied and
 * refilled before pedal or lever is touched for bleeding; the servo is pumped
 * empty before that, while the old fluid is still in.
 */
export const PREPARATION: Readonly<Record<VehicleKind, readonly PreparationStep[]>> = {
  car: ['protect', 'stand', 'read cap', 'empty servo', 'empty reservoir', 'fill reservoir', 'crack bleeders'],
  motorcycle: ['protect', 'bar level', 'read cap', 'empty reservoir', 'fill reservoir', 'crack bleeders'],
};

/** Steps that open the brake: from here on the vehicle must not be driven. */
export const OPENING_STEPS: readonly PreparationStep[] = ['empty reservoir', 'crack bleeders'];
