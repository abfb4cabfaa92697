import type { Container as ContainerDto, NewContainers, Recall, Shelf } from '@brook/contract';
import { lowStock } from '@brook/core/fluid/shelf';
import { QueryTypes, type Transaction } from 'sequelize';
import { v4 as uuid } from 'uuid';
import { z } from 'zod';
import { Container, ContainerDraw, FluidMovedRow } from '../db/models';
import { moment, pageOf, placeAfter, type PageRequest } from '../http/cursor';
import { notFound, ProblemError, refused } from '../http/problems/kinds';
import { houseRulesOf } from '../workshop/rules/service';
import type { Actor } from '../session/actor';
import { containerDto, heldOf, shelfContainer, type Filling } from './containers';

/** The shelf of this moment, a page of its containers, the oldest first. */
export async function getShelf(actor: Actor, page: PageRequest, at: Date): Promise<Shelf> {
  const after = placeAfter(place, page);
  const rules = await houseRulesOf(actor);
  const held = await heldOf(actor.workshopId, {});
  const standing = held.filter(
    (h) => h.row.state !== 'discarded' && (h.leftMl > 0 || h.overdrawnMl > 0),
  );
  // What is left is summed over all of them in any case; a page is what of it is sent.
  const ahead = after
    ? standing.filter(({ row }) => placeOf(row) > `${after.receivedAt} ${after.id}`)
    : standing;
  const { shown, next } = pageOf(ahead, page.limit, ({ row: { id, receivedAt } }) => ({
    receivedAt,
    id,
  }));
  return {
    containers: shown.map((h) => containerDto(h, at, rules.openContainers)),
    low: lowStock(
      held.map((h) => shelfContainer(h, at)),
      rules.openContainers,
      rules.lowStockMl,
    ),
    next,
  };
}

const place = z.strictObject({ receivedAt: moment, id: z.uuid() });
/** Where a container stands in the list: moments of one form and ids in their order. */
const placeOf = ({ receivedAt, id }: Pick<Container, 'receivedAt' | 'id'>): string =>
  `${receivedAt.toISOString()} ${id}`;

/** Put sealed containers of one batch on the shelf. */
export async function addContainers(
  actor: Pick<Actor, 'workshopId'>,
  given: NewContainers,
  at: Date,
  transaction?: Transaction,
): Promise<Container[]> {
  const { count, justCarried, ...what } = given;
  return Container.bulkCreate(
    Array.from({ length: count }, () => ({
      ...what,
      id: uuid(),
      workshopId: actor.workshopId,
      receivedAt: at,
      travelledAt: justCarried ? at : null,
    })),
    { transaction },
  );
}

/** Say that a container is open, since when, and how it was kept. */
export async function openContainer(
  actor: Actor,
  id: string,
  version: number,
  given: { openedDaysAgo: number | null; keptCapped: boolean },
  at: Date,
): Promise<ContainerDto> {
  return changeContainer(actor, id, version, at, async ({ row }) => {
    if (row.state === 'discarded')
      throw refused('This container was discarded; it cannot be opened.');
    row.set({
      state: 'opened',
      keptCapped: given.keptCapped,
      openedAt:
        given.openedDaysAgo === null
          ? null
          : new Date(at.getTime() - given.openedDaysAgo * 86_400_000),
    });
  });
}

/** Say what is left in a container from which more came than it was down as holding. */
export async function countContainer(
  actor: Actor,
  id: string,
  version: number,
  leftMl: number,
  at: Date,
): Promise<ContainerDto> {
  return changeContainer(actor, id, version, at, async ({ row, overdrawnMl }, transaction) => {
    if (overdrawnMl === 0)
      throw refused('What is down for this container agrees with what came out of it.');
    // The pour that it could not have held left it with nothing.
    const last = await ContainerDraw.findOne({
      where: { containerId: id },
      order: [
        ['leftMl', 'ASC'],
        ['pouredMl', 'DESC'],
      ],
      transaction,
      rejectOnEmpty: true,
    });
    const most = row.sizeMl - last.pouredMl - last.discardedMl;
    if (leftMl > most + 1e-6)
      throw refused(
        `Batch ${row.batch} holds ${row.sizeMl} mL when full, and ${Math.round(last.pouredMl + last.discardedMl)} mL came out of it at once: at most ${Math.round(Math.max(0, most))} mL can be left.`,
      );
    await last.update({ foundMl: last.foundMl + overdrawnMl + leftMl, leftMl }, { transaction });
  });
}

/** Discard a container with what is left in it. */
export async function discardContainer(
  actor: Actor,
  id: string,
  version: number,
  caught: boolean,
  at: Date,
): Promise<ContainerDto> {
  return changeContainer(actor, id, version, at, async ({ row, leftMl }, transaction) => {
    if (row.state === 'discarded') throw refused('This container was discarded already.');
    row.set({ state: 'discarded', discardedAt: at, discardedMl: leftMl });
    await FluidMovedRow.create(
      {
        id: uuid(),
        workshopId: actor.workshopId,
        containerId: id,
        at,
        by: actor.name,
        discardedMl: leftMl,
        caughtMl: caught ? leftMl : 0,
      },
      { transaction },
    );
  });
}

async function changeContainer(
  actor: Actor,
  id: string,
  version: number,
  at: Date,
  change: (held: Filling, transaction: Transaction) => Promise<void>,
): Promise<ContainerDto> {
  const rules = await houseRulesOf(actor);
  await Container.sequelize!.transaction(async (transaction) => {
    const [held] = await heldOf(actor.workshopId, { ids: [id] }, transaction);
    if (!held) throw notFound('container');
    if (held.row.version !== version)
      throw new ProblemError(
        'conflict',
        'Somebody changed this container meanwhile. Look at it again; what you entered was not saved.',
      );
    await change(held, transaction);
    await held.row.set({ version: version + 1 }).save({ transaction });
  });
  const [held] = await heldOf(actor.workshopId, { ids: [id] });
  return containerDto(held!, at, rules.openContainers);
}

/** Which vehicles got a batch, newest first. */
export async function recallBatch(actor: Actor, batch: string, page: PageRequest): Promise<Recall> {
  const after = placeAfter(usePlace, page);
  const held = (await heldOf(actor.workshopId, {})).filter(
    (h) => h.row.batch.toLowerCase() === batch.toLowerCase(),
  );
  const found = await Container.sequelize!.query<Omit<Recall['uses'][number], 'at'> & { at: Date }>(
    `SELECT j.id AS "jobId", j.number AS "jobNumber", m.at, v.id AS "vehicleId", v.name AS "vehicleName", v.tag AS "vehicleTag", SUM(d.poured_ml) AS "pouredMl",
            NOT EXISTS (SELECT 1 FROM fluid_moved l JOIN jobs lj ON lj.id = l.job_id WHERE lj.vehicle_id = v.id AND l.at > m.at AND lj.released IS NOT NULL) AS "stillInside"
       FROM containers c JOIN container_draws d ON d.container_id = c.id JOIN jobs j ON j.id = d.job_id JOIN vehicles v ON v.id = j.vehicle_id
       JOIN (SELECT job_id, max(at) AS at FROM fluid_moved GROUP BY job_id) m ON m.job_id = j.id
      WHERE c.workshop_id = :workshopId AND lower(c.batch) = lower(:batch) AND d.poured_ml > 0
        ${after ? 'AND (m.at, j.id) < (CAST(:at AS timestamptz), CAST(:jobId AS uuid))' : ''}
      GROUP BY j.id, v.id, m.at ORDER BY m.at DESC, j.id DESC LIMIT :limit`,
    {
      type: QueryTypes.SELECT,
      replacements: { ...after, workshopId: actor.workshopId, batch, limit: page.limit + 1 },
    },
  );
  const { shown, next } = pageOf(found, page.limit, ({ at, jobId }) => ({ at, jobId }));
  return {
    batch,
    containers: held.map(({ row, leftMl }) => ({
      id: row.id,
      grade: row.grade,
      isoClass: row.isoClass,
      batch: row.batch,
      sizeMl: row.sizeMl,
      leftMl,
      state: row.state,
    })),
    uses: shown.map((u) => ({ ...u, at: u.at.toISOString() })),
    next,
  };
}

const usePlace = z.strictObject({ at: moment, jobId: z.uuid() });
