import { expect, test } from '@playwright/test';
import { randomUUID } from 'node:crypto';
import { answer, confirmFluid, unfold } from '../support/fluid';
import { proveAll, toProofPage } from '../support/proof';
import { Workshop } from '../support/workshop';

const newBatch = () => `X-${randomUUID().slice(0, 5).toUpperCase()}`;

test('containers are put on the shelf as they come; what cannot be right is said at its field', async ({
  page,
}) => {
  await Workshop.signIn(page);
  const batch = newBatch();
  await page.goto('/shelf/add');
  await answer(page, { 'Which fluid?': 'DOT 4', 'Just off a journey?': 'Yes, today' });
  await page.getByLabel('Or another size').fill('10');
  await page.getByTestId('next-action').click();
  await expect(page.getByText('Size should be 50 to 20000 mL, in whole mL.')).toBeVisible();
  await expect(page.getByText('Batch is missing.')).toBeVisible();
  await page.getByLabel('Batch').fill(batch);
  await answer(page, { Size: '250 mL' });
  await page.getByTestId('next-action').click();
  const line = page.getByRole('button', { name: new RegExp(`^Batch ${batch}, 250 of 250 mL`) });
  await line.click();
  await expect(page.getByText(/Let it stand overnight, 12 h. Never shake it/)).toBeVisible();
});

test('a container that is open for too long must not be used; discarded, it goes into the drum', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const batch = newBatch();
  await workshop.shelve({ batch, sizeMl: 500, count: 1 });
  await page.goto('/shelf');
  await page.getByRole('button', { name: new RegExp(`^Batch ${batch}`) }).click();
  await answer(page, { 'It is open since': 'over 30 days' });
  await expect(page.getByText(/Open longer than this workshop allows/)).toBeVisible();
  await page.getByRole('button', { name: 'Discard it …' }).click();
  await answer(page, { 'Discard 500 mL: into the waste drum?': 'Yes, into the drum' });
  await expect(page.getByRole('button', { name: new RegExp(`^Batch ${batch}`) })).toHaveCount(0);
  await unfold(page, 'What went in');
  await expect(page.getByText(/discarded container · 500 mL/).first()).toBeVisible();
});

test('a shelf that is short stops the run before it starts, and leads to the way out', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.plannedOn(
    'DOT 3',
    await workshop.addVehicle('veteran-single', 'right'),
  );
  await page.goto(`/jobs/${job.id}`);
  await expect(page.getByText(/The shelf is \d+ mL short/)).toBeVisible();
  await expect(page.getByTestId('next-action')).toBeDisabled();
  await page.getByRole('button', { name: 'Put a container on the shelf' }).click();
  await page.getByLabel('Batch').fill(newBatch());
  await page.getByLabel('Or another size').fill('5000');
  await answer(page, { 'Just off a journey?': 'No, it has rested' });
  await page.getByTestId('next-action').click();
  await expect(page.getByRole('heading', { name: 'Take along' })).toBeVisible();
  await expect(page.getByText(/mL short/)).toHaveCount(0);
});

test('what was moved is put right where it was measured, and cannot be more than a container held', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.bled(await workshop.addVehicle('motorcycle-front-disc', 'middle'));
  await page.goto(`/jobs/${job.id}`);
  await toProofPage(page, 'Fluid used');
  await unfold(page, 'Correct it');
  const poured = page.getByLabel(/^Poured, batch/).first();
  await poured.fill('99999');
  await expect(page.getByText(/give 0 to 20,000 mL|Count it/).first()).toBeVisible();
  await poured.fill('120');
  await page.getByLabel('Bled, out at the bleeders').fill('110');
  await page.getByLabel('Spilled, lost from the vehicle').fill('5');
  await expect(
    page.getByRole('button', { name: /^Into the waste drum|^Waste: / }).first(),
  ).toBeVisible();
  await confirmFluid(page);
  await page.getByRole('button', { name: 'Record the fluid' }).click();
  await proveAll(page);
  await expect(page.getByRole('button', { name: 'Set “test drive only”' })).toBeEnabled();
  expect((await workshop.job(job.id)).fluidUsed).toMatchObject({
    bledMl: 110,
    bledBy: 'measured',
    spilledMl: 5,
    containers: [{ pouredMl: 120 }],
  });
});

test('the maker’s word is put down once, beats the house rule, and stands on the next job', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const vehicle = await workshop.addVehicle('hatchback-diagonal', 'right');
  await workshop.released(vehicle);
  await page.goto(`/vehicles/${vehicle.id}/history`);
  await expect(page.getByText('By the house rule; nothing was measured here')).toBeVisible();
  await unfold(page, 'The maker’s word');
  await page.getByRole('textbox', { name: 'Interval' }).fill('0');
  await page.getByRole('button', { name: 'Keep the maker’s word' }).click();
  await expect(
    page.getByText('Interval should be whole months from 1 to 120, or left out.'),
  ).toBeVisible();
  await page.getByRole('textbox', { name: 'Interval' }).fill('36');
  await answer(page, { 'The maker asks for': 'DOT 4' });
  await page.getByRole('button', { name: 'Keep the maker’s word' }).click();
  await expect(page.getByText('By the maker’s interval, as entered here')).toBeVisible();
  const job = await workshop.openJob(vehicle);
  await page.goto(`/jobs/${job.id}`);
  await expect(page.getByText(/The maker asks for DOT 4, by this vehicle’s entry/)).toBeVisible();
});

test('a long reckoning can be stopped, and the page answers meanwhile', async ({ page }) => {
  const workshop = await Workshop.signIn(page);
  const vehicle = await workshop.addVehicle('hatchback-diagonal', 'right');
  await page.goto(`/vehicles/${vehicle.id}/descent`);
  await page.getByLabel('Water in the fluid').fill('2');
  await page.getByLabel('Length of the descent').fill('25');
  // A worker that never answers: the stop must work all the same.
  await page.evaluate(() => {
    class Silent extends EventTarget {
      onmessage = null;
      onerror = null;
      postMessage() {}
      terminate() {}
    }
    Object.assign(window, { Worker: Silent });
  });
  await page.getByTestId('next-action').click();
  await page.getByRole('button', { name: 'Stop reckoning' }).click();
  await expect(page.getByTestId('next-action')).toBeEnabled();
});
