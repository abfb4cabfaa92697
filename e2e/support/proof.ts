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
