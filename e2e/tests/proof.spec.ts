import { expect, test } from '@playwright/test';
import { confirmFluid } from '../support/fluid';
import { UNA, Workshop } from '../support/workshop';

test('a soft pedal does not pass, and the next action leads back to the bleed', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.bled(await workshop.vehicle('motorcycle-front-disc', 'middle'));
  await page.goto(`/jobs/${job.id}`);
  await page.getByRole('radio', { name: 'springy' }).click();
  await expect(page.getByText(/Only firm and high passes/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Back to the bleed' }).click();
  await page.getByRole('radio', { name: /Plan the rest anew/ }).click();
  await page.getByTestId('next-action').click();
  await expect(page.getByTestId('count-pad')).toBeVisible();
});

test('a failed drive means "do not drive" at once, and the proof starts over', async ({ page }) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.bled(await workshop.vehicle('motorcycle-front-disc', 'middle'));
  await page.goto(`/jobs/${job.id}`);
  const firm = page.getByRole('radio', { name: 'firm and high' });
  await firm.click();
  await expect(firm).toBeChecked();
  await confirmFluid(page);
  const open = page.getByTestId('unanswered');
  for (let left = await open.count(); left > 0; left--) {
    await open.first().getByRole('radio', { name: 'Yes' }).click();
    await expect(open).toHaveCount(left - 1);
  }
  await page.getByRole('button', { name: 'Record the fluid' }).click();
  await expect(page.getByText('Only the test drive is left')).toBeVisible();
  await page.getByTestId('next-action').click();
  await expect(page.getByText('Test drive only').first()).toBeVisible();
  await page.getByRole('radio', { name: 'Not good' }).click();
  await expect(page.getByText('The test drive failed').first()).toBeVisible();
  await expect(page.getByText('Do not drive').first()).toBeVisible();
  await expect(page.getByText(/Brake lever: not judged yet/).first()).toBeVisible();
});

test('a "no" keeps the gate shut and says what to do', async ({ page }) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.bled(await workshop.vehicle('motorcycle-front-disc', 'middle'));
  await page.goto(`/jobs/${job.id}`);
  await page
    .getByRole('radiogroup', { name: /Joints and bleeders dry/ })
    .getByRole('radio', { name: 'No' })
    .click();
  await expect(page.getByText(/Put it right, then look again/).first()).toBeVisible();
  await expect(page.getByTestId('next-action')).toBeDisabled();
});

test('the record is found from its vehicle, with plan against done, and nothing on it can be changed', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const vehicle = await workshop.vehicle('hatchback-diagonal', 'left', 'Record car');
  const job = await workshop.released(vehicle);
  await page.goto('/vehicles');
  await page.getByRole('link', { name: `Record car, ${vehicle.tag}` }).click();
  await page.getByRole('link', { name: new RegExp(`Job ${job.number}`) }).click();
  await expect(page.getByRole('heading', { name: `Released by ${UNA.name}` })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Plan against done' })).toBeVisible();
  await expect(page.getByRole('radio')).toHaveCount(0);
  await expect(page.getByRole('textbox')).toHaveCount(0);
  await expect(page.getByText('End this job unreleased')).toHaveCount(0);
});

test('"do not drive" stands wherever the vehicle is named', async ({ page }) => {
  const workshop = await Workshop.signIn(page);
  const name = `Open ${test.info().project.name}`;
  const vehicle = await workshop.vehicle('motorcycle-front-disc', 'middle', name);
  const job = await workshop.running(vehicle, 2);
  for (const path of ['/', '/vehicles', '/new']) {
    await page.goto(path);
    const line = page.getByRole('listitem').filter({ hasText: name }).first();
    await expect(line.getByText('Do not drive'), path).toBeVisible();
  }
  for (const path of [`/vehicles/${vehicle.id}`, `/new?vehicle=${vehicle.id}`]) {
    await page.goto(path);
    await expect(page.getByText('Do not drive').first(), path).toBeVisible();
  }
  await page.goto(`/jobs/${job.id}`);
  await page.getByRole('button', { name: 'Something is wrong' }).click();
  await expect(page.getByText('Do not drive').first()).toBeVisible();
});
