import { planOfJob } from '@brook/contract/apiDriver';
import { expect, test } from '@playwright/test';
import { Workshop } from '../support/workshop';

// Walk 6, its first hour: nothing in the system, vacuum to prime.
test('a dry front: while a way fills the run asks for looks into the reservoir by time, and counts from when fluid comes', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const vehicle = await workshop.addVehicle('motorcycle-twin-front-master-bleeder', 'middle');
  const planned = await workshop.planned(vehicle);
  const dry = await workshop.choose(planned, {
    work: { ...planned.planChoices.work, purpose: 'new or dry' },
    means: { ...planned.planChoices.means, vacuumPump: true },
    primeInPlace: true,
    method: 'vacuum',
  });
  await page.goto(`/jobs/${dry.id}`);
  await expect(page.getByText('Swallowed by what is empty')).toBeVisible();
  const job = await workshop.accept(dry);
  const plan = planOfJob(job);
  await workshop.say(
    job,
    plan.preparation.map((step) => ({ kind: 'prepared', step })),
  );
  await page.goto(`/jobs/${job.id}`);
  const action = page.getByTestId('next-action');
  const pad = page.getByText('Let it draw, stop, look into the reservoir');
  await expect(pad).toBeVisible();
  // Nothing dry is drawn brown: the way is hollow, and the jar counts nothing yet.
  await expect(page.getByRole('radiogroup', { name: 'Bubbles' })).toHaveCount(0);
  await expect(action).toBeDisabled();
  await page.getByRole('radio', { name: '½' }).click();
  await expect(action).toHaveText(/Looked, go on/);
  await action.click();
  // Near its call it is topped up before the next look, which begins without an answer.
  const call = page.getByText('Top up now');
  await expect(call.or(page.getByRole('radio', { name: '½', checked: false }))).toBeVisible();
  if (await call.isVisible()) await action.click();
  await expect(pad).toBeVisible();
  await page.getByRole('radio', { name: '¼' }).click();
  await page.getByRole('radio', { name: 'Yes, it comes' }).click();
  await expect(action).toHaveText(/Filled: count from here/);
  await action.click();
  await expect(page.getByText('Top up now')).toBeVisible();
  await action.click();
  await expect(page.getByTestId('count-pad')).toBeVisible();
  await expect(page.getByText(`of ${plan.openings[0]!.strokes.value}`).first()).toBeVisible();
  // Another phone, or this one after a reload, knows the same.
  await page.reload();
  await expect(page.getByTestId('count-pad')).toBeVisible();
});

test('what is inside now stands at the vehicle, and the next plan begins there', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const vehicle = await workshop.addVehicle('motorcycle-front-disc', 'middle');
  await workshop.released(vehicle);
  await page.goto(`/vehicles/${vehicle.id}/history`);
  await expect(page.getByRole('heading', { name: 'Inside now' })).toBeVisible();
  await expect(page.getByText('DOT 4 filled today')).toBeVisible();
  await page.getByRole('button', { name: 'Part by part' }).click();
  await expect(page.getByText(/: since /)).toBeVisible();
});
