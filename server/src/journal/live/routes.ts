import {
  liveQuery,
  putAway,
  type LiveBeat,
  type LiveLog,
  type WorkshopBeat,
} from '@brook/contract';
import { JOB_BEAT_MS } from '@brook/contract/beats';
import { Router, type Request, type Response } from 'express';
import type { Clock } from '../../http/clock';
import { Job, Vehicle } from '../../db/models';
import { parse, pathId } from '../../http/parse';
import { mustBeOurs } from '../log/locked';
import { lastInOrder } from '../log/order';
import { logOf, onWire } from '../log/stored';
import { actorOf, NO_DEVICE, type Actor } from '../../session/actor';
import { hashOf } from '../../session/code';
import { driveStateOf } from '../../workshop/vehicle/findVehicle';
import { helperNewsOf } from './links';
import type { JobNews } from './jobNews';
import { takeLine, type OpenLine } from './lines';
import { heardOf, phonesOf } from './phones';
import { openStream, sendTo } from './stream';

export interface LiveOptions {
  readonly news: JobNews;
  readonly clock: Clock;
  /** Whether whoever opened the line may still have it. */
  readonly stillIn: (req: Request) => Promise<boolean>;
}

/** What happens on a job, as it happens: server-sent events. */
export function liveRoutes(options: LiveOptions): Router {
  const routes = Router();
  routes.post('/:id/away', async (req, res) => {
    const { holds } = parse(putAway, req.body);
    const [actor, jobId] = [actorOf(req), pathId(req)];
    await mustBeOurs(actor, jobId);
    await seen(actor, jobId, options.clock.now(), holds);
    res.status(204).end();
  });
  routes.get('/:id/live', async (req, res) => {
    const { since, device } = parse(liveQuery, req.query);
    const actor = { ...actorOf(req), ...(device ? { deviceId: device } : {}) };
    const jobId = pathId(req);
    await mustBeOurs(actor, jobId);
    // After a break the browser says by itself how far it came.
    const last = Number(req.get('last-event-id'));
    const from = Number.isSafeInteger(last) && last > 0 ? Math.max(last, since) : since;
    const { workshopId, userId: person } = actor;
    const line = await takeLine({ workshopId, person }, options.clock.now());
    if (line) await new LiveLine(options, req, res, line, actor, jobId, from).open();
    else res.status(204).end();
  });
  return routes;
}

/** A phone that has a name is in use, or says what it holds as it is put away. */
async function seen(actor: Actor, jobId: string, at: Date, holds: number | null): Promise<void> {
  const { deviceId } = actor;
  if (deviceId !== NO_DEVICE) await heardOf(actor, jobId, { deviceId, at, holds });
}

/** One open line to one phone. */
class LiveLine {
  /** How its job and the order of its vehicle stood when it was told last. */
  private told = '';
  /** What was told of the helper's phone last; a phone that comes back may know of one that has ended. */
  private helper: string | null = null;
  private reading = false;
  private stale = false;
  private closed = false;
  private timer: NodeJS.Timeout | null = null;
  private unsubscribe: readonly (() => void)[] = [];

  constructor(
    private readonly options: LiveOptions,
    private readonly req: Request,
    private readonly res: Response,
    private readonly line: OpenLine,
    private readonly actor: Actor,
    private readonly jobId: string,
    private position: number,
  ) {}

  async open(): Promise<void> {
    // Gone before it stood: nobody would say so again.
    if (this.res.destroyed) return this.line.end();
    openStream(this.res);
    this.res.on('close', () => this.close());
    const { news } = this.options;
    this.unsubscribe = [
      news.subscribe(this.jobId, () => void this.tell()),
      news.subscribe(this.actor.workshopId, () => this.changed()),
      news.subscribe(hashOf(this.req.sessionID), () => void this.beat()),
    ];
    this.timer = setInterval(() => void this.beat(), JOB_BEAT_MS);
    await this.tell();
    await this.beat();
  }

  private close(): void {
    this.closed = true;
    for (const leave of this.unsubscribe) leave();
    if (this.timer) clearInterval(this.timer);
    void this.line.end();
  }

  /** What may be driven or is owed changed somewhere: the list beside the job asks anew, and so may its own vehicle have. */
  private changed(): void {
    const now: WorkshopBeat = { nowMs: this.options.clock.now().getTime() };
    this.send('changed', now);
    void this.tell();
  }

  /** Send what the log holds behind what was sent; news that come meanwhile are read after it. */
  private async tell(): Promise<void> {
    this.stale = true;
    if (this.reading) return;
    this.reading = true;
    try {
      while (this.stale && !this.closed) {
        this.stale = false;
        const [log] = await Promise.all([this.read(), this.tellHelper()]);
        const changed = [log.version, log.lastPlace].join();
        if (log.events.length === 0 && changed === this.told) continue;
        this.position = log.position;
        this.told = changed;
        this.send('log', log, log.position);
      }
    } catch (error) {
      // The beat asks again: nothing is lost while the database is away.
      this.stale = true;
      this.req.log?.warn({ err: error }, 'live line could not read');
    } finally {
      this.reading = false;
    }
  }

  private async read(): Promise<LiveLog> {
    const job = await Job.findByPk(this.jobId, {
      attributes: ['stage', 'version', 'vehicleId'],
      rejectOnEmpty: true,
    });
    // Asked before the log: what comes meanwhile is told again.
    const lastPlace = await lastInOrder(job.vehicleId);
    const [events, vehicle] = await Promise.all([
      logOf(this.jobId, undefined, this.position),
      Vehicle.findByPk(job.vehicleId, { rejectOnEmpty: true }),
    ]);
    return {
      since: this.position,
      events: events.map(onWire),
      position: this.position + events.length,
      stage: job.stage,
      version: job.version,
      drive: driveStateOf(vehicle),
      lastPlace,
    };
  }

  private async beat(): Promise<void> {
    try {
      if (!(await this.options.stillIn(this.req))) {
        this.res.end();
        return;
      }
      const now = this.options.clock.now();
      await this.line.beat(now);
      await seen(this.actor, this.jobId, now, null);
      const beat: LiveBeat = { nowMs: now.getTime(), phones: await phonesOf(this.jobId) };
      this.send('beat', beat);
      await this.tellHelper();
      if (this.stale) await this.tell();
    } catch (error) {
      // No beat tells the phone that the record cannot be reached.
      this.req.log?.warn({ err: error }, 'live line could not beat');
    }
  }

  /** What the helper's phone says, where that changed. */
  private async tellHelper(): Promise<void> {
    const news = await helperNewsOf(this.jobId, this.options.clock.now());
    const said = JSON.stringify(news);
    if (said === this.helper) return;
    this.helper = said;
    this.send('helper', news);
  }

  private send(event: string, data: unknown, id?: number): void {
    if (!this.closed) sendTo(this.res, event, data, id);
  }
}
