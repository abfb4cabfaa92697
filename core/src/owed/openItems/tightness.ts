import {
  isOpenedSince,
  jointsOf,
  manualTorqueOf,
  type JobState,
  type LookAgain,
} from '../../job/log';
import type { BleederState, RunState } from '../../job/run';
import { bleederName } from '../../vehicle/circuit';
import { nameOf } from '../../bleed/scope';
import { jointAgain, jointHolds, jointWords } from '../../vehicle/torque';
import { partsInHand } from './controlsConcerned';

/** A joint that a job leaves without a torque on record. */
interface JointLeft {
  readonly elementId: string;
  readonly place: string;
  readonly because: string;
}

/**
 * What a job leaves by feel, whatever the house goes by: bleeders that were
 * shut so, and parts that were in hand, whose torque nobody wrote down since.
 */
export function leftByFeel(job: JobState): JointLeft[] {
  const { run } = job;
  if (!run) return [];
  const { layout } = run.plan;
  const written = new Set(writtenTorques(job, run).map((j) => j.elementId));
  const bleeders = layout.bleeders
    .filter((b) => lastShut(run, b.id)?.tightened === 'by feel')
    .map((b) => ({ elementId: b.id, place: bleederName(b), because: 'bleeder shut by feel' }));
  const parts = partsInHand(job)
    .filter((id) => !layout.bleeders.some((b) => b.id === id))
    .map((id) => ({ elementId: id, place: nameOf(layout, id), because: 'it was in hand' }));
  return [...bleeders, ...parts].filter((j) => !written.has(j.elementId));
}

/** Bleeders that were shut to another than the manual's value, where that is known and nobody wrote another torque down. */
export function shutAbove(job: JobState): LookAgain[] {
  const { run } = job;
  if (!run) return [];
  return shutTo(job, run).flatMap(({ elementId, joint }) => {
    const openings = openingsAt(run, elementId);
    const shut = job.log
      .filter((e) => e.kind === 'shut' && !job.undone.has(e.id) && openings.includes(e.openingId))
      .at(-1);
    if (!shut || jointAgain(joint) === null) return [];
    const { person, atMs } = shut;
    return [
      {
        kind: 'tightness',
        elementId,
        because: jointWords(joint),
        person,
        atMs,
        ...(jointHolds(joint) ? { holds: true } : {}),
      },
    ];
  });
}

/** Torques that somebody wrote down, of what was not opened since. */
const writtenTorques = (job: JobState, run: RunState) =>
  jointsOf(job.log).filter(
    (j) => j.appliedNm !== null && !isOpenedSince(j, openingsAt(run, j.elementId), job.log),
  );

/** What a job leaves tightened to a torque as the manual has it. What a bleeder was shut to counts where the manual's value is known here; unknown settles nothing. */
export function tightenedRight(job: JobState): string[] {
  const { run } = job;
  if (!run) return [];
  return [
    ...writtenTorques(job, run).filter((j) => jointAgain(j) === null),
    ...shutTo(job, run).filter(({ joint }) => jointAgain(joint) === null),
  ].map((j) => j.elementId);
}

/** Bleeders that were shut to a torque beside a manual's value that is known here, where nobody wrote another torque down. */
function shutTo(job: JobState, run: RunState) {
  const { layout } = run.plan;
  const written = writtenTorques(job, run);
  return layout.bleeders.flatMap(({ id: elementId }) => {
    const at = lastShut(run, elementId)?.tightened ?? null;
    const manual = manualTorqueOf(elementId, { log: job.log, earlier: [], layout });
    if (
      written.some((j) => j.elementId === elementId) ||
      !manual ||
      at === null ||
      at === 'by feel'
    )
      return [];
    return [{ elementId, joint: { manualNm: manual.manualNm, appliedNm: at.torqueNm } }];
  });
}

/** Its openings under every plan of the run. */
const openingsAt = (run: RunState, bleederId: string): string[] =>
  [...run.past, run].flatMap(({ plan }) =>
    plan.openings.filter((s) => s.bleeder.id === bleederId).map((s) => s.id),
  );

/** A bleeder as it was shut last, under any plan of the run. */
function lastShut(run: RunState, bleederId: string): BleederState | undefined {
  return [...run.past, run]
    .flatMap(({ plan, bleeders }) => {
      const here = plan.openings.filter((s) => s.bleeder.id === bleederId).map((s) => s.id);
      return bleeders.filter((b) => here.includes(b.openingId) && b.shut);
    })
    .at(-1);
}
