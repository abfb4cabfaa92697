import { planOfJob } from '@brook/contract/apiDriver';
import { expect, test } from '@playwright/test';
import { TARN, UNA, Workshop } from '../support/workshop';

test('bled half without reception on one phone and looked at on another, it ends with one record', async ({
  page: first,
  browser,
}) => {
  const workshop = await Workshop.signIn(first);
  const job = await workshop.running(await workshop.addVehicle('hatchback-diagonal', 'right'), 2);
  const planned = planOfJob(job).openings[0]!.strokes.value;
  const context = await browser.newContext();
  const second = await context.newPage();
  await Workshop.signIn(second);
  await first.goto(`/jobs/${job.id}`);
  await second.goto(`/jobs/${job.id}`);
  // The second one only looks on: its number stands without the pad that counts.
  const left = (of: typeof first, n: number) => of.getByText(String(n), { exact: true }).first();
  await expect(left(second, planned - 2)).toBeVisible();

  // Behind the steel doors: the rest of the first bleeder, a reading among it.
  await first.context().setOffline(true);
  for (let n = 3; n <= 6; n++) {
    await first.getByTestId('next-action').click();
    await expect(left(first, planned - n)).toBeVisible();
  }
  await first.getByRole('radio', { name: 'fine' }).click();
  await expect(first.getByText(/^5 taps kept on this phone/)).toBeVisible();
  // The other one sees what had arrived, and says that more may be out there.
  await expect(left(second, planned - 2)).toBeVisible();
  await expect(second.getByText(/Una Marrick’s phone may hold more, last heard of/)).toBeVisible({
    timeout: 45_000,
  });

  await first.context().setOffline(false);
  await expect(left(second, planned - 6)).toBeVisible();
  await expect(second.getByText('All with the workshop', { exact: true })).toBeVisible();
  const { events } = await workshop.job(job.id);
  const strokes = events.filter((e) => e.kind === 'stroke');
  expect([strokes.length, new Set(strokes.map((e) => e.id)).size]).toEqual([6, 6]);
  expect(events.filter((e) => e.kind === 'bubbles')).toHaveLength(1);

  // To the end on the first; the second stands before the same proof, by the same log.
  await workshop.runOn(job);
  for (const phone of [first, second])
    await expect(phone.getByRole('heading', { name: 'Brake pedal' })).toBeVisible();
  await context.close();
});

test('what Una tapped without reception waits for her, whoever signs in on that phone meanwhile', async ({
  page,
  browser,
}) => {
  const workshop = await Workshop.signIn(page);
  // The record is read from elsewhere: on this phone people come and go.
  const desk = await browser.newContext();
  const record = await Workshop.signIn(await desk.newPage());
  const job = await workshop.running(
    await workshop.addVehicle('motorcycle-rear-disc', 'middle'),
    1,
  );
  const signIn = async ({ login, password }: typeof UNA) => {
    await page.getByLabel('Sign-in name').fill(login);
    await page.getByLabel('Password').fill(password);
    await page.getByTestId('next-action').click();
  };
  await page.goto(`/jobs/${job.id}`);
  await expect(page.getByTestId('count-pad')).toBeVisible();
  await page.context().setOffline(true);
  await page.getByTestId('next-action').click();
  await expect(page.getByText(/^1 tap kept on this phone/)).toBeVisible();
  // Her session ends while the phone has no reception.
  await page.request.delete('/api/v1/session');
  await page.context().setOffline(false);
  await expect(page.getByText('1 tap of Una Marrick kept on this phone')).toBeVisible();

  await signIn(TARN);
  await expect(
    page.getByText('1 tap kept on this phone · 1 tap for Una Marrick to sign in'),
  ).toBeVisible();
  await expect(page.getByRole('button', { name: 'Set 1 tap aside' })).toBeVisible();
  const strokes = async () =>
    (await record.job(job.id)).events.filter((e) => e.kind === 'stroke').map((e) => e.person);
  expect(await strokes()).toEqual([UNA.name]);

  await page.goto('/');
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('button', { name: 'Sign out' }).click();
  await signIn(UNA);
  await expect.poll(strokes).toEqual([UNA.name, UNA.name]);
  await desk.close();
});
