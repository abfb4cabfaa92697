import {
  INVITATION_LENGTH,
  type Invitation as Invited,
  type JoinWorkshop,
  type MadeInvitation,
  type NewInvitation,
} from '@brook/contract';
import { Op, UniqueConstraintError } from 'sequelize';
import { v4 as uuid } from 'uuid';
import { Invitation, User } from '../db/models';
import { ProblemError, notFound } from '../http/problems/kinds';
import type { Actor } from './actor';
import { hashOf, newCode } from './code';
import { hashPassword } from './password';
import { addPerson, onlyLead } from './people';

/** How long an invitation holds. */
export const INVITED_DAYS = 7;

/** Ask somebody in. The code is told this once. */
export async function invite(
  actor: Actor,
  { name, role }: NewInvitation,
  at: Date,
): Promise<MadeInvitation> {
  onlyLead(actor);
  const code = newCode(INVITATION_LENGTH);
  const made = await Invitation.create({
    id: uuid(),
    workshopId: actor.workshopId,
    name,
    role,
    codeHash: hashOf(code),
    madeBy: actor.name,
    madeAt: at,
    until: new Date(at.getTime() + INVITED_DAYS * 86_400_000),
  });
  return { invitation: invitedOf(made), code };
}

/** Who was asked in and has not come yet, the newest first. */
export async function openInvitations({ workshopId }: Actor, at: Date): Promise<Invited[]> {
  const rows = await Invitation.findAll({
    where: { workshopId, endedAt: null, until: { [Op.gt]: at } },
    order: [['madeAt', 'DESC']],
  });
  return rows.map(invitedOf);
}

/** Take an invitation back. */
export async function takeBack(actor: Actor, id: string, at: Date): Promise<void> {
  onlyLead(actor);
  const [count] = await Invitation.update(
    { endedAt: at },
    { where: { id, workshopId: actor.workshopId, endedAt: null } },
  );
  if (count === 0) throw notFound('invitation');
}

/**
 * Come in by an invitation: once, and while it holds.
 *
 * @throws ProblemError of kind not-found for a code that nobody was given, or that is over
 * @throws ProblemError of kind invalid where somebody signs in by that name already; the invitation stays
 */
export async function joinBy({ code, login, password }: JoinWorkshop, at: Date): Promise<User> {
  const passwordHash = await hashPassword(password);
  try {
    return await User.sequelize!.transaction(async (transaction) => {
      const invited = await Invitation.findOne({
        where: { codeHash: hashOf(code), endedAt: null, until: { [Op.gt]: at } },
        transaction,
        lock: transaction.LOCK.UPDATE,
      });
      if (!invited)
        throw new ProblemError(
          'not-found',
          'This invitation is used, over or taken back. Ask a lead for a new one.',
          [{ field: 'code', sentence: 'No invitation waits for this code.' }],
        );
      const { id: invitationId, workshopId, name, role } = invited;
      const comes = { workshopId, login, name, role, passwordHash, invitationId };
      return await addPerson(comes, at, transaction);
    });
  } catch (error) {
    if (!(error instanceof UniqueConstraintError)) throw error;
    throw new ProblemError('invalid', 'Somebody signs in by that name already; take another.', [
      { field: 'login', sentence: 'Somebody signs in by that name already; take another.' },
    ]);
  }
}

const invitedOf = ({ id, name, role, madeBy, until }: Invitation): Invited => ({
  id,
  name,
  role,
  by: madeBy,
  until: until.toISOString(),
});
