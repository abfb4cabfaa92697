import type { FluidUsed, FluidUsedRecord } from '@brook/contract';
import { compatibility, COMPATIBILITY_WORDS } from '@brook/core/fluid';
import { admitContainer, ADMIT_WORDS, sharePoured } from '@brook/core/shelf';
import { v4 as uuid } from 'uuid';
import { Container, ContainerDraw, FluidMovedRow, type Job } from '../db/models';
import { ProblemError, refused } from '../problems/kinds';
import { houseRulesOf } from '../rules/service';
import type { Actor } from '../session/actor';
import { heldOf, shelfContainer } from '../shelf/containers';
import { changeJob, onlyAt, runStateOf, type LockedJob } from './locked';

/** Put down what a job moved; putting it down again replaces what was there. */
export async function putFluidUsed(
  actor: Actor,
  id: string,
  version: number,
  given: FluidUsed,
  at: Date,
): Promise<void> {
  await changeJob(actor, id, version, at, async (locked) => {
    onlyAt(
      locked.job,
      ['proof'],
      'What was used is put down when the run is through and before the test drive.',
    );
    await refuseWrongContainers(locked, given);
    await settle(locked, given);
    // So that the job's version moves with what hangs on it.
    locked.job.changed('proof', true);
  });
}

/** What the run moved by its own count, where nobody has put it down: so that the shelf is right when a job ends half-way. */
export async function settleByStrokes(locked: LockedJob): Promise<void> {
  const { job, transaction, actor, at } = locked;
  if (job.planResult?.verdict !== 'planned' || job.pick?.kind !== 'enough') return;
  const state = await runStateOf(job, job.planResult.plan, transaction);
  if (
    state.pouredMl + state.removedMl + state.bledMl === 0 ||
    (await FluidMovedRow.findOne({ where: { jobId: job.id }, transaction }))
  )
    return;
  const held = await heldOf(
    actor.workshopId,
    { ids: job.pick.containers.map((c) => c.id), exceptJobId: job.id },
    transaction,
  );
  const containers = sharePoured(
    state.pouredMl,
    held.map((h) => shelfContainer(h, at)),
  ).filter((c) => c.pouredMl > 0);
  await settle(locked, {
    containers: containers.map((c) => ({ ...c, discardedMl: 0 })),
    bledMl: state.bledMl,
    bledBy: 'strokes',
    removedMl: state.removedMl,
    spilledMl: 0,
    caught: true,
  });
}

/** Take back what was put down, because the bleed goes on: it is put down anew when it is through. What was handed over stays. */
export async function takeBackFluidUsed({ job, transaction }: LockedJob): Promise<void> {
  const gone = await FluidMovedRow.destroy({
    where: { jobId: job.id, handOverId: null },
    transaction,
  });
  if (gone > 0) await ContainerDraw.destroy({ where: { jobId: job.id }, transaction });
}

/** What a job moved, as it stands on its record; null before it was put down. */
export async function fluidUsedOf(jobId: string): Promise<FluidUsedRecord | null> {
  const moved = await FluidMovedRow.findOne({ where: { jobId } });
  if (!moved) return null;
  const draws = await ContainerDraw.findAll({ where: { jobId } });
  const containers = new Map(
    (await Container.findAll({ where: { id: draws.map((d) => d.containerId) } })).map((c) => [
      c.id,
      c,
    ]),
  );
  return {
    by: moved.by,
    at: moved.at.toISOString(),
    bledMl: moved.bledMl,
    bledBy: moved.bledBy,
    removedMl: moved.removedMl,
    spilledMl: moved.spilledMl,
    discardedMl: moved.discardedMl,
    caughtMl: moved.caughtMl,
    containers: draws.map((d) => {
      const c = containers.get(d.containerId)!;
      return {
        containerId: c.id,
        grade: c.grade,
        isoClass: c.isoClass,
        batch: c.batch,
        sizeMl: c.sizeMl,
        pouredMl: d.pouredMl,
        discardedMl: d.discardedMl,
        leftMl: d.leftMl,
      };
    }),
  };
}

async function settle({ job, transaction, actor, at }: LockedJob, given: FluidUsed): Promise<void> {
  const before = await FluidMovedRow.findOne({
    where: { jobId: job.id },
    transaction,
    lock: transaction.LOCK.UPDATE,
  });
  if (before?.handOverId)
    throw refused(
      'The waste of this job was handed over already; what it moved can no longer be changed.',
    );
  const held = await heldOf(
    actor.workshopId,
    { ids: given.containers.map((c) => c.containerId), exceptJobId: job.id },
    transaction,
  );
  const left = new Map(held.map((h) => [h.row.id, h.leftMl]));
  const discardedMl = given.containers.reduce((sum, c) => sum + c.discardedMl, 0);
  await ContainerDraw.destroy({ where: { jobId: job.id }, transaction });
  await ContainerDraw.bulkCreate(
    given.containers.map((c) => ({
      ...c,
      jobId: job.id,
      workshopId: actor.workshopId,
      leftMl: left.get(c.containerId)! - c.pouredMl - c.discardedMl,
    })),
    { transaction },
  );
  for (const { row } of held)
    if (row.state === 'sealed')
      await row
        .set({ state: 'opened', openedAt: at, keptCapped: true, version: row.version + 1 })
        .save({ transaction });
  const moved = {
    at,
    by: actor.name,
    bledMl: given.bledMl,
    bledBy: given.bledBy,
    removedMl: given.removedMl,
    spilledMl: given.spilledMl,
    discardedMl,
    caughtMl: given.caught ? discardedMl : 0,
  };
  if (before) await before.update(moved, { transaction });
  else
    await FluidMovedRow.create(
      { id: uuid(), workshopId: job.workshopId, jobId: job.id, ...moved },
      { transaction },
    );
}

/** Every container that this job could not have been filled from, at its field. */
async function refuseWrongContainers(
  { job, transaction, actor, at }: LockedJob,
  given: FluidUsed,
): Promise<void> {
  const { openContainers } = await houseRulesOf(actor, transaction);
  const held = await heldOf(
    actor.workshopId,
    { ids: given.containers.map((c) => c.containerId), exceptJobId: job.id },
    transaction,
  );
  const faults = given.containers.flatMap((c, i) => {
    const found = held.find((h) => h.row.id === c.containerId);
    if (!found)
      return [
        {
          field: `containers.${i}.containerId`,
          sentence: 'There is no such container on this shelf.',
        },
      ];
    const now = shelfContainer(found, at);
    const admitted = admitContainer({ ...now, restedHours: null }, openContainers);
    if (admitted.verdict === 'refuse')
      return [
        {
          field: `containers.${i}.containerId`,
          sentence: `Batch ${now.batch}: ${admitted.reasons.map((r) => ADMIT_WORDS[r.code]).join(' ')}`,
        },
      ];
    const unfit = unfitFor(job, now);
    if (unfit)
      return [
        {
          field: `containers.${i}.containerId`,
          sentence: `Batch ${now.batch}, ${now.grade}: ${unfit}`,
        },
      ];
    const taken = c.pouredMl + c.discardedMl;
    return taken <= now.leftMl + 1e-6
      ? []
      : [
          {
            field: `containers.${i}.pouredMl`,
            sentence: `Batch ${now.batch} holds ${Math.round(now.leftMl)} mL; ${Math.round(taken)} mL cannot have come out of it.`,
          },
        ];
  });
  if (faults.length > 0)
    throw new ProblemError('invalid', faults.map((f) => f.sentence).join(' '), faults);
}

/** Why a container's fluid must not go into this job, by the adviser; null when it may. */
function unfitFor(
  job: Job,
  container: { grade: Container['grade']; isoClass: Container['isoClass'] },
): string | null {
  const fluid = job.fluid!;
  const { candidates } = compatibility({
    ...fluid,
    follow: fluid.follow?.source ?? null,
    candidates: [{ id: 'drawn', ...container }],
  });
  const stops = candidates[0]!.reasons.filter((r) => r.weight === 'stop');
  return stops.length > 0 ? stops.map((r) => COMPATIBILITY_WORDS[r.code]).join(' ') : null;
}
