import type { Job, PlanChoices, Vehicle } from '@brook/contract';
import type { TemplateId } from '@brook/core/vehicle/circuit/templates';
import { followCalls } from '@brook/core/job/run';
import { randomUUID } from 'node:crypto';
import {
  goodProof,
  NOW,
  planOfJob,
  SOUND_FLUID,
  stateOfJob,
  usedFluid,
  type Caller,
} from './brook';

let tags = 0;

/** Vehicles and their jobs through the API, each call as somebody at the workshop would make it. */
export function jobsOf(tech: Caller) {
  const add = async (templateId: TemplateId): Promise<Vehicle> => {
    const given = { name: 'Tried', tag: `T ${++tags}`, templateId };
    return (await tech.send('post', '/vehicles', given).expect(201)).body as Vehicle;
  };
  const vehicleOf = async (id: string): Promise<Vehicle> =>
    (await tech.get(`/vehicles/${id}`).expect(200)).body as Vehicle;

  /** A job up to its accepted plan. */
  async function accepted(
    vehicle: Vehicle,
    work: Partial<PlanChoices['work']> = {},
    fluid = SOUND_FLUID,
  ): Promise<Job> {
    const body = { vehicleId: vehicle.id, purpose: work.purpose };
    let job = (await tech.send('post', '/jobs', body).expect(201)).body as Job;
    const said = { ...job.planChoices, work: { ...job.planChoices.work, ...work } };
    job = await tech.change(job, 'put', 'plan/choices', said);
    job = await tech.change(job, 'put', 'fluid', fluid);
    return tech.change(job, 'post', 'plan/accept', { lookedAtOpened: true });
  }
  const say = async (job: Job, ...happenings: object[]): Promise<Job> => {
    const deviceId = randomUUID();
    await tech.say(
      job,
      happenings.map((h, i) => ({
        id: randomUUID(),
        deviceId,
        deviceSeq: i + 1,
        atMs: NOW.getTime() + 1 + i,
        planId: null,
        ...h,
      })),
    );
    return tech.job(job.id);
  };
  /** From where the run stands to its end, as it calls for it. */
  const runOn = async (job: Job): Promise<Job> => {
    const { run } = stateOfJob(job);
    await tech.say(
      job,
      followCalls(
        planOfJob(job),
        {
          // One source counts: this phone goes on with what it began.
          deviceId: run!.counting?.deviceId ?? randomUUID(),
          nextId: randomUUID,
          startMs: NOW.getTime(),
        },
        run!,
      ),
    );
    return tech.job(job.id);
  };
  const halted = async (job: Job, reason: string, bleederId: string, decision: string) => {
    const openingId = planOfJob(job).openings.find((s) => s.bleeder.id === bleederId)!.id;
    const id = randomUUID();
    return say(
      job,
      { id, kind: 'halted', reason, openingId },
      { kind: 'decided', haltId: id, decision },
    );
  };
  const end = (job: Job) => tech.change(job, 'post', 'end', { reason: 'Bay needed' });
  /** Prove and drive it, as the gate asks. */
  async function release(job: Job): Promise<Job> {
    const plan = planOfJob(job);
    if (plan.totals.pouredMl.value > 0) await tech.change(job, 'put', 'fluid-used', usedFluid(job));
    await tech.say(job, goodProof(await tech.job(job.id)));
    await tech.change(job, 'post', 'test-drive');
    await tech.change(job, 'post', 'test-drive/result', { result: 'good' });
    return tech.change(job, 'post', 'release');
  }

  return { add, vehicleOf, accepted, say, runOn, halted, end, release };
}
