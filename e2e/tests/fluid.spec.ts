import { expect, test, type Page } from '@playwright/test';
import { Workshop } from '../support/workshop';

async function atTheCap(page: Page) {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.job(await workshop.vehicle('hatchback-diagonal', 'right'));
  await page.goto(`/jobs/${job.id}`);
  return { workshop, job };
}

const answer = async (page: Page, answers: Record<string, string>) => {
  for (const [question, word] of Object.entries(answers)) await page.getByRole('radiogroup', { name: question }).getByRole('radio', { name: word, exact: true }).click();
};
const SOUND = { 'Read the cap: which grade?': 'DOT 4', 'Colour in the reservoir?': 'amber', 'Clear, hazy, particles?': 'clear', 'Any sign of another product?': 'None of these', 'Colour of the new fluid?': 'clear' };

test('the fill is the grade on the cap, and colour never passes a fluid', async ({ page }) => {
  await atTheCap(page);
  await answer(page, SOUND);
  await expect(page.getByRole('heading', { name: 'Fill DOT 4' })).toBeVisible();
  await expect(page.getByText(/Colour can fail a fluid but never pass it/)).toBeVisible();
  await page.getByLabel('Water, if you have a meter').fill('3,2');
  await expect(page.getByText(/3 % water or more: replace now/)).toBeVisible();
});

for (const [question, word, says] of [
  ['Any sign of another product?', 'Purple, or beads in water', /Silicone where glycol belongs/],
  ['Any sign of another product?', 'Oil film, green or red', /Mineral oil in the brakes/],
  ['Any sign of another product?', 'Thick or greasy', /another product is inside/],
  ['Clear, hazy, particles?', 'particles', /Particles in the fluid/],
  ['Read the cap: which grade?', 'DOT 5 (five, silicone)', /does not look like silicone/],
] as const) {
  test(`${word}: a stop that ends the job and keeps the vehicle`, async ({ page }) => {
    const { workshop, job } = await atTheCap(page);
    await answer(page, { ...SOUND, [question]: word });
    await expect(page.getByText('Stop: nothing is filled')).toBeVisible();
    await expect(page.getByText(says).first()).toBeVisible();
    await expect(page.getByText('Common practice in the trade; no published source').first()).toBeVisible();
    await page.getByRole('button', { name: 'Stop: end the job here' }).click();
    await expect(page.getByText(/Ended unreleased by/)).toBeVisible();
    expect((await workshop.get(job.id)).vehicleDrive).toBe('do not drive');
  });
}

test('what may not be right is said at its field, and nothing goes out', async ({ page }) => {
  const { workshop, job } = await atTheCap(page);
  await answer(page, SOUND);
  await page.getByLabel('Water, if you have a meter').fill('12');
  await expect(page.getByText('Water is 12 %; a reading is between 0 and 10 %.')).toBeVisible();
  await expect(page.getByTestId('next-action')).toBeDisabled();
  expect(await workshop.get(job.id)).toEqual(job);
});

test('a job is ended unreleased only with a reason', async ({ page }) => {
  const { workshop, job } = await atTheCap(page);
  await page.getByRole('button', { name: 'End this job unreleased …' }).click();
  await page.getByRole('button', { name: 'End it' }).click();
  await expect(page.getByText('Reason is too short; give 3 to 300 characters.')).toBeVisible();
  expect((await workshop.get(job.id)).stage).toBe('fluid');
  await page.getByLabel('Why does it end here?').fill('Wanted back before anything was opened.');
  await page.getByRole('button', { name: 'End it' }).click();
  await expect(page.getByText('Wanted back before anything was opened.')).toBeVisible();
});
