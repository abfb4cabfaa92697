import type { VehicleHistory, VehiclePage } from '@brook/contract';
import { DEMO_SIGN_IN } from '@brook/demo';
import { Client } from 'pg';
import type { Browser } from 'playwright-core';
import type { Measured } from './report';

const VISITS = 400;
const SAMPLES_A_VISIT = 5;
const RUNS = 7;
const TAG = 'SM 1';

/** Give one vehicle of the demo a history of 2,000 samples: its own reading, visit after visit, at five points. */
export async function fillHistory(database: string): Promise<void> {
  const client = new Client({ connectionString: database });
  await client.connect();
  try {
    await client.query(
      `WITH pattern AS (
         SELECT j.*, j.fluid -> 'samples' -> 0 AS sample FROM jobs j JOIN vehicles v ON v.id = j.vehicle_id
          WHERE v.tag = $1 AND j.stage = 'ended' ORDER BY j.opened_at LIMIT 1
       )
       INSERT INTO jobs (id, workshop_id, vehicle_id, number, stage, closed, opened_at, opened_by, closed_at, fluid, ended)
       SELECT gen_random_uuid(), p.workshop_id, p.vehicle_id, 100000 + n, 'ended', true, now() - (n || ' days')::interval, 'bench', now() - (n || ' days')::interval,
              jsonb_set(p.fluid, '{samples}', (SELECT jsonb_agg(jsonb_set(p.sample, '{water,percent}', to_jsonb(round((0.4 + 0.006 * (n % 500) + 0.1 * k)::numeric, 2)))) FROM generate_series(1, $3::int) k)),
              p.ended
         FROM pattern p, generate_series(1, $2::int) n`,
      [TAG, VISITS, SAMPLES_A_VISIT],
    );
  } finally {
    await client.end();
  }
}

/** From the answer of the server to the frame that shows the chart of 2,000 samples, with fit, band and limits, on the phone view. */
export async function fluidHistory2000(browser: Browser, url: string): Promise<Measured> {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
  });
  try {
    await context.request.post(`${url}/api/v1/session`, { data: DEMO_SIGN_IN });
    const { vehicles } = (await (
      await context.request.get(`${url}/api/v1/vehicles?limit=500`)
    ).json()) as VehiclePage;
    const id = vehicles.find((v) => v.tag === TAG)!.id;
    let samples = 0;
    for (let next: string | null = ''; next !== null; ) {
      const res = await context.request.get(
        `${url}/api/v1/vehicles/${id}/history?limit=500${next ? `&cursor=${next}` : ''}`,
      );
      const read = (await res.json()) as VehicleHistory;
      samples += read.samples.length;
      next = read.next;
    }
    if (samples < VISITS * SAMPLES_A_VISIT)
      throw new Error(
        `the history holds ${samples} samples where ${VISITS * SAMPLES_A_VISIT} are asked for`,
      );
    const page = await context.newPage();
    await page.addInitScript(WATCH_FOR_CHART);
    const runs: number[] = [];
    for (let run = 0; run < RUNS; run++) {
      await page.goto(`${url}/vehicles/${id}/history`);
      runs.push(await page.evaluate<number>('window.charted'));
    }
    return { name: 'fluid.history2000', unit: 'ms', limit: 200, runs };
  } finally {
    await context.close();
  }
}

/** In the page: milliseconds from the moment the history is read to the frame after its chart stands there. */
const WATCH_FOR_CHART = `
  window.charted = new Promise((resolve) => {
    let answered = 0;
    const json = Response.prototype.json;
    Response.prototype.json = async function () {
      const value = await json.call(this);
      if (new URL(this.url).pathname.endsWith('/history')) answered = performance.now();
      return value;
    };
    new MutationObserver((_, observer) => {
      if (answered === 0 || !document.querySelector('[data-testid=history-chart]')) return;
      observer.disconnect();
      requestAnimationFrame(() => {
        const { port1, port2 } = new MessageChannel();
        port1.onmessage = () => resolve(performance.now() - answered);
        port2.postMessage(null);
      });
    }).observe(document, { subtree: true, childList: true });
  });`;
