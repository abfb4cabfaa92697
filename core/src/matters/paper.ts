import { PROOF_ITEMS, type CheckItem, type GateInput } from '../gate';
import { isOpenedSince, jointsOf, manualTorqueOf, type JobState } from '../log';
import type { RunState } from '../run';
import { bleederName, type VehicleKind } from '../circuit';
import { nameOf } from '../scope';
import type { HouseRules } from '../rules';
import { jointAgain } from '../torque';
import { partsInHand } from './controlsConcerned';

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

/**
 * Where a workshop tightens by the manual: bleeders that were shut by feel, and
 * parts that were in hand, whose torque nobody wrote down since.
 */
export function torquesNotWritten(job: JobState): { elementId: string; place: string }[] {
  const { run } = job;
  if (!run || run.plan.preferences.jointTightness === 'by feel') return [];
  const { layout } = run.plan;
  const written = new Set(writtenTorques(job, run).map((j) => j.elementId));
  const bleeders = layout.bleeders
    .filter((b) => tightenedAt(run, b.id) === 'by feel')
    .map((b) => ({ elementId: b.id, place: bleederName(b) }));
  const parts = partsInHand(job)
    .filter((id) => !layout.bleeders.some((b) => b.id === id))
    .map((id) => ({ elementId: id, place: nameOf(layout, id) }));
  return [...bleeders, ...parts].filter((j) => !written.has(j.elementId));
}

/** Torques that somebody wrote down, of what was not opened since. */
const writtenTorques = (job: JobState, run: RunState) =>
  jointsOf(job.log).filter(
    (j) => j.appliedNm !== null && !isOpenedSince(j, stopsAt(run, j.elementId), job.log),
  );

/** What a job leaves tightened to a torque that is not above the manual's. What a bleeder was shut to counts where the manual's value is known here; unknown settles nothing. */
export function tightenedRight(job: JobState): string[] {
  const { run } = job;
  if (!run) return [];
  const { layout } = run.plan;
  const written = writtenTorques(job, run);
  const shut = layout.bleeders.flatMap(({ id }) => {
    const at = tightenedAt(run, id);
    const manual = manualTorqueOf(id, { log: job.log, earlier: [], layout });
    if (written.some((j) => j.elementId === id) || !manual || at === null || at === 'by feel')
      return [];
    const joint = { manualNm: manual.manualNm, appliedNm: at.torqueNm };
    return jointAgain(joint) === null ? [id] : [];
  });
  return [...written.filter((j) => jointAgain(j) === null).map((j) => j.elementId), ...shut];
}

/** Its openings under every plan of the run. */
const stopsAt = (run: RunState, bleederId: string): string[] =>
  [...run.past, run].flatMap(({ plan }) =>
    plan.stops.filter((s) => s.bleeder.id === bleederId).map((s) => s.id),
  );

/** How a bleeder was tightened when it was shut last, under any plan of the run; null where it was not. */
function tightenedAt(run: RunState, bleederId: string) {
  const shut = [...run.past, run].flatMap(({ plan, bleeders }) => {
    const here = plan.stops.filter((s) => s.bleeder.id === bleederId).map((s) => s.id);
    return bleeders.filter((b) => here.includes(b.stopId) && b.shut);
  });
  return shut.at(-1)?.tightened ?? null;
}
