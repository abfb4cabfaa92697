import { expect, type Page } from '@playwright/test';
import { nextMove } from './stranger';

/** What the gate waits for, on the page that is open. */
export const showMissing = (page: Page): Promise<void> =>
  page.getByRole('button', { name: 'Still missing', exact: true }).click();

/** One page of the proof, out of its turn. */
export async function toProofPage(page: Page, title: string): Promise<void> {
  await page.getByRole('button', { name: 'List', exact: true }).click();
  await page.getByRole('button', { name: new RegExp(`^${title}: `) }).click();
  await expect(page.getByRole('heading', { level: 1, name: title })).toBeVisible();
}

/** Every page of the proof as somebody answers who finds everything right, up to the drive. */
export async function proveAll(page: Page): Promise<void> {
  const left = page.getByText('Only the test drive is left');
  for (let moves = 0; !(await left.isVisible()); moves++) {
    expect(moves).toBeLessThan(60);
    await nextMove(page, undefined, left);
  }
}

/** Measure a brake pedal on its pages: at rest, first resistance, light, firm, pumped, mm; it stays under a steady push. By the page's own clock. */
export async function measurePedal(page: Page, heightsMm: readonly string[]): Promise<void> {
  const titles = [/at rest/, /first resistance/, /light push/, /firm push/, /firm, pumped/];
  for (const [i, title] of titles.entries()) {
    await expect(page.getByRole('heading', { level: 1, name: title })).toBeVisible();
    await expect(page.getByRole('textbox')).toBeFocused();
    await page.keyboard.type(heightsMm[i]!);
    await page.keyboard.press('Enter');
  }
  const next = page.getByTestId('next-action');
  await expect(page.getByRole('heading', { level: 1, name: /does it sink/ })).toBeVisible();
  await next.click();
  await page.clock.fastForward(31_000);
  await next.click();
}

/** The drive went well. A press while the page still moves to its place is none: it is made again, as a person would. */
export async function droveWell(page: Page): Promise<void> {
  await expect(async () => {
    await page.getByRole('radio', { name: 'Good', exact: true }).click({ timeout: 2_000 });
    await expect(page.getByRole('button', { name: 'Release this vehicle' })).toBeVisible({
      timeout: 3_000,
    });
  }).toPass();
}
