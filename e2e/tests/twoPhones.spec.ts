import { planOfJob } from '@brook/contract/apiDriver';
import { expect, test, type Browser, type Page } from '@playwright/test';
import { ownClock } from '../support/ownClock';
import { Workshop } from '../support/workshop';

const count = (page: Page, n: number) =>
  page.getByTestId('count-pad').getByText(String(n), { exact: true });
const number = (page: Page, n: number) => page.getByText(String(n), { exact: true }).first();
const action = (page: Page) => page.getByTestId('next-action');

/** Another phone at the same run, with a device of its own. */
async function anotherPhone(browser: Browser, jobId: string): Promise<Page> {
  const page = await (await browser.newContext()).newPage();
  await Workshop.signIn(page);
  await page.goto(`/jobs/${jobId}`);
  return page;
}

test('two phones on one run: one counts, the other asks to take over, and no stroke is doubled or lost', async ({
  page: first,
  browser,
}) => {
  const workshop = await Workshop.signIn(first);
  const job = await workshop.running(await workshop.addVehicle('hatchback-diagonal', 'right'));
  const planned = planOfJob(job).openings[0]!.strokes.value;
  await first.goto(`/jobs/${job.id}`);
  for (let i = 0; i < 3; i++) await action(first).click();
  await expect(count(first, planned - 3)).toBeVisible();

  const second = await anotherPhone(browser, job.id);
  await expect(number(second, planned - 3)).toBeVisible();
  await expect(second.getByText('Una Marrick counts, on another phone')).toBeVisible();
  // Out of reception the first does not learn of it: its tap is kept, and asked about instead of counted.
  await first.context().setOffline(true);
  await action(second).click();
  await expect(action(second)).toHaveText('One stroke made');
  await action(second).click();
  await expect(count(second, planned - 4)).toBeVisible();
  await action(first).click();
  await expect(count(first, planned - 4)).toBeVisible();
  await expect(first.getByText(/1 tap kept on this phone/)).toBeVisible();
  await first.context().setOffline(false);
  const asked = first.getByText(/Another phone \(Una Marrick\) tapped a stroke meanwhile/);
  await expect(asked).toBeVisible();
  await first.getByRole('button', { name: 'Others: count them' }).click();
  await expect(asked).toBeHidden();
  await expect(number(first, planned - 5)).toBeVisible();
  // The second sees it without being touched.
  await expect(count(second, planned - 5)).toBeVisible();

  // Undo takes back this phone's last, not the other's: here the answer, so that it is asked again.
  await first.getByRole('button', { name: 'Undo' }).click();
  await expect(asked).toBeVisible();
  await first.getByRole('button', { name: 'The same', exact: true }).click();
  await expect(number(first, planned - 4)).toBeVisible();
  await expect(count(second, planned - 4)).toBeVisible();
  await second.context().close();
});

test('each stroke and each step is seen on a second phone at once, and without reception it says since when it sees nothing', async ({
  page: first,
  browser,
}) => {
  const workshop = await Workshop.signIn(first);
  const job = await workshop.running(await workshop.addVehicle('hatchback-diagonal', 'right'), 1);
  const planned = planOfJob(job).openings[0]!.strokes.value;
  await first.goto(`/jobs/${job.id}`);
  const second = await anotherPhone(browser, job.id);
  await expect(number(second, planned - 1)).toBeVisible();
  for (let n = 2; n <= 4; n++) {
    await action(first).click();
    await expect(number(second, planned - n)).toBeVisible();
  }
  await expect(second.getByText('All with the workshop', { exact: true })).toBeVisible();
  await workshop.runOn(job);
  await expect(second.getByRole('heading', { name: 'Brake pedal' })).toBeVisible();
  await second.context().setOffline(true);
  await expect(second.getByText(/no connection since \d\d:\d\d/)).toBeVisible();
  await second.context().close();
});

test('a phone whose clock is three days ahead takes the time from the server', async ({ page }) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.running(await workshop.addVehicle('hatchback-diagonal', 'right'), 1);
  const planned = planOfJob(job).openings[0]!.strokes.value;
  await page.clock.setFixedTime(Date.now() + 3 * 86_400_000);
  await page.goto(`/jobs/${job.id}`);
  await action(page).click();
  await expect(count(page, planned - 2)).toBeVisible();
  const strokes = async () =>
    (await workshop.job(job.id)).events.filter((e) => e.kind === 'stroke');
  await expect.poll(async () => (await strokes()).length).toBe(2);
  expect(Math.abs((await strokes()).at(-1)!.atMs - Date.now())).toBeLessThan(60_000);
  await expect(page.getByText(/Not taken/)).toHaveCount(0);
});

test('a phone with nothing of its own to take back asks by name before it takes back another’s', async ({
  page: first,
  browser,
}) => {
  const workshop = await Workshop.signIn(first);
  const job = await workshop.running(await workshop.addVehicle('hatchback-diagonal', 'right'), 2);
  const planned = planOfJob(job).openings[0]!.strokes.value;
  const second = await anotherPhone(browser, job.id);
  await expect(number(second, planned - 2)).toBeVisible();
  await second.getByRole('button', { name: 'Undo' }).click();
  await expect(second.getByText(/The last is Una Marrick’s, \d\d:\d\d: a stroke/)).toBeVisible();
  await second.getByRole('button', { name: 'Leave it' }).click();
  await expect(number(second, planned - 2)).toBeVisible();
  await second.getByRole('button', { name: 'Undo' }).click();
  await second.getByRole('button', { name: 'Take back Una Marrick’s' }).click();
  await expect(number(second, planned - 1)).toBeVisible();
  await second.context().close();
});

test('what the server refuses is shown with what it was, can be dropped or done again, and stops nothing behind it', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.running(await workshop.addVehicle('hatchback-diagonal', 'right'), 1);
  const planned = planOfJob(job).openings[0]!.strokes.value;
  await ownClock(page);
  await page.goto(`/jobs/${job.id}`);
  await expect(count(page, planned - 1)).toBeVisible();
  // A phone whose clock is three days ahead, and that heard nothing of the server's.
  await page.clock.setFixedTime(Date.now() + 3 * 86_400_000);
  for (let i = 0; i < 2; i++) await action(page).click();
  await expect(page.getByText(/Not taken: a stroke.*Set the clock of this phone/)).toHaveCount(2);
  await expect(count(page, planned - 1)).toBeVisible();
  await page.clock.setFixedTime(Date.now());
  await action(page).click();
  await expect(count(page, planned - 2)).toBeVisible();
  await page.getByRole('button', { name: 'Drop it' }).first().click();
  await expect(page.getByText(/Not taken/)).toHaveCount(1);
  await page.reload();
  await page.getByRole('button', { name: 'Do it again now' }).click();
  await expect(page.getByText(/Not taken/)).toHaveCount(0);
  await expect(count(page, planned - 3)).toBeVisible();
});

test('a look back at plan and fluid and forward again goes on at the same stroke, and nothing is logged twice', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.running(await workshop.addVehicle('hatchback-diagonal', 'right'), 3);
  const planned = planOfJob(job).openings[0]!.strokes.value;
  await page.goto(`/jobs/${job.id}`);
  await action(page).click();
  await expect(count(page, planned - 4)).toBeVisible();
  const strokes = async () =>
    (await workshop.job(job.id)).events.filter((e) => e.kind === 'stroke').length;
  await expect.poll(strokes).toBe(4);
  await page.getByRole('button', { name: 'Something is wrong' }).click();
  await page.getByRole('button', { name: 'Plan: done' }).click();
  await page.getByTestId('next-action').click();
  await expect(count(page, planned - 4)).toBeVisible();
  await action(page).click();
  await expect(count(page, planned - 5)).toBeVisible();
  await expect.poll(strokes).toBe(5);
});

test('a run ended by a decision without reception leaves a way on, and arrives later', async ({
  page,
  context,
}) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.running(await workshop.addVehicle('hatchback-diagonal', 'right'), 1);
  await page.goto(`/jobs/${job.id}`);
  await expect(page.getByTestId('count-pad')).toBeVisible();
  await context.setOffline(true);
  await page.getByRole('button', { name: 'Something is wrong' }).click();
  await page.getByRole('button', { name: 'A joint or hose leaks' }).click();
  await page.getByRole('radio', { name: 'End the job unreleased' }).click();
  await action(page).click();
  await expect(page.getByText('The job ends here, unreleased')).toBeVisible();
  await expect(action(page)).toHaveText('Back to the jobs');
  await context.setOffline(false);
  await expect.poll(async () => (await workshop.job(job.id)).stage).toBe('ended');
});
