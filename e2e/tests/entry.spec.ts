import { expect, test } from '@playwright/test';
import { randomUUID } from 'node:crypto';
import { BREK, UNA, Workshop } from '../support/workshop';

test.describe('sign-in', () => {
  test('a wrong password is said, and what was typed stays', async ({ page }) => {
    await page.goto('/');
    await page.getByLabel('Sign-in name').fill(UNA.login);
    await page.getByLabel('Password').fill('not it');
    await page.getByTestId('next-action').click();
    await expect(page.getByText('Name or password is not right.')).toBeVisible();
    await expect(page.getByLabel('Sign-in name')).toHaveValue(UNA.login);
  });

  test('what is missing is said at its field', async ({ page }) => {
    await page.goto('/');
    // Not the list's own action, before it gave way to the sign-in.
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByText('Sign-in name is missing.')).toBeVisible();
    await expect(page.getByText('Password is missing; give it.')).toBeVisible();
  });

  test('signing out leads to the door, and no page opens without signing in', async ({ page }) => {
    await Workshop.signIn(page);
    await page.goto('/');
    await page.getByRole('button', { name: 'More' }).click();
    await page.getByRole('button', { name: 'Sign out' }).click();
    // Not the button “Change password”, beside the one that was pressed.
    await expect(page.getByLabel('Password', { exact: true })).toBeVisible();
    await page.goto('/vehicles');
    await expect(page.getByLabel('Password', { exact: true })).toBeVisible();
  });

  test('a link followed signed out leads there after the sign-in, under its own title', async ({
    page,
  }) => {
    await page.goto('/recall?batch=B-7');
    await expect(page).toHaveTitle('Sign in · Cascade Brook');
    await page.getByLabel('Sign-in name').fill(UNA.login);
    await page.getByLabel('Password').fill(UNA.password);
    await page.getByTestId('next-action').click();
    await expect(page.getByRole('heading', { name: 'Which vehicles got it?' })).toBeVisible();
    await expect(page).toHaveURL(/\/recall\?batch=B-7$/);
    await expect(page).toHaveTitle('Which vehicles got it? · Cascade Brook');
  });

  test('the other workshop sees its own vehicles and no others', async ({ page }) => {
    await Workshop.signIn(page, BREK);
    await page.goto('/vehicles');
    await expect(page.getByText('Yard runabout')).toBeVisible();
    await expect(page.getByText(/hatchback \d/)).toHaveCount(0);
  });
});

test.describe('a new vehicle', () => {
  test.beforeEach(async ({ page }) => {
    await Workshop.signIn(page);
    await page.goto('/vehicles/new');
  });

  test('from a template, straight into its intake', async ({ page }) => {
    await page.getByLabel('Name').fill('Dairy van');
    await page.getByLabel('Plate or fleet number').fill(randomUUID().slice(0, 12));
    await page.getByRole('radio', { name: 'Car or van' }).click();
    await page.getByRole('radio', { name: /^Hatchback, diagonal/ }).click();
    await expect(page.getByText('Say where the driver sits')).toBeVisible();
    await page.getByRole('radio', { name: 'On the left' }).click();
    await page.getByTestId('next-action').click();
    await expect(page.getByRole('heading', { name: 'Dairy van' })).toBeVisible();
    await expect(page.getByText('Why is it here?')).toBeVisible();
  });

  test('each field is refused with a sentence, and what was typed stays', async ({ page }) => {
    await page.getByLabel('Plate or fleet number').fill('HC 1');
    await page.getByRole('radio', { name: 'Motorcycle' }).click();
    await page.getByRole('radio', { name: /^Sidecar outfit/ }).click();
    await page.getByTestId('next-action').click();
    await expect(page.getByText('Give it a name.')).toBeVisible();
    await page.getByLabel('Name').fill('Second of its kind');
    await page.getByTestId('next-action').click();
    await expect(
      page.getByText(
        'HC 1 is already in this workshop; give each vehicle its own plate or fleet number.',
      ),
    ).toBeVisible();
    await expect(page.getByLabel('Name')).toHaveValue('Second of its kind');
  });
});

test('an address that leads nowhere says so and leads back', async ({ page }) => {
  await Workshop.signIn(page);
  await page.goto('/nowhere');
  await page.getByRole('button', { name: 'To the jobs' }).click();
  await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible();
  await page.goto(`/jobs/${randomUUID()}`);
  await expect(page.getByText('There is no such job in this workshop.')).toBeVisible();
});
