import type { NewJob, VehicleSummary } from '@brook/contract';
import {
  ODOMETER_KM,
  SEEN_AT_INTAKE,
  workAsked,
  type Ask,
  type SeenAtIntake,
} from '@brook/core/bleed/scope';
import { inRange, rangeWords } from '@brook/core/base/units';
import { isOpenQuestion, partOf, type PartDraft } from '../plan/work';
import { typedNumber } from '../../ui/typedNumber';

/** What is said of a vehicle when it is taken in, half-filled. */
export interface IntakeDraft {
  readonly masterIds: readonly string[];
  /** Any of them together. */
  readonly asks: readonly Ask[];
  readonly parts: readonly PartDraft[];
  /** What else is seen, with where, as typed. */
  readonly found: Readonly<Partial<Record<SeenAtIntake, string>>>;
  /** As typed; empty where nobody looked. */
  readonly odometer: string;
  readonly hands: 'alone' | 'helper' | null;
  readonly helperName: string;
}

/** Before anything was said: everything is in hand. */
export const freshIntake = ({ masters }: Pick<VehicleSummary, 'masters'>): IntakeDraft => ({
  masterIds: masters.map((m) => m.id),
  asks: [],
  parts: [],
  found: {},
  odometer: '',
  hands: null,
  helperName: '',
});

export function odometerFault({ odometer }: IntakeDraft): string | null {
  return odometer.trim() === '' || inRange(ODOMETER_KM, typedNumber(odometer))
    ? null
    : `Give ${rangeWords(ODOMETER_KM)}, or leave it empty.`;
}

/** What is missing before the job can be opened, or null. */
export function intakeWaits(draft: IntakeDraft): string | null {
  const { masterIds, asks, parts, found, hands, helperName } = draft;
  if (masterIds.length === 0) return 'Say what is in hand first';
  if (asks.length === 0) return 'Say why it is here first';
  // A part that nobody names yet, or a master, is asked about when it is planned.
  if (asks.includes('part') && parts.some(isOpenQuestion)) return 'Answer for every part';
  const wet = found['wet joint'];
  if (wet !== undefined && wet.trim() === '') return 'Say where it is wet';
  if (odometerFault(draft)) return 'Put the odometer right';
  if (hands === null) return 'Say who is at hand first';
  return hands === 'helper' && helperName.trim().length === 1 ? 'Give the whole name' : null;
}

/** The job as it is opened; null answers were waited for. */
export function newJobOf(id: string, vehicleId: string, draft: IntakeDraft): NewJob {
  const { purpose, also } = workAsked(draft.asks)!;
  const helper = draft.hands === 'helper';
  return {
    id,
    vehicleId,
    purpose,
    also: [...(also ?? [])],
    masterIds: [...draft.masterIds],
    parts: draft.asks.includes('part') ? draft.parts.map(partOf) : [],
    found: SEEN_AT_INTAKE.flatMap((what) =>
      draft.found[what] === undefined ? [] : [{ what, where: draft.found[what].trim() }],
    ),
    odometerKm: draft.odometer.trim() === '' ? null : typedNumber(draft.odometer),
    helper,
    helperName: helper && draft.helperName.trim() !== '' ? draft.helperName.trim() : null,
  };
}
