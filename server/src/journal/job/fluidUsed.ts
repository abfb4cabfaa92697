import type { FluidUsed, FluidUsedRecord } from '@brook/contract';
import { compatibility, COMPATIBILITY_WORDS } from '@brook/core/fluid/verdict';
import { usedGap } from '@brook/core/owed/openItems';
import {
  admitContainer,
  ADMIT_WORDS,
  sharePoured,
  type ShelfContainer,
} from '@brook/core/fluid/shelf';
import { v4 as uuid } from 'uuid';
import { Container, ContainerDraw, FluidMovedRow, type Job } from '../../db/models';
import { ProblemError, refused } from '../../http/problems/kinds';
import { houseRulesOf } from '../../workshop/rules/service';
import type { Actor } from '../../session/actor';
import { heldOf, shelfContainer } from '../../shelf/containers';
import { appendDesk } from '../log/append';
import { changeJob, onlyAt, type LockedJob } from '../log/locked';

/** Record what a job moved; recording it again replaces what was there. */
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
      'What was used is recorded when the run is through and before the test drive.',
    );
    await refuseWrongContainers(locked, given);
    refuseGap(locked, given);
    await settle(locked, given, 'recorded');
    // So that the job's version moves with what hangs on it.
    locked.job.changed('stage', true);
  });
}

/** What the run moved by its own count, where nobody has recorded it: so that the shelf is right when a job ends half-way. */
export async function settleByStrokes(locked: LockedJob): Promise<void> {
  const { actor, at, state, transaction } = locked;
  const { run, accepted, fluidUsed } = state;
  if (!run || !accepted?.pick || fluidUsed) return;
  if (run.pouredMl + run.removedMl + run.bledMl === 0) return;
  const picked = new Set(accepted.pick.containers.map((c) => c.id));
  const held = await heldOf(
    actor.workshopId,
    {
      // What was said to be poured from another one came out of it.
      ids: [...new Set([...picked, ...Object.keys(run.pouredFromMl)])],
      exceptJobId: locked.job.id,
    },
    transaction,
  );
  const shared = sharePoured(
    run.pouredMl,
    held.map((h) => ({ ...shelfContainer(h, at), onlySaid: !picked.has(h.row.id) })),
    run.pouredFromMl,
  );
  const restMl = run.pouredMl - shared.reduce((sum, c) => sum + c.pouredMl, 0);
  const [first] = accepted.pick.containers;
  const containers = shared
    // What none of them was down as holding was poured all the same: the one at hand is to be counted.
    .map((c) => (c.containerId === first!.id ? { ...c, pouredMl: c.pouredMl + restMl } : c))
    .filter((c) => c.pouredMl > 0);
  await settle(
    locked,
    {
      containers: containers.map((c) => ({ ...c, discardedMl: 0, countedLeftMl: null })),
      bledMl: run.bledMl,
      bledBy: 'strokes',
      removedMl: run.removedMl,
      spilledMl: 0,
      caught: true,
      gap: null,
    },
    'counted',
  );
}

/** What a job moved, as it stands on its record; null before it was recorded. */
export async function fluidUsedOf(jobId: string): Promise<FluidUsedRecord | null> {
  const rows = await FluidMovedRow.findAll({ where: { jobId }, order: ['at'] });
  const moved = rows.at(-1);
  if (!moved) return null;
  const sum = (of: 'bledMl' | 'removedMl' | 'spilledMl' | 'discardedMl' | 'caughtMl') =>
    rows.reduce((all, r) => all + r[of], 0);
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
    bledMl: sum('bledMl'),
    bledBy: moved.bledBy,
    removedMl: sum('removedMl'),
    spilledMl: sum('spilledMl'),
    discardedMl: sum('discardedMl'),
    caughtMl: sum('caughtMl'),
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

/**
 * Bring shelf and drum to what a job moved, and put it into the log.
 *
 * @param how what somebody records may not be less than what left with the drum; a count that is less stops nobody from ending a job
 */
async function settle(
  locked: LockedJob,
  given: FluidUsed,
  how: 'recorded' | 'counted',
): Promise<void> {
  const { job, transaction, actor, at } = locked;
  const rows = await FluidMovedRow.findAll({
    where: { jobId: job.id },
    transaction,
    lock: transaction.LOCK.UPDATE,
  });
  const held = await heldOf(
    actor.workshopId,
    { ids: given.containers.map((c) => c.containerId), exceptJobId: job.id },
    transaction,
  );
  const left = new Map(held.map((h) => [h.row.id, h.leftMl]));
  await ContainerDraw.destroy({ where: { jobId: job.id }, transaction });
  await ContainerDraw.bulkCreate(
    given.containers.map(({ containerId, pouredMl, discardedMl, countedLeftMl }) => {
      const leftMl = left.get(containerId)! - pouredMl - discardedMl;
      // A pour that happened is kept: the container held more than the shelf knew of. How much, somebody counts: here, or later at the shelf.
      const foundMl = countedLeftMl === null ? 0 : Math.max(0, countedLeftMl - leftMl);
      return {
        containerId,
        pouredMl,
        discardedMl,
        foundMl: leftMl < -1e-6 ? foundMl : 0,
        jobId: job.id,
        workshopId: actor.workshopId,
        leftMl: leftMl < -1e-6 ? (countedLeftMl ?? 0) : Math.max(0, leftMl),
      };
    }),
    { transaction },
  );
  for (const { row } of held)
    if (row.state === 'sealed')
      await row
        .set({ state: 'opened', openedAt: at, keptCapped: true, version: row.version + 1 })
        .save({ transaction });
  const moved = beyondHandedOver(
    given,
    rows.filter((r) => r.handOverId),
    how,
  );
  const record = { at, by: actor.name, bledBy: given.bledBy, ...moved };
  const open = rows.find((r) => !r.handOverId);
  if (open) await open.update(record, { transaction });
  else
    await FluidMovedRow.create(
      { id: uuid(), workshopId: job.workshopId, jobId: job.id, ...record },
      { transaction },
    );
  await appendDesk(locked, { kind: 'fluid used', used: given });
}

type Moved = Pick<FluidMovedRow, 'bledMl' | 'removedMl' | 'spilledMl' | 'discardedMl' | 'caughtMl'>;

/** What a job moved besides what left with the drum already. */
function beyondHandedOver(
  given: FluidUsed,
  handed: readonly Moved[],
  how: 'recorded' | 'counted',
): Moved {
  const discardedMl = given.containers.reduce((sum, c) => sum + c.discardedMl, 0);
  const all: Moved = {
    bledMl: given.bledMl,
    removedMl: given.removedMl,
    spilledMl: given.spilledMl,
    discardedMl,
    caughtMl: given.caught ? discardedMl : 0,
  };
  const rest = (of: keyof Moved): number => {
    const gone = handed.reduce((sum, r) => sum + r[of], 0);
    if (how === 'recorded' && gone > all[of] + 1e-6)
      throw refused(
        `${Math.round(gone)} mL of this job were handed over with the drum already; it cannot have been less.`,
      );
    return Math.max(0, all[of] - gone);
  };
  return {
    bledMl: rest('bledMl'),
    removedMl: rest('removedMl'),
    spilledMl: rest('spilledMl'),
    discardedMl: rest('discardedMl'),
    caughtMl: Math.min(rest('caughtMl'), rest('discardedMl')),
  };
}

/** Every container that this job could not have been filled from, at its field. */
async function refuseWrongContainers(
  { job, transaction, actor, at, state }: LockedJob,
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
    // What the run says was poured from it happened, whatever it is: it is kept, for a recall.
    const happened = state.run?.pouredFromMl[c.containerId] !== undefined;
    const admitted = admitContainer({ ...now, restedHours: null }, openContainers);
    if (!happened && admitted.verdict === 'refuse')
      return [
        {
          field: `containers.${i}.containerId`,
          sentence: `Batch ${now.batch}: ${admitted.reasons.map((r) => ADMIT_WORDS[r.code]).join(' ')}`,
        },
      ];
    const unfit = happened ? null : unfitFor(job, now);
    if (unfit)
      return [
        {
          field: `containers.${i}.containerId`,
          sentence: `Batch ${now.batch}, ${now.grade}: ${unfit}`,
        },
      ];
    const wrong = overdrawn(c, now);
    return wrong ? [{ field: `containers.${i}.${wrong.field}`, sentence: wrong.sentence }] : [];
  });
  if (faults.length > 0)
    throw new ProblemError('invalid', faults.map((f) => f.sentence).join(' '), faults);
}

/** What is wrong with what came out of a container: more than it can ever have held, or more than the shelf knew of and nobody counted what is left. */
function overdrawn(
  { pouredMl, discardedMl, countedLeftMl }: FluidUsed['containers'][number],
  { batch, leftMl, sizeMl }: ShelfContainer,
): { readonly field: 'pouredMl' | 'countedLeftMl'; readonly sentence: string } | null {
  const taken = pouredMl + discardedMl;
  if (taken <= leftMl + 1e-6) return null;
  const ml = Math.round(taken);
  if (taken + (countedLeftMl ?? 0) > sizeMl + 1e-6)
    return {
      field: 'pouredMl',
      sentence: `Batch ${batch} holds ${sizeMl} mL when full; ${ml} mL${countedLeftMl ? ` and ${Math.round(countedLeftMl)} mL left` : ''} cannot have been in it. Name the other container.`,
    };
  return countedLeftMl === null
    ? {
        field: 'countedLeftMl',
        sentence: `Batch ${batch} was down as holding ${Math.round(leftMl)} mL, and ${ml} mL came out of it. Count it: how much is left?`,
      }
    : null;
}

/** What does not agree with the run is asked about: miscounted, lost, or still inside. */
function refuseGap({ state }: LockedJob, given: FluidUsed): void {
  const gap = usedGap(state, given);
  if (!gap?.beyond || (gap.gapMl.value > 0 && given.gap === 'still inside')) return;
  const ml = Math.round(Math.abs(gap.gapMl.value));
  const sentence =
    gap.gapMl.value > 0
      ? `${ml} mL more went in than came out or stands in the reservoir. Miscounted: put the amounts right. Lost: put it down as spilled. Still inside: say so.`
      : `${ml} mL more came out than can have been there. One of the amounts is miscounted; put it right.`;
  throw new ProblemError('invalid', sentence, [{ field: 'gap', sentence }]);
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
