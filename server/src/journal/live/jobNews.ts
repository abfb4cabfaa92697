import type { Logger } from 'pino';
import { Client } from 'pg';
import { setTimeout as wait } from 'node:timers/promises';

/**
 * The channel that the triggers of the database tell on: a job's id and the
 * position its log has reached, or the hash of a session that is over.
 */
const CHANNEL = 'brook_job';
const LONGEST_WAIT_MS = 2_000;
/** A connection that was cut without a word is noticed by a question that gets no answer. */
const PROBE_MS = 15_000;

type Hear = () => void;

/**
 * What the database says of changed jobs and of sessions that are over, for whoever listens in this process.
 * One connection of its own; when that is lost it is made again, and everybody
 * looks anew, because what was said meanwhile was said to nobody.
 */
export class JobNews {
  private readonly hearers = new Map<string, Set<Hear>>();
  private client: Client | null = null;
  private stopped = false;
  private probe: NodeJS.Timeout | null = null;

  constructor(
    private readonly url: string,
    private readonly log: Logger,
  ) {}

  /** Listen; resolves when the first connection stands. It goes on by itself afterwards. */
  async start(): Promise<void> {
    for (let tries = 0; !this.stopped; tries++) {
      try {
        await this.connect();
        return;
      } catch (error) {
        this.log.warn({ err: error }, 'cannot listen to the database');
        await wait(Math.min(LONGEST_WAIT_MS, 100 * 2 ** tries));
      }
    }
  }

  /**
   * @param about a job's id, or the hash of a session
   * @returns how to stop hearing
   */
  subscribe(about: string, hear: Hear): () => void {
    const known = this.hearers.get(about) ?? new Set();
    this.hearers.set(about, known.add(hear));
    return () => {
      known.delete(hear);
      if (known.size === 0 && this.hearers.get(about) === known) this.hearers.delete(about);
    };
  }

  async stop(): Promise<void> {
    this.stopped = true;
    if (this.probe) clearInterval(this.probe);
    await this.client?.end().catch(() => undefined);
  }

  private async connect(): Promise<void> {
    const client = new Client({ connectionString: this.url, connectionTimeoutMillis: 5_000 });
    let lost = false;
    const lose = (error?: Error) => {
      if (lost || this.stopped) return;
      lost = true;
      this.log.warn({ err: error }, 'lost the connection that listens to the database');
      if (this.probe) clearInterval(this.probe);
      void client.end().catch(() => undefined);
      void this.start();
    };
    let stands = false;
    client.on('error', (error) => stands && lose(error));
    client.on('end', () => stands && lose());
    client.on('notification', ({ payload }) => this.hear(payload?.split(' ')[0] ?? ''));
    await client.connect();
    await client.query(`LISTEN ${CHANNEL}`);
    stands = true;
    this.client = client;
    this.probe = setInterval(() => void client.query('SELECT 1').catch(lose), PROBE_MS);
    this.probe.unref();
    for (const about of this.hearers.keys()) this.hear(about);
  }

  private hear(about: string): void {
    for (const hear of this.hearers.get(about) ?? []) hear();
  }
}
