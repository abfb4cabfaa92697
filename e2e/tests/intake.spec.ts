import { expect, test } from '@playwright/test';
import { confirmFluid } from '../support/fluid';
import { showMissing, toProofPage } from '../support/proof';
import { Workshop } from '../support/workshop';

const next = (page: import('@playwright/test').Page) => page.getByTestId('next-action');

test('several things at once, each with what it asks for: all of it is in the plan', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const vehicle = await workshop.addVehicle('motorcycle-front-disc', 'middle', 'Wet at the banjo');
  await page.goto(`/new?vehicle=${vehicle.id}`);
  await expect(page.getByText('Why is it here?')).toBeVisible();
  await page.getByRole('checkbox', { name: 'Lever is soft' }).click();
  await page.getByRole('checkbox', { name: 'A part was changed' }).click();
  await page.getByRole('checkbox', { name: 'Caliper front' }).click();
  await expect(next(page)).toBeDisabled();
  for (const [question, answer] of [
    ['A new part?', 'New'],
    ['Is it done?', 'Not yet'],
  ] as const)
    await page
      .getByRole('radiogroup', { name: question })
      .getByRole('radio', { name: answer })
      .click();
  await page.getByRole('button', { name: 'Something else found?' }).click();
  await page.getByRole('checkbox', { name: 'A joint is wet' }).click();
  await page.getByRole('radio', { name: 'A helper too' }).click();
  await expect(next(page)).toContainText('Say where it is wet');
  await page.getByRole('textbox', { name: 'A joint is wet: where?' }).fill('banjo at the caliper');
  await page.getByRole('textbox', { name: 'Odometer' }).fill('41300');
  await page.getByRole('textbox', { name: /Helper’s name/ }).fill('Ode');
  await page.getByRole('button', { name: 'Open the job' }).click();
  await expect(page.getByText('Do not drive').first()).toBeVisible();
  const job = await workshop.readFluid(await workshop.shown(page));
  expect(job.planChoices.work).toMatchObject({ purpose: 'after work', also: ['soft'] });
  await page.goto(`/jobs/${job.id}`);
  await expect(
    page.getByRole('button', { name: /^Work: A part was changed, pedal or lever is soft/ }),
  ).toBeVisible();
  await expect(page.getByRole('button', { name: 'What it may be' })).toBeVisible();
});

test('a joint that was found wet keeps the gate shut until it was mended', async ({ page }) => {
  const workshop = await Workshop.signIn(page);
  const vehicle = await workshop.addVehicle('motorcycle-front-disc', 'middle', 'Wet once');
  await page.goto(`/new?vehicle=${vehicle.id}`);
  await page.getByRole('checkbox', { name: 'Renew the fluid' }).click();
  await page.getByRole('button', { name: 'Something else found?' }).click();
  await page.getByRole('checkbox', { name: 'A joint is wet' }).click();
  await page.getByRole('textbox', { name: 'A joint is wet: where?' }).fill('banjo at the caliper');
  await page.getByRole('radio', { name: 'I am alone' }).click();
  await page.getByRole('button', { name: 'Open the job' }).click();
  await expect(page.getByText('Do not drive').first()).toBeVisible();
  const job = await workshop.readFluid(await workshop.shown(page));
  await workshop.runOn(await workshop.accept(job));
  await page.goto(`/jobs/${job.id}`);
  await showMissing(page);
  await expect(page.getByText(/Still open: leak/).first()).toBeVisible();
  await page.getByRole('button', { name: 'A joint is wet: banjo at the caliper. Mended?' }).click();
  await page.getByRole('textbox', { name: 'Where', exact: true }).fill('banjo at the caliper');
  await page.getByRole('textbox', { name: 'What was done' }).fill('washers renewed');
  await page.getByRole('button', { name: 'Mended, and dry' }).click();
  await expect(page.getByText(/Still open: leak/)).toHaveCount(0);
  await toProofPage(page, 'Fluid used');
  await confirmFluid(page);
});
