import { expect, test } from '@playwright/test';
import { proveAll, showMissing, toProofPage } from '../support/proof';
import { hurry } from '../support/stranger';
import { UNA, Workshop } from '../support/workshop';

test('a soft pedal does not pass, and the next action leads back to the bleed', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.bled(await workshop.addVehicle('motorcycle-front-disc', 'middle'));
  await page.goto(`/jobs/${job.id}`);
  await page.getByRole('radio', { name: 'springy' }).click();
  await expect(page.getByText(/Only firm and high passes/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Back to the bleed' }).click();
  await page.getByRole('radio', { name: /Plan the rest anew/ }).click();
  await page.getByTestId('next-action').click();
  await page.getByRole('button', { name: 'Topped up to MAX' }).click();
  await expect(page.getByTestId('count-pad')).toBeVisible();
});

test('a failed drive means "do not drive" at once, and the proof starts over', async ({ page }) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.bled(await workshop.addVehicle('motorcycle-front-disc', 'middle'));
  await page.goto(`/jobs/${job.id}`);
  await proveAll(page);
  await page.getByTestId('next-action').click();
  await expect(page.getByText('Test drive only').first()).toBeVisible();
  await page.getByRole('radio', { name: 'Not good' }).click();
  await expect(page.getByText('The test drive failed').first()).toBeVisible();
  await expect(page.getByText('Do not drive').first()).toBeVisible();
  await showMissing(page);
  await expect(page.getByText(/Brake lever: not judged yet/).first()).toBeVisible();
});

test('a "no" keeps the gate shut and says what to do', async ({ page }) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.bled(await workshop.addVehicle('motorcycle-front-disc', 'middle'));
  await page.goto(`/jobs/${job.id}`);
  await toProofPage(page, 'Joints dry');
  // What it would look like is drawn and said.
  await expect(page.getByText(/^Wrong: A wet edge/)).toBeVisible();
  await page.getByRole('radio', { name: 'No' }).click();
  await expect(page.getByText(/Put it right, then look again/).first()).toBeVisible();
  await page.getByRole('button', { name: 'List', exact: true }).click();
  await expect(page.getByTestId('next-action')).toBeDisabled();
  await expect(page.getByText(/^· Failed: joints and bleeders dry/)).toBeVisible();
});

test('one thing at a time: in its first second a page takes no answer, so nobody taps through', async ({
  page,
}) => {
  await hurry(page);
  const workshop = await Workshop.signIn(page);
  const job = await workshop.bled(await workshop.addVehicle('motorcycle-front-disc', 'middle'));
  await page.goto(`/jobs/${job.id}`);
  const heading = (name: string) => page.getByRole('heading', { level: 1, name });
  await expect(heading('Brake lever')).toBeVisible();
  const firm = page.getByRole('radio', { name: 'firm and high' });
  await expect(firm).toBeDisabled();
  await page.clock.fastForward(1_100);
  await firm.click();
  await expect(heading('Wheels held and free')).toBeVisible();
  const yes = page.getByRole('radio', { name: 'Yes' });
  await expect(yes).toBeDisabled();
  await page.clock.fastForward(1_100);
  await yes.click();
  await expect(heading('Wheels held and free')).toHaveCount(0);
});

test('the record is found from its vehicle, with plan against done, and nothing on it can be changed', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const vehicle = await workshop.addVehicle('hatchback-diagonal', 'left', 'Record car');
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
  const vehicle = await workshop.addVehicle('motorcycle-front-disc', 'middle', name);
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

test('a job that is ended while its pot holds pressure says so before anybody touches the cap', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.running(
    await workshop.addVehicle('hatchback-diagonal', 'right', 'Pot left on'),
  );
  const toTheEnd = async () => {
    await page.goto(`/jobs/${job.id}`);
    // While strokes are counted the way is out of sight.
    await page.getByRole('button', { name: 'Something is wrong' }).click();
    await page.getByRole('button', { name: 'Plan: done' }).click();
    await page.getByRole('button', { name: 'End this job unreleased …' }).click();
    await expect(page.getByRole('textbox', { name: 'Why does it end here?' })).toBeVisible();
  };
  await toTheEnd();
  const caution = page.getByText('The pot is still under pressure');
  await expect(caution).toHaveCount(0);
  await workshop.say(job, [{ kind: 'pressure set', on: true }]);
  await toTheEnd();
  await expect(caution).toBeVisible();
});
