import type { Job } from '@brook/contract';
import type { BrowserContext, Page } from 'playwright-core';
import { launchChromium } from '../setup/browser';
import { Field } from './field';
import { type Figure } from './figures';
import { mulberry32 } from '@brook/core/testing/witness';

/** Cycles of reception that comes and goes, reloads and a second tab, while somebody taps: taps that differ from the log. */
export async function offlineCycles(field: Field, cycles: number): Promise<Figure> {
  const browser = await launchChromium();
  try {
    const caller = await field.signIn();
    const [job] = await caller.jobs();
    const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
    const [name, value] = caller.cookie.split('=') as [string, string];
    const origin = new URL(caller.url).origin;
    await context.addCookies([{ name, value, url: origin }]);
    const phone = new Phone(context, origin, job!.id);
    await phone.keepApp();
    await phone.open();
    const random = mulberry32(4);
    for (let i = 0; i < cycles; i++) {
      const way = random();
      if (way < 0.4) await phone.reception(way < 0.2);
      else if (way < 0.6) await phone.reload();
      else if (way < 0.75) await phone.changeTab();
      await phone.tapAndTakeBack(1 + Math.floor(random() * 2));
    }
    await phone.reception(true);
    await phone.settled();
    const log = (await caller.get<Job>(`/jobs/${job!.id}`)).events.slice(job!.events.length);
    const differ =
      Math.abs(log.length - phone.taps) +
      log.filter((e, n) => e.kind !== (n % 2 === 0 ? 'stroke' : 'undone')).length;
    return { name: 'offline.cycles', value: differ, unit: 'count', limit: 0, tried: cycles };
  } finally {
    await browser.close();
  }
}

/** A phone in somebody's hand, with one or two tabs on the same run. */
class Phone {
  /** Taps that were painted. */
  taps = 0;
  private page!: Page;
  private other: Page | null = null;

  constructor(
    private readonly context: BrowserContext,
    private readonly origin: string,
    private readonly jobId: string,
  ) {}

  /** Look at the list once, until the app is kept on the phone. */
  async keepApp(): Promise<void> {
    this.page = await this.context.newPage();
    await this.page.goto(this.origin);
    await this.page.getByText('In hand').waitFor();
    await this.page.waitForFunction(
      async () => (await navigator.serviceWorker.ready).active?.state === 'activated',
    );
  }

  async open(): Promise<void> {
    await this.page.goto(`${this.origin}/jobs/${this.jobId}`);
    await this.pad(this.page);
  }

  async reception(there: boolean): Promise<void> {
    await this.context.setOffline(!there);
  }

  async reload(): Promise<void> {
    await this.page.reload();
    await this.pad(this.page);
  }

  /** Go on in another tab, which is opened where there is none yet. */
  async changeTab(): Promise<void> {
    const next = this.other ?? (await this.context.newPage());
    this.other = this.page;
    this.page = next;
    await this.open();
  }

  /** A stroke and its undo, each seen before the next. */
  async tapAndTakeBack(times: number): Promise<void> {
    for (let n = 0; n < times; n++) {
      const before = await this.strokesLeft();
      await this.page.getByTestId('next-action').click();
      await this.shows(before - 1);
      await this.page.getByRole('button', { name: 'Undo' }).click();
      await this.shows(before);
      this.taps += 2;
    }
  }

  async settled(): Promise<void> {
    await this.page.getByText('All with the workshop', { exact: true }).waitFor();
  }

  private async strokesLeft(): Promise<number> {
    return Number(/\d+/.exec(await this.page.getByTestId('count-pad').innerText())![0]);
  }

  private async shows(n: number): Promise<void> {
    await this.page.getByTestId('count-pad').getByText(String(n), { exact: true }).waitFor();
  }

  private async pad(page: Page): Promise<void> {
    await page
      .getByTestId('count-pad')
      .getByText(/^strokes to go/)
      .waitFor();
  }
}
