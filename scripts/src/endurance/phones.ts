import type { Job, LiveLog } from '@brook/contract';
import { setTimeout as wait } from 'node:timers/promises';
import { Field, type Caller } from './field';
import { percentile, type Figure } from './figures';
import { serverEvents } from './serverEvents';
import { Tapper } from './tapper';

/** A stroke every so often, as a quick pair of people makes them. */
const STROKE_MS = 150;

/** Two phones on one run over two server processes: at the end both know the same, and the second learns of each tap soon. */
export async function twoPhones(field: Field, seconds: number): Promise<Figure[]> {
  const [a, b] = [await field.signIn('ours', 0), await field.signIn('ours', 1)];
  const [job] = await a.jobs();
  const heard = new LineListener(job!);
  const listening = heard.listen(b);
  const delays: number[] = [];
  const until = Date.now() + seconds * 1000;
  const taps = [new Tapper(a, job!), new Tapper(b, job!)].map(async (phone) => {
    while (Date.now() < until) {
      const events = phone.next(1);
      const sentMs = performance.now();
      if ((await phone.send(events)) === null) throw new Error('a tap had no answer');
      delays.push((await heard.of(events[0]!.id)) - sentMs);
      await wait(STROKE_MS);
    }
  });
  await Promise.all(taps);
  heard.stop();
  await listening;
  const log = (await a.get<Job>(`/jobs/${job!.id}`)).events.map((e) => e.id);
  const other = (await b.get<Job>(`/jobs/${job!.id}`)).events.map((e) => e.id);
  const differences =
    log.filter((id, i) => id !== heard.ids[i] || id !== other[i]).length +
    Math.abs(log.length - heard.ids.length);
  return [
    { name: 'twoPhones', value: differences, unit: 'count', limit: 0, tried: delays.length },
    {
      name: 'live.behind',
      value: percentile(delays, 0.95),
      unit: 'ms',
      limit: 150,
      tried: delays.length,
    },
  ];
}

/** What a phone hears of a run on its live line. */
class LineListener {
  readonly ids: string[] = [];
  private readonly atMs = new Map<string, number>();
  private readonly waiting = new Map<string, (atMs: number) => void>();
  private readonly abort = new AbortController();

  constructor(private readonly job: Job) {}

  async listen(caller: Caller): Promise<void> {
    const res = await fetch(`${caller.url}/jobs/${this.job.id}/live?since=0`, {
      headers: { cookie: caller.cookie },
      signal: this.abort.signal,
    });
    try {
      for await (const { event, data } of serverEvents(res))
        if (event === 'log') this.take(data as LiveLog);
    } catch (error) {
      if (!this.abort.signal.aborted) throw error;
    }
  }

  stop(): void {
    this.abort.abort();
  }

  /** When an event was heard of. */
  of(id: string): Promise<number> {
    const known = this.atMs.get(id);
    if (known !== undefined) return Promise.resolve(known);
    return new Promise((resolve) => this.waiting.set(id, resolve));
  }

  private take(log: LiveLog): void {
    this.ids.length = log.since;
    for (const { id } of log.events) {
      this.ids.push(id);
      this.atMs.set(id, performance.now());
      this.waiting.get(id)?.(performance.now());
    }
  }
}
