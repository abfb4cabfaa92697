import { type GateInput } from '../../job/gate';
import { PROOF_ITEMS, type CheckItem } from '../../job/items';
import type { JobState } from '../../job/log';
import type { VehicleKind } from '../../vehicle/circuit';
import type { HouseRules } from '../../bleed/rules';
import { leftByFeel } from './tightness';

/** The paper that a job owes by its workshop's house rules, and what of it a lead let go. */
export function paperOf(job: JobState): GateInput['paper'] {
  const plan = job.run?.plan;
  return {
    photosOf: plan ? PHOTOS_OF[plan.preferences.proofPhotos](plan.layout.vehicleKind) : [],
    torques: torquesNotWritten(job),
    letGo: job.log.flatMap((e) => (e.kind === 'overridden' ? [{ code: e.code, of: e.of }] : [])),
  };
}

const PHOTOS_OF: Readonly<
  Record<HouseRules['proofPhotos'], (kind: VehicleKind) => readonly CheckItem[]>
> = {
  none: () => [],
  'level and joints': () => ['joints dry', 'level'],
  'every look': (kind) => PROOF_ITEMS[kind],
};

/** Where a workshop tightens by the manual: what is left by feel. */
const torquesNotWritten = (job: JobState) =>
  job.run?.plan.preferences.jointTightness === 'by the manual' ? leftByFeel(job) : [];
