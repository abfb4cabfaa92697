import { expect, test } from '@playwright/test';
import { Workshop } from '../support/workshop';

test('looking back at a step, back and reload stay inside the job', async ({ page }) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.running(await workshop.addVehicle('hatchback-diagonal', 'right'), 0);
  await page.goto(`/jobs/${job.id}`);
  await expect(page.getByTestId('count-pad')).toBeVisible();
  await expect(page).toHaveTitle(/^Run · .+ · Job \d+ · Cascade Brook$/);

  const wrong = page.getByRole('heading', { name: 'What is wrong?' });
  await page.getByRole('button', { name: 'Something is wrong' }).click();
  await expect(wrong).toBeVisible();
  await page.reload();
  await expect(wrong).toBeVisible();

  await page.getByRole('button', { name: 'Plan: done' }).click();
  await expect(page).toHaveTitle(/^Plan · /);
  await page.reload();
  await expect(page).toHaveTitle(/^Plan · /);
  await page.goBack();
  await expect(wrong).toBeVisible();
  await page.goBack();
  await expect(page.getByTestId('count-pad')).toBeVisible();

  await page.goForward();
  await page.reload();
  await page.getByRole('button', { name: 'All is well: go on' }).click();
  await expect(page.getByTestId('count-pad')).toBeVisible();
});

test('the pages of a plan have addresses; back and reload stay at them', async ({ page }) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.planned(await workshop.addVehicle('hatchback-diagonal', 'right'));
  await page.goto(`/jobs/${job.id}`);
  await page.getByRole('button', { name: /^Method/ }).click();
  await expect(page).toHaveURL(/page=method/);
  await page.goBack();
  await expect(page).toHaveURL(new RegExp(`/jobs/${job.id}$`));
  await page.goForward();
  await page.reload();
  await expect(page).toHaveURL(/page=method/);
});

test('a figure’s reasons have an address: back closes them, a reload keeps them, the page stays where it was', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.planned(await workshop.addVehicle('hatchback-diagonal', 'right'));
  await page.goto(`/jobs/${job.id}`);
  const figure = page.getByRole('button', { name: /^Top-ups: .+ Why\?$/ });
  const reasons = page.getByText('How this came about');
  // The line stands and says so: from then on nothing above it grows.
  await expect(page.getByText('All with the workshop', { exact: true })).toBeVisible();
  await figure.scrollIntoViewIfNeeded();
  const top = () => figure.evaluate((e) => e.getBoundingClientRect().top);
  const where = await top();
  await figure.click();
  await expect(page).toHaveURL(/#why=Top-ups$/);
  await page.goBack();
  await expect(reasons).toBeHidden();
  await expect(page).toHaveURL(new RegExp(`/jobs/${job.id}$`));
  await expect.poll(top).toBe(where);
  await figure.click();
  await page.reload();
  await expect(reasons).toBeVisible();
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await expect(reasons).toBeHidden();
  await expect(page.getByTestId('next-action')).toContainText('Start');
});

test('what is not saved asks before it goes, whichever way one leaves', async ({ page }) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.planned(await workshop.addVehicle('hatchback-diagonal', 'right'));
  await page.goto(`/jobs/${job.id}`);
  await page.getByRole('button', { name: /^Work/ }).click();
  const soft = page.getByRole('checkbox', { name: /^Pedal is soft/ });
  const asked = page.getByRole('heading', { name: 'Leave without saving?' });
  await soft.click();

  // The app's own way back, then the browser's.
  await page.getByRole('button', { name: 'Back', exact: true }).click();
  await expect(asked).toBeVisible();
  await page.getByRole('button', { name: 'Stay here' }).click();
  await page.goBack();
  await expect(asked).toBeVisible();
  await expect(page).toHaveURL(/page=work/);
  await page.getByRole('button', { name: 'Stay here' }).click();
  await expect(soft).toBeChecked();
  await page.goBack();
  await page.getByRole('button', { name: 'Drop it and leave' }).click();
  await expect(page).toHaveURL(new RegExp(`/jobs/${job.id}$`));
  await expect(page.getByTestId('next-action')).toContainText('Start');
  expect((await workshop.job(job.id)).planChoices.work.purpose).toBe('routine flush');

  // Saved, it asks nothing.
  await page.getByRole('button', { name: /^Work/ }).click();
  await soft.click();
  await page.getByTestId('next-action').click();
  await expect(page).toHaveURL(new RegExp(`/jobs/${job.id}$`));
  await expect(asked).toBeHidden();

  // A link on the page, and a reload, which the browser itself asks about.
  await page.goto(`/vehicles/${job.vehicleId}/layout`);
  await page.getByText('The whole layout').click();
  await page.getByRole('button', { name: /exchange the sides/ }).click();
  await page.getByRole('link', { name: '‹ Jobs' }).click();
  await expect(asked).toBeVisible();
  await page.getByRole('button', { name: 'Stay here' }).click();
  const question = page.waitForEvent('dialog');
  const reload = page.reload();
  await (await question).accept();
  await reload;
  await expect(page.getByTestId('next-action')).toContainText('Nothing changed yet');
});

test('the keyboard begins at the head of a new page, and Space still counts there', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.running(await workshop.addVehicle('hatchback-diagonal', 'right'), 0);
  await page.goto(`/jobs/${job.id}`);
  const head = (name: string) => page.getByRole('heading', { level: 1, name });
  await page.getByRole('button', { name: 'Something is wrong' }).click();
  await expect(head('What is wrong?')).toBeFocused();
  await page.goBack();
  await expect(head('Left rear')).toBeFocused();
  await page.keyboard.press('Space');
  await expect(page.getByTestId('count-pad')).toContainText('24');
});
