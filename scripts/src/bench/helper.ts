import type { HelperNews, HelpSignal, Job } from '@brook/contract';
import { DEMO_SIGN_IN } from '@brook/demo';
import { randomUUID } from 'node:crypto';
import type { APIRequestContext, Browser, Page } from 'playwright-core';
import { serverEvents } from '../endurance/serverEvents';
import { FLUID } from '../endurance/field';
import type { Measured } from './report';

const CALLS = 200;

/** From a helper's tap to the moment at which the technician's phone hears of it, over loopback. */
export async function helperBehind(browser: Browser, url: string): Promise<Measured> {
  const context = await browser.newContext();
  try {
    const workshop = new Desk(context.request, url);
    await workshop.signIn();
    const job = await workshop.newRun();
    await workshop.prepare(job);
    const helper = await workshop.helper(job);
    const cookies = await context.cookies();
    const abort = new AbortController();
    const line = await fetch(`${url}/api/v1/jobs/${job.id}/live`, {
      headers: { cookie: cookies.map((c) => `${c.name}=${c.value}`).join('; ') },
      signal: abort.signal,
    });
    let hear: (phase: string) => void = () => undefined;
    const listening = (async () => {
      for await (const { event, data } of serverEvents(line))
        if (event === 'helper') hear((data as HelperNews)?.phase ?? '');
    })().catch(() => undefined);
    const runs: number[] = [];
    // The last is taken back again, so that the reservoir never calls.
    const round = [
      ['at the end', 'at the end'],
      ['shut', 'shut'],
      ['take it back', 'ready'],
    ] as const;
    while (runs.length < CALLS) {
      const [signal, phase] = round[runs.length % round.length]!;
      const heard = new Promise<number>((resolve) => {
        hear = (told) => told === phase && resolve(performance.now());
      });
      const sentMs = performance.now();
      await helper.tap(signal);
      runs.push((await heard) - sentMs);
    }
    abort.abort();
    await listening;
    return { name: 'helper.behind', unit: 'ms', limit: 150, runs, share: 0.95 };
  } finally {
    await context.close();
  }
}

/** Presses on the technician's phone from the start to the last fill of a routine hatchback, a helper's phone counting. */
export async function runTaps(browser: Browser, url: string): Promise<Measured> {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
  });
  try {
    const workshop = new Desk(context.request, url);
    await workshop.signIn();
    const job = await workshop.newRun();
    const page = await context.newPage();
    await page.goto(`${url}/jobs/${job.id}`);
    let presses = 0;
    const press = async (name: string | RegExp, role: 'button' | 'radio' = 'button') => {
      await page.getByRole(role, { name, disabled: false }).click();
      presses++;
    };
    const stroke = page.getByRole('button', { name: 'One stroke made' });
    while (!(await stroke.isVisible()))
      if (!(await pressNext(page))) await page.waitForTimeout(50);
      else presses++;
    await press('Helper’s phone');
    const helper = await workshop.join(
      (await page.getByText(/^[2-9A-Z]{4} [2-9A-Z]{4}$/).innerText()).replace(' ', ''),
      job,
    );
    for (let filled = false; !filled; ) {
      if (await helper.stroke()) continue;
      const bubbles = page.getByRole('radio', { name: 'none, and as the new' });
      const next = page.getByTestId('next-action');
      const words = await next.innerText({ timeout: 500 }).catch(() => '');
      if (words === '' && (await page.getByText('Tap the bubbles above').isVisible())) {
        await bubbles.click();
        presses++;
      } else if (await pressNext(page)) {
        presses++;
        filled = words === 'Filled';
      } else await page.waitForTimeout(50);
    }
    return { name: 'run.taps', unit: 'presses', limit: 55, runs: [presses] };
  } finally {
    await context.close();
  }
}

/** @returns whether the one next action was there and took a press */
const pressNext = (page: Page): Promise<boolean> =>
  page
    .getByTestId('next-action')
    .and(page.locator(':not([aria-disabled=true])'))
    .click({ timeout: 500 })
    .then(
      () => true,
      () => false,
    );

/** What is prepared through the API, on vehicles of its own. */
class Desk {
  constructor(
    private readonly request: APIRequestContext,
    private readonly url: string,
  ) {}

  async send<T>(method: string, path: string, data?: object, version?: number): Promise<T> {
    const res = await this.request.fetch(`${this.url}/api/v1${path}`, {
      method,
      ...(data ? { data } : {}),
      headers: version === undefined ? {} : { 'if-match': `"${version}"` },
    });
    if (!res.ok()) throw new Error(`${method} ${path}: ${res.status()} ${await res.text()}`);
    return (await res.json()) as T;
  }

  signIn(): Promise<unknown> {
    return this.send('POST', '/session', DEMO_SIGN_IN);
  }

  /** A routine hatchback with a helper, its plan accepted. */
  async newRun(): Promise<Job> {
    const vehicle = await this.send<{ id: string }>('POST', '/vehicles', {
      name: 'Bench hatchback',
      tag: randomUUID().slice(0, 12),
      templateId: 'hatchback-diagonal',
      driverSide: 'right',
    });
    await this.send('POST', '/shelf', {
      grade: 'DOT 4',
      isoClass: null,
      batch: 'BENCH',
      sizeMl: 1000,
      count: 2,
      justCarried: false,
    });
    const job = await this.send<Job>('POST', '/jobs', { vehicleId: vehicle.id });
    const read = await this.send<Job>('PUT', `/jobs/${job.id}/fluid`, FLUID, job.version);
    return this.send('POST', `/jobs/${job.id}/plan/accept`, { lookedAtOpened: true }, read.version);
  }

  /** Everything before the first stroke. */
  async prepare(job: Job): Promise<void> {
    const deviceId = randomUUID();
    const events = planOf(job).preparation.map((step, i) => ({
      id: randomUUID(),
      deviceId,
      deviceSeq: i + 1,
      atMs: Date.now(),
      planId: null,
      kind: 'prepared',
      step,
    }));
    await this.send('POST', `/jobs/${job.id}/events`, { events, lowestWaiting: 1, since: 0 });
  }

  async helper(job: Job): Promise<HelperPhone> {
    const { code } = await this.send<{ code: string }>('POST', `/jobs/${job.id}/helper`);
    return this.join(code, job);
  }

  async join(code: string, job: Job): Promise<HelperPhone> {
    const { token } = await this.send<{ token: string }>('POST', '/help', { code, name: 'Ana' });
    return new HelperPhone(this, token, planOf(job).openings[0]!.id);
  }
}

interface Said {
  readonly view: { readonly kind: string; readonly openingId?: string };
}

/** A helper's phone without a screen. */
class HelperPhone {
  constructor(
    private readonly desk: Desk,
    private readonly token: string,
    private openingId: string,
  ) {}

  tap(signal: HelpSignal['signal']): Promise<Said> {
    const { token, openingId } = this;
    return this.desk.send('POST', '/help/signal', { token, id: randomUUID(), openingId, signal });
  }

  /** One stroke, where one is called for. */
  async stroke(): Promise<boolean> {
    const { view } = await this.desk.send<Said>('POST', '/help/here', { token: this.token });
    if (view.kind !== 'call') return false;
    this.openingId = view.openingId!;
    await this.tap('at the end');
    await this.tap('shut');
    return true;
  }
}

function planOf(job: Job) {
  if (job.planResult?.verdict !== 'planned') throw new Error('the job has no plan');
  return job.planResult.plan;
}
