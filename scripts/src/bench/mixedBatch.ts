import type { Appended } from '@brook/contract';
import { planOfJob } from '@brook/contract/apiDriver';
import { randomUUID } from 'node:crypto';
import type { Browser } from 'playwright-core';
import { Desk } from './desk';
import type { Measured } from './report';

/** What the log of a long run holds before: three bleeders of a car that ran dry once. */
const HELD = 1_500;
const STROKES = 250;
const RUNS = 5;
const ASKED_EVERY_MS = 10;

/**
 * One batch of 250 strokes and 250 undos in turn, the undos of what was said long
 * before; and how long others wait for the server meanwhile.
 */
export async function mixedBatch(browser: Browser, url: string): Promise<readonly Measured[]> {
  const context = await browser.newContext();
  try {
    const workshop = new Desk(context.request, url);
    await workshop.signIn();
    const job = await workshop.newRun();
    const openingId = planOfJob(job).openings[0]!.id;
    const deviceId = randomUUID();
    const held = Array.from({ length: HELD }, () => ({
      id: randomUUID(),
      kind: 'stroke',
      openingId,
    }));
    await workshop.say(job, held, deviceId);
    let seq = HELD;
    const batch = (run: number) =>
      Array.from({ length: STROKES }, (_, i) => [
        { kind: 'stroke', openingId },
        { kind: 'undone', eventId: held[run * STROKES + i]!.id },
      ])
        .flat()
        .map((said) => ({
          id: randomUUID(),
          deviceId,
          deviceSeq: ++seq,
          atMs: Date.now(),
          planId: null,
          ...said,
        }));
    const runs: number[] = [];
    const waits: number[] = [];
    for (let run = 0; run < RUNS; run++) {
      const events = batch(run);
      const others = whileItLasts(() => timed(() => fetch(`${url}/health`)), waits);
      runs.push(
        await timed(async () => {
          const { answers } = await workshop.ask<Appended>('post', `/jobs/${job.id}/events`, {
            events,
            lowestWaiting: 1,
            since: HELD,
          });
          if (answers.some((a) => a.result !== 'new'))
            throw new Error('the events of this measurement should all be taken');
        }),
      );
      await others.end();
    }
    return [
      { name: 'batch.mixed500', unit: 'ms', limit: 1_000, runs },
      { name: 'batch.mixed500.health', unit: 'ms', limit: 200, runs: [Math.max(...waits)] },
    ];
  } finally {
    await context.close();
  }
}

/** Ask over and over until it is ended. @param into what each time took, ms */
function whileItLasts(ask: () => Promise<number>, into: number[]) {
  let going = true;
  const over = (async () => {
    while (going) {
      into.push(await ask());
      await new Promise((resolve) => setTimeout(resolve, ASKED_EVERY_MS));
    }
  })();
  return {
    end: () => {
      going = false;
      return over;
    },
  };
}

async function timed(make: () => Promise<unknown>): Promise<number> {
  const sinceMs = performance.now();
  await make();
  return performance.now() - sinceMs;
}
