import { expect, test, type Page } from '@playwright/test';
import { Workshop } from '../support/workshop';

async function planOnScreen(page: Page, ...vehicle: Parameters<Workshop['addVehicle']>) {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.planned(await workshop.addVehicle(...vehicle));
  await page.goto(`/jobs/${job.id}`);
  await expect(page.getByTestId('next-action')).toBeVisible();
}

const order = (page: Page) =>
  page
    .getByRole('button', { name: /why here\?$/ })
    .evaluateAll((rows) =>
      rows.map((r) => /\d, (.*): why/.exec(r.getAttribute('aria-label')!)![1]),
    );

test('left- and right-hand drive give different orders, farthest first', async ({ page }) => {
  await planOnScreen(page, 'hatchback-diagonal', 'right');
  expect(await order(page)).toEqual(['left rear', 'right rear', 'left front', 'right front']);
  await planOnScreen(page, 'hatchback-diagonal', 'left');
  expect(await order(page)).toEqual(['right rear', 'left rear', 'right front', 'left front']);
});

test('a motorcycle is bled at the lever, alone, at its one bleeder', async ({ page }) => {
  await planOnScreen(page, 'motorcycle-front-disc', 'middle');
  await expect(page.getByText(/Alone, closed strokes/)).toBeVisible();
  expect(await order(page)).toEqual(['front']);
});

test('why a bleeder comes here opens under it, with how sure that is', async ({ page }) => {
  await planOnScreen(page, 'hatchback-diagonal', 'right');
  await page.getByRole('button', { name: '1, left rear: why here?' }).click();
  await expect(page.getByText(/Farthest by the fluid’s way: 4.77 m/)).toBeVisible();
  await expect(
    page.getByText('Common practice in the trade; no published source', { exact: true }).first(),
  ).toBeVisible();
});

// Every number on the plan says where it comes from, and so does every number behind it.
test('every figure opens to its rule and its source, down to the entries', async ({ page }) => {
  await planOnScreen(page, 'estate-front-rear', 'right');
  // One bleeder: the others have the same figures with other numbers.
  await page
    .getByRole('button', { name: /why here\?$/ })
    .first()
    .click();
  const figures = await page.getByRole('button', { name: /\. Why\?$/ }).all();
  expect(figures.length).toBeGreaterThan(15);
  const source = page
    .getByRole('dialog')
    .getByText(/^(Standard: |Common practice|Model or value|Entered for|Arithmetic on)/);
  for (const figure of figures) {
    await figure.click();
    await expect(source).toBeVisible();
    const behind = page.getByRole('dialog').getByRole('button', { name: /\. Why\?$/ });
    for (let depth = 0; (await behind.count()) > 0; depth++) {
      expect(depth).toBeLessThan(8);
      await behind.first().click();
      await expect(source).toBeVisible();
    }
    await page.getByRole('button', { name: 'Close', exact: true }).click();
  }
});

test('the wash-out names its standard', async ({ page }) => {
  await planOnScreen(page, 'motorcycle-front-disc', 'middle');
  await page.getByRole('button', { name: /^Old fluid left inside: / }).click();
  await expect(page.getByText(/Standard: Danckwerts 1953; Levenspiel/)).toBeVisible();
});

test('a unit under high pressure: no plan, the reason, and nothing that starts a run', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.planned(
    await workshop.addVehicle('motorcycle-integral-abs', 'middle'),
  );
  await page.goto(`/jobs/${job.id}`);
  await expect(page.getByText(/Modulator, front circuit works under high pressure/)).toBeVisible();
  await expect(page.getByRole('button', { name: /^Start/ })).toHaveCount(0);
});

test('the schools are priced, every order is decided, and the chosen one is followed', async ({
  page,
}) => {
  await planOnScreen(page, 'hatchback-diagonal', 'right');
  const farthest = await order(page);
  await page.getByRole('button', { name: /^Order: Farthest first/ }).click();
  await expect(page.getByText(/With one opening each/)).toBeVisible();
  for (const school of [
    'Farthest first',
    'Circuit by circuit',
    'Nearest first',
    'Nearest to prime',
    'Least fluid',
  ])
    await expect(page.getByRole('radio', { name: new RegExp(`^${school}`) })).toBeVisible();
  await page.getByRole('radio', { name: /^Least fluid/ }).click();
  await page.getByRole('button', { name: 'Follow: Least fluid' }).click();
  await expect(page.getByText('Order: Least fluid, before Farthest first.')).toBeVisible();
  const chosen = await order(page);
  expect([...chosen].sort()).toEqual([...farthest].sort());
  expect(chosen).not.toEqual(farthest);
});

// Walk 7: a new line to the sidecar wheel climbs over the frame and falls again.
test('over the hump: gravity fails by its millimetres, what cures it, and the stretch that decides', async ({
  page,
}) => {
  await planOnScreen(page, 'sidecar-outfit', 'middle');
  await page.getByRole('button', { name: /^Work: Renew the fluid/ }).click();
  await page.getByRole('checkbox', { name: 'A part was changed' }).click();
  await page.getByRole('checkbox', { name: 'Renew the fluid' }).click();
  await page.getByRole('checkbox', { name: 'Sidecar line' }).click();
  await page
    .getByRole('radiogroup', { name: 'A new part?' })
    .getByRole('radio', { name: 'New' })
    .click();
  await page
    .getByRole('radiogroup', { name: 'Is it done?' })
    .getByRole('radio', { name: 'Done' })
    .click();
  for (const question of ['Line capped at the joint at once?', 'Reservoir kept full throughout?'])
    await page
      .getByRole('radiogroup', { name: question })
      .getByRole('radio', { name: 'Yes' })
      .click();
  await page
    .getByRole('radiogroup', { name: 'Was anything else opened?' })
    .getByRole('radio', { name: 'No' })
    .click();
  await page.getByRole('button', { name: 'Plan by this' }).click();
  // Its fluid is due and would go along; today only the line is in hand.
  await page.getByRole('radio', { name: 'Leave it' }).click();
  await expect(page.getByRole('radio', { name: 'Leave it' })).toBeChecked();
  expect(await order(page)).toEqual(['sidecar']);
  await page.getByRole('button', { name: /^Method:/ }).click();
  await page.getByRole('button', { name: 'Gravity: Cannot work here' }).click();
  await expect(page.getByText('150 mm of head are missing').first()).toBeVisible();
  await expect(
    page.getByText(/Raise the master’s end by \d{3} mm. Then: second best./),
  ).toBeVisible();
  await page.getByRole('button', { name: /^Alone, closed strokes/ }).click();
  await expect(
    page.getByRole('heading', {
      name: 'The stretch that decides: Sidecar line, down to the floor',
    }),
  ).toBeVisible();
});
