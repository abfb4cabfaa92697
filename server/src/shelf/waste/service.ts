import type { HandOverPage, Waste, WentInPage } from '@brook/contract';
import { literal, Op, QueryTypes } from 'sequelize';
import { v4 as uuid } from 'uuid';
import { z } from 'zod';
import { FluidMovedRow, HandOver } from '../../db/models';
import { moment, pageOf, placeAfter, type PageRequest } from '../../http/cursor';
import { refused } from '../../http/problems/kinds';
import { houseRulesOf } from '../../workshop/rules/service';
import type { Actor } from '../../session/actor';

/** So much of each list comes with the drum. */
const SHOWN: PageRequest = { limit: 30 };

/** The drum: how full it is, and the first pages of what went in and of what was handed over. */
export async function getWaste(actor: Actor): Promise<Waste> {
  return {
    ...(await wasteNow(actor)),
    wentIn: await wentIn(actor, SHOWN),
    handedOver: await handedOver(actor, SHOWN),
  };
}

/** How full the drum is. */
export async function wasteNow(actor: Actor): Promise<Pick<Waste, 'wasteMl' | 'drumMl'>> {
  const { drumMl } = await houseRulesOf(actor);
  const wasteMl = await FluidMovedRow.findOne({
    where: { workshopId: actor.workshopId, handOverId: null },
    attributes: [[literal('coalesce(sum(bled_ml + removed_ml + caught_ml), 0)'), 'wasteMl']],
    raw: true,
  });
  return { drumMl, wasteMl: (wasteMl as unknown as { wasteMl: number }).wasteMl };
}

const place = z.strictObject({ at: moment, id: z.uuid() });

/** A page of what went into the drum since it was handed over last, newest first. */
export async function wentIn({ workshopId }: Actor, page: PageRequest): Promise<WentInPage> {
  const after = placeAfter(place, page);
  type Entry = Omit<WentInPage['entries'][number], 'at'> & { readonly at: Date };
  const found = await HandOver.sequelize!.query<Entry>(
    `SELECT m.id, m.at, m.by, m.job_id AS "jobId", j.number AS "jobNumber", v.name AS "vehicleName", m.bled_ml AS "bledMl", m.removed_ml AS "removedMl", m.caught_ml AS "caughtMl"
       FROM fluid_moved m LEFT JOIN jobs j ON j.id = m.job_id LEFT JOIN vehicles v ON v.id = j.vehicle_id
      WHERE ${IN_DRUM} ${after ? 'AND (m.at, m.id) < (CAST(:at AS timestamptz), CAST(:id AS uuid))' : ''}
      ORDER BY m.at DESC, m.id DESC LIMIT :limit`,
    { type: QueryTypes.SELECT, replacements: { ...after, workshopId, limit: page.limit + 1 } },
  );
  const [{ count }] = (await HandOver.sequelize!.query(
    `SELECT count(*)::int AS count FROM fluid_moved m WHERE ${IN_DRUM}`,
    { type: QueryTypes.SELECT, replacements: { workshopId } },
  )) as [{ count: number }];
  const { shown, next } = pageOf(found, page.limit, ({ at, id }) => ({ at, id }));
  return { entries: shown.map((e) => ({ ...e, at: e.at.toISOString() })), count, next };
}

/** What of all that was moved is in the drum now. */
const IN_DRUM =
  'm.workshop_id = :workshopId AND m.hand_over_id IS NULL AND m.bled_ml + m.removed_ml + m.caught_ml > 0';

/** A page of what was handed over, newest first. */
export async function handedOver({ workshopId }: Actor, page: PageRequest): Promise<HandOverPage> {
  const after = placeAfter(place, page);
  const found = await HandOver.findAll({
    where: {
      workshopId,
      ...(after
        ? { [Op.and]: [literal('(at, id) < (CAST(:at AS timestamptz), CAST(:id AS uuid))')] }
        : {}),
    },
    replacements: after ?? {},
    order: [
      ['at', 'DESC'],
      ['id', 'DESC'],
    ],
    limit: page.limit + 1,
  });
  const { shown, next } = pageOf(found, page.limit, ({ at, id }) => ({ at, id }));
  return {
    handOvers: shown.map(({ id, at, by, toWhom, document, wasteMl }) => ({
      id,
      at: at.toISOString(),
      by,
      toWhom,
      document,
      wasteMl,
    })),
    count: await HandOver.count({ where: { workshopId } }),
    next,
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

/** What went in of what was moved, mL. */
const totalOf = (
  moved: readonly Pick<FluidMovedRow, 'bledMl' | 'removedMl' | 'caughtMl'>[],
): number => moved.reduce((sum, m) => sum + m.bledMl + m.removedMl + m.caughtMl, 0);
