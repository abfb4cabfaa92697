import { expect, test, type Page } from '@playwright/test';
import { Workshop } from '../support/workshop';

async function planOnScreen(page: Page, ...vehicle: Parameters<Workshop['vehicle']>) {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.planned(await workshop.vehicle(...vehicle));
  await page.goto(`/jobs/${job.id}`);
  await expect(page.getByTestId('next-action')).toBeVisible();
}

const order = (page: Page) => page.getByRole('button', { name: /why here\?$/ }).evaluateAll((rows) => rows.map((r) => /\d, (.*): why/.exec(r.getAttribute('aria-label')!)![1]));

test('left- and right-hand drive give different orders, farthest first', async ({ page }) => {
  await planOnScreen(page, 'hatchback-diagonal', 'right');
  expect(await order(page)).toEqual(['left rear', 'right rear', 'left front', 'right front']);
  await planOnScreen(page, 'hatchback-diagonal', 'left');
  expect(await order(page)).toEqual(['right rear', 'left rear', 'right front', 'left front']);
});

test('a motorcycle is bled at the lever, alone, at its one bleeder', async ({ page }) => {
  await planOnScreen(page, 'motorcycle-front-disc', 'middle');
  await expect(page.getByText(/Alone, closed strokes at the lever/)).toBeVisible();
  expect(await order(page)).toEqual(['front']);
});

test('why a bleeder comes here opens under it, with how sure that is', async ({ page }) => {
  await planOnScreen(page, 'hatchback-diagonal', 'right');
  await page.getByRole('button', { name: '1, left rear: why here?' }).click();
  await expect(page.getByText(/Farthest by the fluid’s way: 4.77 m/)).toBeVisible();
  await expect(page.getByText('Common practice in the trade; no published source', { exact: true }).first()).toBeVisible();
});

// Every number on the plan says where it comes from, and so does every number behind it.
test('every figure opens to its rule and its source, down to the entries', async ({ page }) => {
  test.setTimeout(180_000);
  await planOnScreen(page, 'pickup-front-rear', 'right');
  for (const row of await page.getByRole('button', { name: /why here\?$/ }).all()) await row.click();
  const figures = await page.getByRole('button', { name: /\. Why\?$/ }).all();
  expect(figures.length).toBeGreaterThan(30);
  const source = page.getByRole('dialog').getByText(/^(Standard: |Common practice|Model or value|Entered for|Arithmetic on)/);
  for (const figure of figures) {
    await figure.click();
    await expect(source).toBeVisible();
    const behind = page.getByRole('dialog').getByRole('button', { name: /\. Why\?$/ });
    for (let depth = 0; (await behind.count()) > 0; depth++) {
      expect(depth).toBeLessThan(8);
      await behind.first().click();
      await expect(source).toBeVisible();
    }
    await page.getByRole('button', { name: 'Close' }).click();
  }
});

test('the wash-out names its standard', async ({ page }) => {
  await planOnScreen(page, 'motorcycle-front-disc', 'middle');
  await page.getByRole('button', { name: /^Old fluid left inside: / }).click();
  await expect(page.getByText(/Standard: Danckwerts 1953; Levenspiel/)).toBeVisible();
});

test('a modulator with a bleeder of its own: no plan, the reason, and nothing that starts a run', async ({ page }) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.planned(await workshop.withModulatorBleeder());
  await page.goto(`/jobs/${job.id}`);
  await expect(page.getByText(/Modulator, primary circuit has a bleeder of its own/)).toBeVisible();
  await expect(page.getByRole('button', { name: /^Start at/ })).toHaveCount(0);
});
