import type { PeoplePage, Person, Role } from '@brook/contract';
import { literal, Op, QueryTypes, type Transaction } from 'sequelize';
import { v4 as uuid } from 'uuid';
import { z } from 'zod';
import { User } from '../db/models';
import { pageOf, placeAfter, type PageRequest } from '../http/cursor';
import { ProblemError, notFound, refused } from '../http/problems/kinds';
import type { Actor } from './actor';

/** A page of the people of a workshop by name, those who left among them: their names stand on its records. */
export async function listPeople(
  actor: Actor,
  page: PageRequest,
): Promise<Omit<PeoplePage, 'invited'>> {
  onlyLead(actor);
  const after = placeAfter(place, page);
  const users = await User.findAll({
    where: {
      workshopId: actor.workshopId,
      ...(after ? { [Op.and]: [literal('(name, id) > (:name, :id)')] } : {}),
    },
    replacements: after ?? {},
    order: ['name', 'id'],
    limit: page.limit + 1,
  });
  const { shown, next } = pageOf(users, page.limit, ({ name, id }) => ({ name, id }));
  return { people: shown.map(personOf), next };
}

const place = z.strictObject({ name: z.string().max(200), id: z.uuid() });

/**
 * Say that somebody left, or is back. Who left signs in no more, and every
 * session of theirs ends at once; what they recorded stays under their name.
 */
export async function setLeft(actor: Actor, id: string, left: boolean, at: Date): Promise<Person> {
  onlyLead(actor);
  return User.sequelize!.transaction(async (transaction) => {
    const user = await User.findOne({
      where: { id, workshopId: actor.workshopId },
      transaction,
      lock: transaction.LOCK.UPDATE,
    });
    if (!user) throw notFound('person');
    if (left && user.id === actor.userId)
      throw refused('You cannot mark yourself as gone; another lead does that.');
    await user.update(
      { leftAt: left ? at : null, leftBy: left ? actor.name : null },
      { transaction },
    );
    if (left) await endSessions(user.id, { transaction });
    return personOf(user);
  });
}

/** Somebody who comes in: by an invitation, or as a workshop is set up. */
export interface Comes {
  readonly workshopId: string;
  readonly login: string;
  readonly name: string;
  readonly role: Role;
  readonly passwordHash: string;
  readonly invitationId: string | null;
}

/** Add a person, which the database does only by an open invitation, or before a workshop has a vehicle. */
export async function addPerson(
  { workshopId, login, name, role, passwordHash, invitationId }: Comes,
  at: Date,
  transaction?: Transaction,
): Promise<User> {
  const id = uuid();
  await User.sequelize!.query('SELECT add_person($1, $2, $3, $4, $5, $6, $7, $8)', {
    type: QueryTypes.SELECT,
    bind: [id, workshopId, login.toLowerCase(), name, role, passwordHash, invitationId, at],
    ...(transaction ? { transaction } : {}),
  });
  return User.findByPk(id, { rejectOnEmpty: true, ...(transaction ? { transaction } : {}) });
}

/** End every session of a person, but for one. */
export async function endSessions(
  userId: string,
  { except = '', transaction }: { except?: string; transaction?: Transaction } = {},
): Promise<void> {
  await User.sequelize!.query(
    `DELETE FROM sessions WHERE sess->>'userId' = :userId AND sid <> :except`,
    { type: QueryTypes.DELETE, replacements: { userId, except }, transaction },
  );
}

/** @throws ProblemError of kind forbidden for everybody else */
export function onlyLead(actor: Actor): void {
  if (actor.role !== 'lead')
    throw new ProblemError('forbidden', 'Only a lead keeps the list of people.');
}

const personOf = ({ id, name, role, leftAt, leftBy }: User): Person => ({
  id,
  name,
  role,
  left: leftAt && leftBy ? { at: leftAt.toISOString(), by: leftBy } : null,
});
