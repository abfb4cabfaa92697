import type { Waste } from '@brook/contract';
import { QueryTypes } from 'sequelize';
import { v4 as uuid } from 'uuid';
import { FluidMovedRow, HandOver } from '../db/models';
import { refused } from '../problems/kinds';
import { houseRulesOf } from '../rules/service';
import type { Actor } from '../session/actor';

/** The drum: what went in since the last hand-over, and what was handed over. */
export async function getWaste(actor: Actor): Promise<Waste> {
  const { drumMl } = await houseRulesOf(actor);
  const entries = await entriesOf(actor);
  const handOvers = await HandOver.findAll({
    where: { workshopId: actor.workshopId },
    order: [['at', 'DESC']],
  });
  return {
    drumMl,
    wasteMl: totalOf(entries),
    entries: entries.map((e) => ({ ...e, at: e.at.toISOString() })),
    handOvers: handOvers.map((h) => ({
      id: h.id,
      at: h.at.toISOString(),
      by: h.by,
      toWhom: h.toWhom,
      document: h.document,
      wasteMl: h.wasteMl,
    })),
  };
}

/** Hand the whole drum over; the record can only be added to. */
export async function handOverDrum(
  actor: Actor,
  given: { toWhom: string; document: string },
  at: Date,
): Promise<void> {
  await HandOver.sequelize!.transaction(async (transaction) => {
    const rows = await FluidMovedRow.findAll({
      where: { workshopId: actor.workshopId, handOverId: null },
      transaction,
      lock: transaction.LOCK.UPDATE,
    });
    const wasteMl = totalOf(rows);
    if (wasteMl <= 0) throw refused('The drum is empty; there is nothing to hand over.');
    const id = uuid();
    await HandOver.create(
      { id, workshopId: actor.workshopId, at, by: actor.name, ...given, wasteMl },
      { transaction },
    );
    await FluidMovedRow.update(
      { handOverId: id },
      { where: { id: rows.map((r) => r.id) }, transaction },
    );
  });
}

type Entry = Omit<Waste['entries'][number], 'at'> & { at: Date };

const totalOf = (entries: readonly Pick<Entry, 'bledMl' | 'removedMl' | 'caughtMl'>[]): number =>
  entries.reduce((sum, e) => sum + e.bledMl + e.removedMl + e.caughtMl, 0);

function entriesOf(actor: Actor): Promise<Entry[]> {
  return HandOver.sequelize!.query<Entry>(
    `SELECT m.at, m.by, m.job_id AS "jobId", j.number AS "jobNumber", v.name AS "vehicleName", m.bled_ml AS "bledMl", m.removed_ml AS "removedMl", m.caught_ml AS "caughtMl"
       FROM fluid_moved m LEFT JOIN jobs j ON j.id = m.job_id LEFT JOIN vehicles v ON v.id = j.vehicle_id
      WHERE m.workshop_id = :workshopId AND m.hand_over_id IS NULL AND m.bled_ml + m.removed_ml + m.caught_ml > 0
      ORDER BY m.at DESC`,
    { type: QueryTypes.SELECT, replacements: { workshopId: actor.workshopId } },
  );
}
