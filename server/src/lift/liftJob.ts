import type { CheckItem, DriveResult } from '@brook/core/job/gate';
import {
  liftFluidRead,
  type AcceptedPick,
  type DeskHappening,
  type JobEvent,
  type ProofHappening,
} from '@brook/core/job/log';
import type { PedalResult } from '@brook/core/control/pedal';
import { liftPlan, type Plan } from '@brook/core/bleed/plan';
import type { Kept } from '@brook/core/job/run';
import { v5 as nameBased } from 'uuid';
import { NO_DEVICE } from '../session/actor';
import { liftRun } from './liftRun';
import type { OldJob } from './oldJob';

/**
 * The log of a job from before there was one log: what stood in its columns as
 * events, in the order in which it must have happened, the log of its run among
 * them. The same job gives the same log, ids included.
 */
export function liftJob(old: OldJob): Kept<JobEvent>[] {
  let made = 0;
  const nextId = () => nameBased(`lifted ${++made}`, old.id);
  const plan = old.planAccepted && old.planResult?.plan ? liftPlan(old.planResult.plan) : null;
  const say = (
    person: string,
    at: Date | string,
    happening: DeskHappening | ProofHappening,
  ): Kept<JobEvent> => ({
    id: nextId(),
    deviceId: NO_DEVICE,
    deviceSeq: 0,
    atMs: new Date(at).getTime(),
    planId: plan?.id ?? null,
    ...happening,
    person,
  });
  return [
    ...(old.fluid
      ? [say(old.openedBy, old.openedAt, { kind: 'fluid read', read: liftFluidRead(old.fluid) })]
      : []),
    ...(plan && old.planAccepted
      ? [
          say(old.planAccepted.by, old.planAccepted.at, {
            kind: 'plan accepted',
            plan,
            pick: pickOf(old),
          }),
        ]
      : []),
    ...(plan ? liftRun(plan, old.run, nextId) : []),
    ...afterRun(old, plan, say),
  ];
}

type Say = (
  person: string,
  at: Date | string,
  happening: DeskHappening | ProofHappening,
) => Kept<JobEvent>;

/** Fluid used, failed drives, the proof as it stood, the drive that followed it, the end. */
function afterRun(old: OldJob, plan: Plan | null, say: Say): Kept<JobEvent>[] {
  const drives = old.drives ?? [];
  const failed = drives.filter((d) => d.result === 'bad');
  const last = drives.at(-1);
  const driven = (d: NonNullable<typeof last>): Kept<JobEvent>[] => [
    say(d.setBy ?? d.by, d.at, { kind: 'drive set' }),
    ...(d.result === null
      ? []
      : [say(d.by, d.at, { kind: 'drive ended', result: d.result satisfies DriveResult })]),
  ];
  return [
    // While the bleed goes on nothing is recorded as used.
    ...(old.moved && old.stage !== 'run' ? [say(old.moved.by, old.moved.at, usedOf(old))] : []),
    ...failed.flatMap(driven),
    ...(plan ? proofOf(old, say) : []),
    ...(last && last.result !== 'bad' ? driven(last) : []),
    ...(old.released ? [say(old.released.by, old.released.at, { kind: 'released' })] : []),
    ...(old.ended
      ? [
          say(old.ended.by, old.ended.at, {
            kind: 'ended',
            reason: old.ended.reason,
            stop: wasStop(old),
          }),
        ]
      : []),
  ];
}

function proofOf(old: OldJob, say: Say): Kept<JobEvent>[] {
  const { pedal, checks = {}, by } = old.proof ?? {};
  const person = by ?? old.openedBy;
  const at = old.drives?.at(-1)?.at ?? old.moved?.at ?? old.run.at(-1)?.event.atMs ?? old.openedAt;
  const when = typeof at === 'number' ? new Date(at) : at;
  return [
    ...(pedal
      ? [
          say(person, when, {
            kind: 'pedal judged',
            masterId: null,
            result: pedal as PedalResult,
          }),
        ]
      : []),
    ...Object.entries(checks).map(([item, passes]) =>
      say(person, when, { kind: 'checked', item: item as CheckItem, passes }),
    ),
  ];
}

function usedOf({ moved, draws }: OldJob): DeskHappening {
  const { bledMl, bledBy, removedMl, spilledMl, discardedMl, caughtMl } = moved!;
  return {
    kind: 'fluid used',
    used: {
      containers: draws,
      bledMl,
      bledBy,
      removedMl,
      spilledMl,
      caught: caughtMl >= discardedMl,
    },
  };
}

function pickOf({ pick }: OldJob): AcceptedPick | null {
  if (pick?.kind !== 'enough') return null;
  const { kind: _, ...rest } = pick as { readonly kind: 'enough' } & AcceptedPick;
  return rest;
}

/** Whether a job ended on a stop: by its fluid, or by a decision in its run. */
function wasStop({ fluid, run }: OldJob): boolean {
  const decided = run.some(({ event }) => event.kind === 'decided' && event.decision === 'end job');
  return decided || (fluid !== null && liftFluidRead(fluid).verdict.verdict === 'stop');
}
