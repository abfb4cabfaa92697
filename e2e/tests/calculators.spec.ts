import { expect, test } from '@playwright/test';
import { Workshop } from '../support/workshop';

test('a crow-foot is worked out without a job, in both units, and what cannot be is said at its field', async ({
  page,
}) => {
  await Workshop.signIn(page);
  await page.goto('/');
  await page.getByRole('button', { name: 'Calculators' }).click();
  await page.getByRole('link', { name: 'Crow-foot on a torque wrench' }).click();
  const field = (name: string) => page.getByRole('textbox', { name });
  await field('Torque of the manual').fill('40');
  // Inches are read as well: 400 mm and 100 mm.
  await field('The length of the wrench').fill('15.748 in');
  await field('The length of the adapter').fill('100');
  await field('The angle of the adapter').fill('0');
  // Textbook lever arithmetic: 40 × 400/(400 + 100) is 32 N·m, 23.6 lbf·ft.
  await expect(page.getByText('32.0 N·m, 23.6 lbf·ft')).toBeVisible();
  await field('Torque of the manual').fill('4000');
  await expect(page.getByText(/Torque of the manual should be 0.5 to 400 N·m/)).toBeVisible();
  await expect(page.getByText('lbf·ft', { exact: false })).toHaveCount(0);
  await page.getByTestId('next-action').click();
  await page.getByRole('link', { name: 'Turns of a clutch rod' }).click();
  for (const [name, value] of [
    ['Takes up at', '30'],
    ['Wanted from', '55'],
    ['Wanted to', '75'],
    ['Free play at the rod', '3'],
  ] as const)
    await field(name).fill(value);
  // Two millimetres of play to give away are 1.6 turns of 1.25 mm.
  await page.getByRole('button', { name: /^Turns, rod longer: 1.6/ }).click();
  await expect(page.getByText(/The free play holds it back/)).toBeVisible();
});
