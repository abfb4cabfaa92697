import type { HelperScreen } from '@brook/contract';
import { expect, type Browser, type Page } from '@playwright/test';
import { randomUUID } from 'node:crypto';
import { nextMove } from './stranger';

/** Longer than a button waits before it takes a press, ms. */
const ARMED_MS = 1_100;

/** A helper's phone at the pedal, its clock in the test's hand. */
export class Helper {
  private constructor(readonly page: Page) {}

  /** Join by the code that the technician's phone shows, as a camera would read it. */
  static async joins(browser: Browser, technician: Page, name = 'Ana'): Promise<Helper> {
    const code = await technician.getByText(/^[2-9A-Z]{4} [2-9A-Z]{4}$/).innerText();
    const context = await browser.newContext({
      baseURL: new URL(technician.url()).origin,
      viewport: { width: 390, height: 664 },
      hasTouch: true,
      serviceWorkers: 'block',
    });
    const page = await context.newPage();
    await page.clock.install();
    await page.goto(`/help#${code.replace(' ', '')}`);
    await page.getByLabel('Your name').fill(name);
    await page.getByTestId('next-action').click();
    return new Helper(page);
  }

  word(word: string) {
    return this.page.getByText(word, { exact: true });
  }

  /** Whether a stroke is called for. */
  async called(): Promise<boolean> {
    return this.page.getByText('At the end, held there').isVisible();
  }

  /** Push to the end, wait for "shut", let go, until it has come up again. */
  async stroke(): Promise<void> {
    await this.tap('At the end, held there');
    await expect(this.word('Hold')).toBeVisible();
    await this.tap('“Shut” was called');
    await expect(this.word('Let go')).toBeVisible();
    await this.page.clock.fastForward(6_000);
  }

  /** The same taps without a finger: what follows shows nothing new. */
  async strokeBlind(): Promise<void> {
    const token = await this.page.evaluate(() => sessionStorage.getItem('brook.helper.token'));
    const send = (path: string, data: object) =>
      this.page.request.post(`/api/v1/help/${path}`, { data: { token, ...data } });
    const { view } = (await (await send('here', {})).json()) as HelperScreen;
    if (view.kind !== 'call') return;
    for (const signal of ['at the end', 'shut'])
      await send('signal', { id: randomUUID(), openingId: view.openingId, signal });
    await this.page.clock.fastForward(6_000);
  }

  async tap(label: string): Promise<void> {
    const button = this.page.getByRole('button', { name: label });
    await expect(button).toBeVisible();
    await this.page.clock.fastForward(ARMED_MS);
    await button.click();
  }
}

/** Press what is called for until strokes are, or the last fill is poured. @returns the last that was pressed */
export async function pressOn(page: Page): Promise<string | undefined> {
  const counts = page.getByText('Ana counts', { exact: true });
  const stroke = page.getByRole('button', { name: 'One stroke made' });
  const prompted = page.getByTestId('next-action').or(page.getByTestId('unanswered').first());
  let last: string | undefined;
  // Behind the fill and the last fill strokes or the proof follow, which are not pressed here.
  while (last !== 'Filled' && last !== 'Filled to MAX') {
    await expect(prompted.or(counts).first()).toBeVisible();
    if ((await counts.isVisible()) || (await stroke.isVisible())) break;
    last = (await nextMove(page)) ?? last;
  }
  return last;
}
