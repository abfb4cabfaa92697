import type { FollowOptions } from '@brook/core/job/run';
import type { PedalResult } from '@brook/core/control/pedal';
import type { JobEvent } from '@brook/core/job/events';
import type { TemplateId } from '@brook/core/vehicle/circuit/templates';
import type { FluidEntry, Job } from '../job';
import type { Appended, VehicleAnswers } from '../jobEvent';
import type { PlanChoices } from '../plan';
import type { Container, FluidUsed, NewContainers } from '../shelf';
import type { NewVehicle, Vehicle } from '../vehicle';
import { SOUND_FLUID } from './given';
import { goodProof, runOnFrom, stateOfJob, usedFluid } from './rightAnswers';

/** The phone that a driver is: everything that is not the same at each run of it. */
export interface DriversPhone {
  readonly nextId: () => string;
  readonly deviceId: () => string;
  /** When the first of so many events was said that are sent now, ms. */
  readonly saidFromMs: (count: number) => number;
  /** Between two of them, ms. */
  readonly everyMs: number;
}

export type Method = 'get' | 'post' | 'put' | 'delete';

/** How the API answered one call. */
export interface Answer {
  readonly status: number;
  readonly body: unknown;
}

/** More events than this are not taken at once. */
const BATCH = 500;

/**
 * Takes a job through the API, each call as somebody at the workshop would
 * make it: for the tests of server and browser, for bench and endurance. How
 * a call is made is left to whoever drives.
 */
export abstract class ApiDriver {
  /** The number of the last event of each phone of each job that was said through this one. */
  private readonly lastSeq = new Map<string, number>();

  protected constructor(protected readonly phone: DriversPhone) {}

  /** Make one call. @param version which was seen last of what is changed */
  protected abstract answer(
    method: Method,
    path: string,
    body?: object,
    version?: number,
  ): Promise<Answer>;

  /** A call that must go through. @throws Error with what was answered */
  async ask<T>(method: Method, path: string, body?: object, version?: number): Promise<T> {
    const answer = await this.answer(method, path, body, version);
    if (answer.status >= 300)
      throw new Error(`${method} ${path}: ${answer.status} ${JSON.stringify(answer.body)}`);
    return answer.body as T;
  }

  addVehicle(
    templateId: TemplateId,
    driverSide?: NewVehicle['driverSide'],
    name = 'Test vehicle',
  ): Promise<Vehicle> {
    const tag = this.phone.nextId().slice(0, 12);
    return this.ask('post', '/vehicles', { name, tag, templateId, driverSide });
  }

  /** A vehicle as it stands now. */
  vehicle(id: string): Promise<Vehicle> {
    return this.ask('get', `/vehicles/${id}`);
  }

  /** Say something of a vehicle outside any job. @throws Error where it is refused */
  async sayOf({ id }: Pick<Vehicle, 'id'>, said: object): Promise<Vehicle> {
    const event = {
      id: this.phone.nextId(),
      deviceId: this.phone.deviceId(),
      deviceSeq: 1,
      atMs: this.phone.saidFromMs(1),
      planId: null,
      ...said,
    };
    const { answers } = await this.ask<VehicleAnswers>('post', `/vehicles/${id}/events`, {
      events: [event],
    });
    if (answers[0]?.result === 'refused') throw new Error(answers[0].sentence!);
    return this.vehicle(id);
  }

  async saveLayout({ id }: Pick<Vehicle, 'id'>, layout: Vehicle['layout']): Promise<Vehicle> {
    return this.ask('put', `/vehicles/${id}/layout`, layout, (await this.vehicle(id)).version);
  }

  /** Sealed containers of DOT 4, enough for any job here. */
  shelve(more: Partial<NewContainers> = {}): Promise<Container[]> {
    return this.ask('post', '/shelf', {
      grade: 'DOT 4',
      isoClass: null,
      batch: `T-${this.phone.nextId().slice(0, 6)}`,
      sizeMl: 1000,
      count: 2,
      justCarried: false,
      ...more,
    });
  }

  openJob(vehicle: Pick<Vehicle, 'id'>, purpose?: PlanChoices['work']['purpose']): Promise<Job> {
    return this.ask('post', '/jobs', { vehicleId: vehicle.id, purpose });
  }

  job(id: string): Promise<Job> {
    return this.ask('get', `/jobs/${id}`);
  }

  /** A step of a job as it stands now, whatever was seen of it last. */
  async change(
    { id }: Pick<Job, 'id'>,
    method: 'post' | 'put',
    step: string,
    body?: object,
  ): Promise<Job> {
    return this.ask(method, `/jobs/${id}/${step}`, body, (await this.job(id)).version);
  }

  readFluid(job: Pick<Job, 'id'>, fluid: FluidEntry = SOUND_FLUID): Promise<Job> {
    return this.change(job, 'put', 'fluid', fluid);
  }

  /** Say and choose anything for the plan of a job. */
  async choose(job: Pick<Job, 'id'>, more: Partial<PlanChoices>): Promise<Job> {
    const { planChoices } = await this.job(job.id);
    return this.change(job, 'put', 'plan/choices', { ...planChoices, ...more });
  }

  /** Say what was done to the vehicle of a job. */
  async chooseWork(job: Pick<Job, 'id'>, work: Partial<PlanChoices['work']>): Promise<Job> {
    const { planChoices } = await this.job(job.id);
    return this.choose(job, { work: { ...planChoices.work, ...work } });
  }

  accept(job: Pick<Job, 'id'>): Promise<Job> {
    return this.change(job, 'post', 'plan/accept', { lookedAtOpened: true });
  }

  /**
   * Events in their order, as one phone says them; what one says of itself (its phone, its time) stands.
   *
   * @throws Error for the first that is refused
   */
  async say(
    { id }: Pick<Job, 'id'>,
    said: readonly object[],
    deviceId: string = this.phone.deviceId(),
  ): Promise<Job> {
    const fromMs = this.phone.saidFromMs(said.length);
    const lastSeq = this.seqOf(id, deviceId);
    // Somebody with reception: whoever has not heard of something says so.
    const { heard } = await this.job(id);
    const events = said.map((event, i) => ({
      id: this.phone.nextId(),
      deviceId,
      deviceSeq: lastSeq + i + 1,
      atMs: fromMs + i * this.phone.everyMs,
      planId: null,
      heard,
      ...event,
    }));
    this.count(id, events);
    for (let from = 0; from < events.length; from += BATCH) {
      const { answers } = await this.ask<Appended>('post', `/jobs/${id}/events`, {
        events: events.slice(from, from + BATCH),
        lowestWaiting: 1,
        since: 0,
      });
      const refused = answers.find((a) => a.result === 'refused');
      if (refused) throw new Error(refused.sentence!);
    }
    return this.job(id);
  }

  private seqOf(jobId: string, deviceId: string): number {
    return this.lastSeq.get(`${jobId} ${deviceId}`) ?? 0;
  }

  private count(
    jobId: string,
    events: readonly { readonly deviceId: string; readonly deviceSeq: number }[],
  ): void {
    for (const { deviceId, deviceSeq } of events)
      this.lastSeq.set(`${jobId} ${deviceId}`, Math.max(this.seqOf(jobId, deviceId), deviceSeq));
  }

  /** From where the run stands to its end or up to a place of it, as it calls for it. */
  async runOn(
    { id }: Pick<Job, 'id'>,
    upTo: Pick<FollowOptions, 'strokes' | 'until'> = {},
  ): Promise<Job> {
    const job = await this.job(id);
    // One source counts: this phone goes on with what another began.
    const deviceId = stateOfJob(job).run?.counting?.deviceId ?? this.phone.deviceId();
    this.count(id, job.events);
    const events = runOnFrom(job, { ...upTo, deviceId, nextId: this.phone.nextId, startMs: 0 });
    return this.say(job, events.map(withoutEnvelope), deviceId);
  }

  /** Every item of the proof answered well or only some of them, the result at each brake pedal as given. */
  async prove(
    { id }: Pick<Job, 'id'>,
    {
      result = 'firm and high',
      only = () => true,
    }: {
      readonly result?: PedalResult;
      readonly only?: (answer: JobEvent) => boolean;
    } = {},
  ): Promise<Job> {
    const job = await this.job(id);
    const deviceId = this.phone.deviceId();
    const answers = goodProof(job, { deviceId, nextId: this.phone.nextId, startMs: 0 })
      .filter(only)
      .map((a) => (a.kind === 'pedal judged' ? { ...a, result } : a));
    return this.say(job, answers.map(withoutEnvelope), deviceId);
  }

  /** What the run moved is recorded, poured out of the picked containers. */
  async recordFluid({ id }: Pick<Job, 'id'>, more?: Partial<FluidUsed>): Promise<Job> {
    const job = await this.job(id);
    return this.change(job, 'put', 'fluid-used', usedFluid(job, more));
  }

  /** Sent on its test drive, which goes well, and released. */
  async driveAndRelease(job: Pick<Job, 'id'>): Promise<Job> {
    await this.change(job, 'post', 'test-drive');
    await this.change(job, 'post', 'test-drive/result', { result: 'good' });
    return this.change(job, 'post', 'release');
  }

  end(job: Pick<Job, 'id'>): Promise<Job> {
    return this.change(job, 'post', 'end', { reason: 'Bay needed.' });
  }
}

/** What happened, without the number and the time that core gave it when it followed the calls. */
const withoutEnvelope = <T extends { readonly deviceSeq: number; readonly atMs: number }>({
  deviceSeq: _,
  atMs: __,
  ...happened
}: T): Omit<T, 'deviceSeq' | 'atMs'> => happened;
