import type { HouseRulesRecord } from '@brook/contract';
import { DEFAULT_RULES, type HouseRules } from '@brook/core/bleed/rules';
import type { Transaction } from 'sequelize';
import { Workshop } from '../../db/models';
import { ProblemError } from '../../http/problems/kinds';
import type { Actor } from '../../session/actor';

/** The rules of a workshop that are in force now. */
export async function houseRulesOf(
  actor: Pick<Actor, 'workshopId'>,
  transaction?: Transaction,
): Promise<HouseRules> {
  const workshop = await Workshop.findByPk(actor.workshopId, { transaction, rejectOnEmpty: true });
  return rulesOf(workshop);
}

/** A rule that the workshop has not chosen, or that came later, is the usual one. */
const rulesOf = (workshop: Workshop): HouseRules => ({ ...DEFAULT_RULES, ...workshop.houseRules });

/** The whole page, with its version. */
export async function getHouseRules(actor: Actor): Promise<HouseRulesRecord> {
  const workshop = await Workshop.findByPk(actor.workshopId, { rejectOnEmpty: true });
  return { rules: rulesOf(workshop), version: workshop.houseRulesVersion };
}

/** Change the page. What was decided by the old rules keeps them. */
export async function changeHouseRules(
  actor: Actor,
  version: number,
  rules: HouseRules,
): Promise<void> {
  if (actor.role !== 'lead')
    throw new ProblemError('forbidden', 'House rules are changed by a lead of the workshop.');
  await Workshop.sequelize!.transaction(async (transaction) => {
    const workshop = await Workshop.findByPk(actor.workshopId, {
      transaction,
      lock: transaction.LOCK.UPDATE,
      rejectOnEmpty: true,
    });
    if (workshop.houseRulesVersion !== version)
      throw new ProblemError(
        'conflict',
        'Somebody changed the house rules meanwhile. Look at them again; what you entered was not saved.',
      );
    await workshop.update({ houseRules: rules, houseRulesVersion: version + 1 }, { transaction });
  });
}
