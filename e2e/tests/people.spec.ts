import { expect, test } from '@playwright/test';
import { TARN, Workshop } from '../support/workshop';

test('a lead says who left, in one press, and takes it back; who left is out on their own phone', async ({
  page,
  browser,
}) => {
  const other = await (await browser.newContext()).newPage();
  await Workshop.signIn(other, { login: 'ode', password: 'skerrow-demo' });
  await other.goto('/');
  await expect(other.getByRole('heading', { name: 'Jobs' })).toBeVisible();
  await Workshop.signIn(page, TARN);
  await page.goto('/');
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('button', { name: 'People' }).click();
  await page.getByRole('button', { name: 'Ode Fennick has left' }).click();
  await expect(page.getByText('Left, said Tarn Hollis, today')).toBeVisible();
  await other.reload();
  await expect(other.getByRole('button', { name: 'Sign in' })).toBeVisible();
  await page.getByRole('button', { name: 'Ode Fennick is back' }).click();
  await expect(page.getByRole('button', { name: 'Ode Fennick has left' })).toBeVisible();
  await other.context().close();
});

test('a password that is too short, or another than that of today, is said at its field', async ({
  page,
}) => {
  await Workshop.signIn(page);
  await page.goto('/password');
  await page.getByLabel('Password of today').fill('not it');
  await page.getByLabel('New password').fill('short');
  await page.getByTestId('next-action').click();
  await expect(page.getByText('The password should have 10 to 200 characters.')).toBeVisible();
  await page.getByLabel('New password').fill('a longer one');
  await page.getByTestId('next-action').click();
  await expect(page.getByText('The password of today is another.').first()).toBeVisible();
});
