import { CODE_LENGTH, type HelperNews } from '@brook/contract';
import { OUT_OF_STEP_MS } from '@brook/contract/beats';
import { randomBytes } from 'node:crypto';
import type { Transaction } from 'sequelize';
import { v4 as uuid } from 'uuid';
import { HelperLinkRow } from '../../db/models';
import { changeJob, mustBeOurs, onlyAt } from '../log/locked';
import { ProblemError } from '../../http/problems/kinds';
import type { Actor } from '../../session/actor';
import { hashOf, newCode } from '../../session/code';

/** Make the code of a job's run; whoever joined by one before has left. */
export async function makeLink(actor: Actor, jobId: string, at: Date): Promise<string> {
  const code = newCode(CODE_LENGTH);
  await changeJob(actor, jobId, null, at, async ({ job, transaction }) => {
    onlyAt(
      job,
      ['run'],
      'A helper’s phone joins while the run goes on; this job is not in its run.',
    );
    await endOpen(jobId, at, transaction);
    await HelperLinkRow.create(
      {
        id: uuid(),
        workshopId: job.workshopId,
        jobId,
        codeHash: hashOf(code),
        madeAt: at,
        wrenchSeenAt: at,
      },
      { transaction },
    );
  });
  return code;
}

/** End the link of a job of this workshop. */
export async function endLink(actor: Actor, jobId: string, at: Date): Promise<void> {
  await mustBeOurs(actor, jobId);
  await endOpen(jobId, at);
}

/** The technician's phone is in step. */
export async function wrenchIsHere(actor: Actor, jobId: string, at: Date): Promise<void> {
  await mustBeOurs(actor, jobId);
  await HelperLinkRow.update({ wrenchSeenAt: at }, { where: { jobId, endedAt: null } });
}

async function endOpen(jobId: string, at: Date, transaction?: Transaction): Promise<void> {
  await HelperLinkRow.update(
    { endedAt: at },
    { where: { jobId, endedAt: null }, ...(transaction ? { transaction } : {}) },
  );
}

/** The open link of a code. @throws ProblemError of kind not-found */
export async function linkByCode(code: string): Promise<HelperLinkRow> {
  const link = await HelperLinkRow.findOne({ where: { codeHash: hashOf(code), endedAt: null } });
  if (!link)
    throw new ProblemError(
      'not-found',
      'No run waits for this code. Look at it once more, or ask for a new one.',
      [{ field: 'code', sentence: 'No run waits for this code.' }],
    );
  return link;
}

/** A new token for whoever joins by a link; whoever had one before is out. */
export function newToken(): { readonly token: string; readonly tokenHash: string } {
  const token = randomBytes(32).toString('base64url');
  return { token, tokenHash: hashOf(token) };
}

/** The open link of a joined phone. @throws ProblemError of kind signed-out */
export async function linkByToken(token: string): Promise<HelperLinkRow> {
  const link = await HelperLinkRow.findOne({ where: { tokenHash: hashOf(token), endedAt: null } });
  if (!link)
    throw new ProblemError('signed-out', 'This link has ended, or another phone took it over.');
  return link;
}

/** What the technician's phone is told of the helper's; null where there is no link. */
export async function helperNewsOf(jobId: string, at: Date): Promise<HelperNews> {
  const link = await HelperLinkRow.findOne({ where: { jobId, endedAt: null } });
  if (!link) return null;
  const { name, id: deviceId, helperSeenAt, phase, openingId } = link;
  return { name, deviceId, phase, openingId, inStep: isInStep(helperSeenAt, at) };
}

export const isInStep = (seenAt: Date | null, at: Date): boolean =>
  seenAt !== null && at.getTime() - seenAt.getTime() < OUT_OF_STEP_MS;
