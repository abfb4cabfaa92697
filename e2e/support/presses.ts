import type { Page } from '@playwright/test';

/** Pointer presses since the page was opened, whatever pages came between. */
export async function countPresses(page: Page) {
  await page.addInitScript(() =>
    document.addEventListener(
      'pointerdown',
      () =>
        sessionStorage.setItem('presses', String(Number(sessionStorage.getItem('presses')) + 1)),
      true,
    ),
  );
  return () => page.evaluate(() => Number(sessionStorage.getItem('presses')));
}
