import { planOfJob } from '@brook/contract/apiDriver';
import { expect, test } from '@playwright/test';
import { Workshop } from '../support/workshop';

test.use({ serviceWorkers: 'allow' });

test('kept on the phone, the app opens without the server, and a run that was begun goes on through reloads', async ({
  page,
  context,
}) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.running(
    await workshop.addVehicle('motorcycle-rear-disc', 'middle'),
    1,
  );
  const planned = planOfJob(job).openings[0]!.strokes.value;
  const action = page.getByTestId('next-action');
  const count = (n: number) => page.getByTestId('count-pad').getByText(String(n), { exact: true });
  await page.goto('/');
  await page.evaluate(async () => {
    const { active } = await navigator.serviceWorker.ready;
    if (active?.state !== 'activated')
      await new Promise((done) => active!.addEventListener('statechange', done));
  });
  await page.goto(`/jobs/${job.id}`);
  await action.click();
  await expect(count(planned - 2)).toBeVisible();
  // The number is painted a moment before the strip has counted the tap: what counts is that it arrived.
  await expect
    .poll(async () => (await workshop.job(job.id)).events.filter((e) => e.kind === 'stroke').length)
    .toBe(2);
  await expect(page.getByText('All with the workshop', { exact: true })).toBeVisible();

  await context.setOffline(true);
  await action.click();
  await expect(page.getByText(/^1 tap kept on this phone/)).toBeVisible();
  await page.reload();
  // What was acknowledged before and what waits here are both there.
  await expect(count(planned - 3)).toBeVisible();
  await action.click();
  await expect(page.getByText(/^2 taps kept on this phone/)).toBeVisible();
  // The list opens too, and the way back into the job.
  await page.goto('/');
  await expect(page.getByText('In hand')).toBeVisible();
  await page.goto(`/jobs/${job.id}`);
  await expect(count(planned - 4)).toBeVisible();

  await context.setOffline(false);
  await expect(page.getByText('All with the workshop', { exact: true })).toBeVisible();
  await expect
    .poll(async () => (await workshop.job(job.id)).events.filter((e) => e.kind === 'stroke').length)
    .toBe(4);
});

test('what waits is sent from any page, also when its job is not looked at', async ({
  page,
  context,
}) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.running(
    await workshop.addVehicle('motorcycle-rear-disc', 'middle'),
    1,
  );
  await page.goto(`/jobs/${job.id}`);
  await expect(page.getByTestId('count-pad')).toBeVisible();
  await context.setOffline(true);
  await page.getByTestId('next-action').click();
  await expect(page.getByText(/1 tap kept on this phone/)).toBeVisible();
  await page.getByRole('link', { name: '‹ Jobs' }).click();
  await context.setOffline(false);
  await expect
    .poll(async () => (await workshop.job(job.id)).events.filter((e) => e.kind === 'stroke').length)
    .toBe(2);
});
