import type { JobPick } from '@brook/contract';
import type { HouseRules } from '@brook/core/bleed/rules';
import { toTakeAlong } from '@brook/core/bleed/plan';
import { admitContainer, pickFromShelf } from '@brook/core/fluid/shelf';
import { QueryTypes, type Transaction } from 'sequelize';
import { Job } from '../../db/models';
import { heldOf, shelfContainer } from '../../shelf/containers';

/** Most containers that are looked at for one pick, the oldest first. */
const MOST = 200;

/**
 * The containers that the shelf gives for a planned job: of the fluid that was
 * chosen, admitted by the house rule, not promised to another job in hand.
 */
export async function pickFor(
  job: Job,
  rules: HouseRules,
  at: Date,
  transaction?: Transaction,
): Promise<JobPick | null> {
  const fill = job.fluid?.fill;
  if (job.planResult?.verdict !== 'planned' || !fill) return null;
  // Within a change the containers are locked first: what another job was promised meanwhile is seen after that.
  const held = await heldOf(
    job.workshopId,
    { states: ['sealed', 'opened'], exceptJobId: job.id },
    transaction,
  );
  const promised = await promisedToOthers(job, transaction);
  const usable = held
    .map((h) => shelfContainer(h, at))
    .filter((c) => c.grade === fill.grade && c.isoClass === fill.isoClass && !promised.has(c.id))
    .map((c) => ({ ...c, ...admitContainer(c, rules.openContainers) }))
    .filter((c) => c.verdict !== 'refuse')
    .slice(0, MOST);
  const pick = pickFromShelf(toTakeAlong(job.planResult.plan), usable);
  if (pick.kind === 'short') return pick;
  return {
    ...pick,
    containers: pick.containers.map((c) => usable.find((u) => u.id === c.id)!),
    lookedBy: null,
    openRule: rules.openContainers,
  };
}

async function promisedToOthers(job: Job, transaction?: Transaction): Promise<Set<string>> {
  const rows = await Job.sequelize!.query<{ id: string }>(
    `SELECT c.value ->> 'id' AS id FROM jobs j CROSS JOIN LATERAL jsonb_array_elements(j.pick -> 'containers') c
      WHERE j.workshop_id = :workshopId AND NOT j.closed AND j.id <> :jobId AND j.pick IS NOT NULL
        AND NOT EXISTS (SELECT 1 FROM fluid_moved m WHERE m.job_id = j.id)`,
    {
      type: QueryTypes.SELECT,
      replacements: { workshopId: job.workshopId, jobId: job.id },
      transaction,
    },
  );
  return new Set(rows.map((r) => r.id));
}
