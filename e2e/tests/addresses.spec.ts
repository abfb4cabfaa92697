import { expect, test } from '@playwright/test';
import { Workshop } from '../support/workshop';

test('looking back at a step, back and reload stay inside the job', async ({ page }) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.running(await workshop.vehicle('hatchback-diagonal', 'right'), 0);
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
  const job = await workshop.planned(await workshop.vehicle('hatchback-diagonal', 'right'));
  await page.goto(`/jobs/${job.id}`);
  await page.getByRole('button', { name: /^Method/ }).click();
  await expect(page).toHaveURL(/page=method/);
  await page.goBack();
  await expect(page).toHaveURL(new RegExp(`/jobs/${job.id}$`));
  await page.goForward();
  await page.reload();
  await expect(page).toHaveURL(/page=method/);
});
