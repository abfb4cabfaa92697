import type { HelperNews, HelpSignal, Job } from '@brook/contract';
import { ApiDriver, planOfJob, type Answer, type Method } from '@brook/contract/apiDriver';
import { DEMO_SIGN_IN } from '@brook/demo';
import { randomUUID } from 'node:crypto';
import type { APIRequestContext, Browser, Page } from 'playwright-core';
import { serverEvents } from '../endurance/serverEvents';
import type { Measured } from './report';

const CALLS = 200;

/** From a helper's tap to the moment at which the technician's phone hears of it, over loopback. */
export async function helperBehind(browser: Browser, url: string): Promise<Measured> {
  const context = await browser.newContext();
  try {
    const workshop = new Desk(context.request, url);
    await workshop.signIn();
    const job = await workshop.newRun();
    await workshop.runOn(job, { strokes: 0 });
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
class Desk extends ApiDriver {
  constructor(
    private readonly request: APIRequestContext,
    private readonly url: string,
  ) {
    const deviceId = randomUUID();
    super({
      nextId: randomUUID,
      deviceId: () => deviceId,
      saidFromMs: (count) => Date.now() - 1_000 * count,
      everyMs: 1_000,
    });
  }

  protected override async answer(
    method: Method,
    path: string,
    body?: object,
    version?: number,
  ): Promise<Answer> {
    const res = await this.request.fetch(`${this.url}/api/v1${path}`, {
      method,
      ...(body ? { data: body } : {}),
      headers: version === undefined ? {} : { 'if-match': `"${version}"` },
    });
    return { status: res.status(), body: await res.json() };
  }

  signIn(): Promise<unknown> {
    return this.ask('post', '/session', DEMO_SIGN_IN);
  }

  /** A routine hatchback with a helper, its plan accepted. */
  async newRun(): Promise<Job> {
    const vehicle = await this.addVehicle('hatchback-diagonal', 'right', 'Bench hatchback');
    await this.shelve();
    return this.accept(await this.readFluid(await this.openJob(vehicle)));
  }

  async helper(job: Job): Promise<HelperPhone> {
    const { code } = await this.ask<{ code: string }>('post', `/jobs/${job.id}/helper`);
    return this.join(code, job);
  }

  async join(code: string, job: Job): Promise<HelperPhone> {
    const { token } = await this.ask<{ token: string }>('post', '/help', { code, name: 'Ana' });
    return new HelperPhone(this, token, planOfJob(job).openings[0]!.id);
  }
}

interface HelperAnswer {
  readonly view: { readonly kind: string; readonly openingId?: string };
}

/** A helper's phone without a screen. */
class HelperPhone {
  constructor(
    private readonly desk: Desk,
    private readonly token: string,
    private openingId: string,
  ) {}

  tap(signal: HelpSignal['signal']): Promise<HelperAnswer> {
    const { token, openingId } = this;
    return this.desk.ask('post', '/help/signal', { token, id: randomUUID(), openingId, signal });
  }

  /** One stroke, where one is called for. */
  async stroke(): Promise<boolean> {
    const { view } = await this.desk.ask<HelperAnswer>('post', '/help/here', { token: this.token });
    if (view.kind !== 'call') return false;
    this.openingId = view.openingId!;
    await this.tap('at the end');
    await this.tap('shut');
    return true;
  }
}
