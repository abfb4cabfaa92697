import { expect, test } from '@playwright/test';
import { ownClock } from '../support/ownClock';
import { Workshop } from '../support/workshop';

test('clocks run on from intake to run, through a reload, on the list and on another phone, and say what to do when they are up', async ({
  page,
  browser,
}) => {
  const workshop = await Workshop.signIn(page);
  const name = `Clocked ${Date.now()}`;
  const job = await workshop.planned(
    await workshop.addVehicle('motorcycle-front-disc', 'middle', name),
  );
  await page.goto(`/jobs/${job.id}`);
  for (const clock of ['Penetrant: 15 min', 'Lever tied back: 10 h']) {
    await page.getByRole('button', { name: 'Set a clock' }).click();
    await page.getByRole('button', { name: clock }).click();
  }
  const clocks = page.getByRole('list', { name: 'Clocks' });
  await expect(clocks.getByText(/^1[45]:\d\d$/)).toBeVisible();
  await expect(clocks.getByText(/^9 h 59 min$/)).toBeVisible();
  await page.reload();
  await expect(clocks.getByText(/^14:\d\d$/)).toBeVisible();
  await workshop.accept(await workshop.job(job.id));
  await expect(page.getByText('1 of', { exact: false }).first()).toBeVisible();
  await expect(clocks.getByText(/^14:\d\d$/)).toBeVisible();
  await page.goto('/');
  await expect(
    page.getByRole('link', { name: new RegExp(name) }).getByText(/Penetrant 14:\d\d/),
  ).toBeVisible();

  // Sixteen minutes later, on a phone that has nothing to do with the first.
  const other = await (await browser.newContext()).newPage();
  await Workshop.signIn(other);
  await ownClock(other);
  await other.clock.install({ time: Date.now() + 16 * 60_000 });
  await other.goto(`/jobs/${job.id}`);
  const there = other.getByRole('list', { name: 'Clocks' });
  await expect(there.getByText(/^up for 1:\d\d$/)).toBeVisible();
  await expect(there.getByText(/Six-point socket/)).toBeVisible();
  await other.getByRole('button', { name: 'Penetrant: seen' }).click();
  await expect(there.getByText('Penetrant')).toHaveCount(0);
  await expect(there.getByText('Lever tied back')).toBeVisible();
  await page.goto(`/jobs/${job.id}`);
  await expect(clocks.getByText('Lever tied back')).toBeVisible();
  await expect(clocks.getByText('Penetrant')).toHaveCount(0);
  await other.context().close();
});

test('a clock that is up while the page is open is said once, by a notice where the phone lets it', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.planned(await workshop.addVehicle('motorcycle-front-disc', 'middle'));
  await page.addInitScript(() => {
    const shown: string[] = [];
    class Shown {
      static readonly permission = 'granted';
      constructor(title: string, { body }: { body: string }) {
        shown.push(`${title}. ${body}`);
      }
    }
    Object.assign(window, { Notification: Shown, shown });
  });
  await ownClock(page);
  await page.clock.install();
  await page.goto(`/jobs/${job.id}`);
  await page.getByRole('button', { name: 'Set a clock' }).click();
  await page.getByRole('button', { name: 'Level: 2 min' }).click();
  await expect(page.getByText(/^[12]:\d\d$/)).toBeVisible();
  const shown = () => page.evaluate(() => (window as unknown as { shown: string[] }).shown);
  expect(await shown()).toEqual([]);
  await page.clock.fastForward(121_000);
  await expect(page.getByText('time is up')).toBeVisible();
  await page.clock.fastForward(5_000);
  expect(await shown()).toEqual([
    'Test vehicle: Level. Look into the reservoir before anything goes on.',
  ]);
});
