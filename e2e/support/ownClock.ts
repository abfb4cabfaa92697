import type { Page } from '@playwright/test';

/** A phone that hears nothing of the server's time, so that a test can turn its clock. */
export async function ownClock(page: Page): Promise<void> {
  await page.route('**/api/v1/**', async (route) => {
    // A question that is under way when the test ends has no answer.
    const response = await route.fetch().catch(() => null);
    if (!response) return;
    const headers = response.headers();
    delete headers['brook-now'];
    await route.fulfill({ response, headers });
  });
  await page.route('**/live?*', (route) => route.abort());
}
