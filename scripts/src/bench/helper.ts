import type { HelperNews } from '@brook/contract';
import type { Browser, Page } from 'playwright-core';
import { serverEvents } from '../endurance/serverEvents';
import { Desk } from './desk';
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
