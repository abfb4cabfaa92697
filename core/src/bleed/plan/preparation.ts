import { VEHICLE_TRAITS, type Layout, hasServo } from '../../vehicle/circuit';
import { renewsToo, type WorkDone } from '../scope';

/** Steps before the first stroke, in order. */
export const PREPARATION_STEPS = [
  'protect',
  'stand',
  'bar level',
  'read cap',
  'neutral',
  'empty servo',
  'crack bleeders',
  'empty reservoir',
  'clean reservoir',
  'fill reservoir',
] as const;
export type PreparationStep = (typeof PREPARATION_STEPS)[number];

/** Whether the old fluid is drawn from the reservoir first: for a flush or a master job only [C]. Where a part downstream was changed it is kept full throughout. */
export function emptiesFirst(work: WorkDone): boolean {
  return (
    work.purpose === 'routine flush' ||
    work.purpose === 'new or dry' ||
    work.master !== null ||
    (renewsToo(work) && work.parts.length === 0)
  );
}

/** What a run prepared already when the rest of it is planned anew. */
export interface PreparedBefore {
  readonly prepared: readonly PreparationStep[];
  /** Bleeders that were cracked and nipped shut. */
  readonly cracked: readonly string[];
  /** Whether the old fluid is still to be drawn off the reservoirs. */
  readonly emptyFirst: boolean;
  /** Whether every reservoir is filled to MAX before the next count. */
  readonly fillFirst: boolean;
}

/**
 * What must be done before the first stroke [C]. The reservoir is emptied and
 * refilled before pedal or lever is touched for bleeding; the servo is pumped
 * empty before that, while the old fluid is still in.
 *
 * @param open ids of the bleeders that are opened
 * @param treated whether something is done about the old rest before the reservoirs are filled
 * @param fromBelow whether the first push comes from below: that push is the fill
 * @param reached where a run stands; what was prepared holds, and the reservoirs are drawn off and filled only where they still must be
 */
export function preparationFor(
  layout: Layout,
  work: WorkDone,
  open: readonly string[],
  treated: boolean,
  fromBelow: boolean,
  reached: PreparedBefore | null,
): PreparationStep[] {
  const systems = new Set(
    layout.masters.filter((m) => work.masterIds.includes(m.id)).map((m) => m.system),
  );
  const traits = VEHICLE_TRAITS[layout.vehicleKind];
  const wanted: Readonly<Record<PreparationStep, boolean>> = {
    protect: true,
    stand: traits.onStands,
    'bar level': traits.bar,
    'read cap': true,
    neutral: systems.has('clutch'),
    // Only while the old system still holds pressure: never on a dry one, nor on a master that was just joined.
    'empty servo':
      layout.masters.some(
        (m) => work.masterIds.includes(m.id) && hasServo(m, layout.vehicleKind),
      ) &&
      work.purpose !== 'new or dry' &&
      work.master?.notYet !== false,
    'empty reservoir': emptiesFirst(work) && work.purpose !== 'new or dry',
    'clean reservoir': treated,
    // Where no bleeder is opened nothing is drawn, and the level is left for the proof.
    'fill reservoir': !fromBelow && (work.purpose !== 'look and prove' || open.length > 0),
    'crack bleeders': open.length > 0,
  };
  const steps = PREPARATION_STEPS.filter((s) => wanted[s]);
  if (!reached) return steps;
  const stillWanted: Partial<Record<PreparationStep, boolean>> = {
    'empty reservoir': reached.emptyFirst,
    'clean reservoir': reached.emptyFirst && !reached.prepared.includes('clean reservoir'),
    'fill reservoir': reached.fillFirst,
    'crack bleeders': !open.every((id) => reached.cracked.includes(id)),
  };
  return steps.filter((s) => stillWanted[s] ?? !reached.prepared.includes(s));
}

/** Steps that open the system: from here on the vehicle must not be driven. */
export const OPENING_STEPS: readonly PreparationStep[] = ['empty reservoir', 'crack bleeders'];
