import type { Container as ContainerDto } from '@brook/contract';
import { admitContainer, type OpenRule, type ShelfContainer } from '@brook/core/fluid/shelf';
import { QueryTypes, type Transaction } from 'sequelize';
import { Container } from '../db/models';

const DAY_MS = 86_400_000;
const HOUR_MS = 3_600_000;

/** A container with what is left in it. */
export interface Filling {
  readonly row: Container;
  readonly leftMl: number;
  /** What came out of it beyond what it was down as holding; above 0 it is to be counted. */
  readonly overdrawnMl: number;
}

/** What is left in a workshop's containers: size less what was poured and discarded, to the millilitre. */
export async function heldOf(
  workshopId: string,
  of: { ids?: readonly string[]; exceptJobId?: string; states?: readonly Container['state'][] },
  transaction?: Transaction,
): Promise<Filling[]> {
  const where = {
    workshopId,
    ...(of.ids ? { id: [...of.ids] } : {}),
    ...(of.states ? { state: [...of.states] } : {}),
  };
  const rows = await Container.findAll({
    where,
    order: ['receivedAt', 'id'],
    ...(transaction ? { transaction, lock: transaction.LOCK.UPDATE } : {}),
  });
  const drawn = await Container.sequelize!.query<{ containerId: string; ml: number }>(
    `SELECT container_id AS "containerId", SUM(poured_ml + discarded_ml - found_ml) AS ml FROM container_draws
      WHERE workshop_id = :workshopId ${of.exceptJobId ? 'AND job_id <> :exceptJobId' : ''} GROUP BY container_id`,
    {
      type: QueryTypes.SELECT,
      replacements: { workshopId, exceptJobId: of.exceptJobId ?? null },
      transaction,
    },
  );
  const taken = new Map(drawn.map((d) => [d.containerId, d.ml]));
  return rows.map((row) => {
    const downMl = row.sizeMl - (taken.get(row.id) ?? 0) - row.discardedMl;
    return {
      row,
      leftMl: Math.max(0, downMl),
      overdrawnMl: downMl < -1e-6 ? -downMl : 0,
    };
  });
}

/** A container in the words of core, as it stands at a moment. */
export function shelfContainer({ row, leftMl }: Filling, at: Date): ShelfContainer {
  const since = (moment: Date) => Math.max(0, at.getTime() - moment.getTime());
  return {
    id: row.id,
    grade: row.grade,
    isoClass: row.isoClass,
    batch: row.batch,
    sizeMl: row.sizeMl,
    leftMl,
    state: row.state,
    openedDays: row.openedAt && Math.floor(since(row.openedAt) / DAY_MS),
    keptCapped: row.keptCapped,
    ageDays: Math.floor(since(row.receivedAt) / DAY_MS),
    restedHours: row.travelledAt && since(row.travelledAt) / HOUR_MS,
  };
}

/** A container as it goes over the wire. */
export function containerDto(held: Filling, at: Date, rule: OpenRule): ContainerDto {
  const { row } = held;
  const now = shelfContainer(held, at);
  return {
    ...now,
    overdrawnMl: held.overdrawnMl,
    receivedAt: row.receivedAt.toISOString(),
    openedAt: row.openedAt?.toISOString() ?? null,
    discardedAt: row.discardedAt?.toISOString() ?? null,
    admit: admitContainer(now, rule),
    version: row.version,
  };
}
