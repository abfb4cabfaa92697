import type { Appended, Job } from '@brook/contract';
import { planOfJob } from '@brook/contract/apiDriver';
import { randomUUID } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';
import type { Caller } from './field';

/** A phone that counts strokes on a run and sends each until it was acknowledged, as the app does. */
export class Tapper {
  readonly deviceId = randomUUID();
  /** Ids that the server acknowledged, in the order in which they were made. */
  readonly acknowledged: string[] = [];
  private seq = 0;
  /** Up to where this phone knows the log. */
  private position = 0;
  private readonly openingId: string;
  private readonly planId: string;

  constructor(
    private readonly caller: Caller,
    readonly job: Job,
  ) {
    const plan = planOfJob(job);
    this.planId = plan.id;
    this.position = job.events.length;
    this.openingId = plan.openings[0]!.id;
  }

  /** Strokes that come next on this phone. */
  next(count: number): { readonly id: string }[] {
    return Array.from({ length: count }, () => ({
      id: randomUUID(),
      deviceId: this.deviceId,
      deviceSeq: ++this.seq,
      atMs: Date.now(),
      planId: this.planId,
      kind: 'stroke',
      openingId: this.openingId,
    }));
  }

  /**
   * Send a batch once.
   *
   * @returns null when there was no answer that says what became of it
   */
  async send(events: readonly { readonly id: string }[]): Promise<Appended | null> {
    try {
      const res = await this.caller.call('POST', `/jobs/${this.job.id}/events`, {
        events,
        lowestWaiting: Math.max(1, this.seq - events.length + 1),
        since: this.position,
      });
      // Of a server that stands up again; anything else that is no success is a fault of the test.
      if (res.status === 503) return null;
      const answer = (await res.json()) as Appended;
      if (!res.ok) throw new Refused(`${res.status} ${JSON.stringify(answer)}`);
      const bad = answer.answers.find((a) => a.result !== 'new' && a.result !== 'known');
      if (bad) throw new Refused(JSON.stringify(bad));
      this.position = answer.position;
      return answer;
    } catch (error) {
      if (error instanceof Refused) throw error;
      return null;
    }
  }

  /** Send batches, each again until it is acknowledged, as long as it goes on. */
  async tap(goesOn: () => boolean, batch = 3): Promise<void> {
    while (goesOn()) {
      const events = this.next(batch);
      while ((await this.send(events)) === null) await wait(50);
      this.acknowledged.push(...events.map((e) => e.id));
    }
  }
}

class Refused extends Error {}

/** How many acknowledged events a log lost, doubled or put in another order. */
export function lostOrDoubled(
  tappers: readonly Tapper[],
  logs: ReadonlyMap<string, readonly { readonly id: string }[]>,
): number {
  let faults = 0;
  for (const { job, acknowledged } of tappers) {
    const log = logs.get(job.id)!.map((e) => e.id);
    const places = new Map(log.map((id, i) => [id, i]));
    faults += log.length - places.size;
    let last = -1;
    for (const id of acknowledged) {
      const place = places.get(id);
      if (place === undefined || place < last) faults++;
      else last = place;
    }
  }
  return faults;
}
