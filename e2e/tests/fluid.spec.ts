import { expect, test, type Page } from '@playwright/test';
import { answer, LOOKED, SOUND, toPart, unfold, why } from '../support/fluid';
import { Workshop } from '../support/workshop';

async function atTheCap(page: Page) {
  const workshop = await Workshop.signIn(page);
  await workshop.shelve();
  const vehicle = await workshop.addVehicle('hatchback-diagonal', 'right');
  const job = await workshop.openJob(vehicle);
  await page.goto(`/jobs/${job.id}`);
  return { workshop, vehicle, job };
}

test('colour never passes a fluid, a reading decides, and both name their source', async ({
  page,
}) => {
  await atTheCap(page);
  await answer(page, LOOKED);
  await expect(page.getByRole('heading', { name: 'Not measured: no verdict' })).toBeVisible();
  await why(page, 'Not measured: no verdict');
  await expect(page.getByText(/colour can fail it but never pass it/i)).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).click();
  await toPart(page, 'measure');
  await page.getByLabel('Water, reservoir').fill('3.2');
  await expect(page.getByRole('heading', { name: 'Replace now' })).toBeVisible();
  await why(page, 'Replace now');
  await expect(
    page.getByText('Common practice in the trade; no published source').first(),
  ).toBeVisible();
});

// Every verdict that there is, on the screen. 155 °C: FMVSS 116 S5.1.2; the others common practice, no source.
for (const [field, value, verdict] of [
  ['Water, reservoir', '0.9', 'Good'],
  ['Water, reservoir', '1.9', 'Replace at this visit'],
  ['Boiling point, reservoir', '150', 'Replace now'],
] as const) {
  test(`${field} ${value}: ${verdict}`, async ({ page }) => {
    await atTheCap(page);
    await answer(page, LOOKED);
    await toPart(page, 'measure');
    if (field.startsWith('Boiling')) await unfold(page, 'Boiling tester, reservoir');
    await page.getByLabel(field).fill(value);
    await expect(page.getByRole('heading', { name: verdict, exact: true })).toBeVisible();
  });
}

for (const [word, says, row] of [
  ['Purple, or beads in water', /silicone where glycol belongs/i, /inner seals swollen/],
  ['Oil film, green or red', /mineral oil in the fluid/i, /One outer boot/],
  ['Thick or greasy', /hub or axle seal may have let lubricant/i, /Thick grease from a bleeder/],
  ['Layers', /two products that do not mix/i, /inner seals swollen/],
] as const) {
  test(`${word}: a stop that ends the job, keeps the vehicle and shows what it may be`, async ({
    page,
  }) => {
    const { workshop, job } = await atTheCap(page);
    await answer(page, {
      ...LOOKED,
      'Does it feel or smell like something else, reservoir?': 'Yes',
      'What like, reservoir?': word,
    });
    await expect(page.getByText('Stop: nothing is filled')).toBeVisible();
    await page.getByRole('button', { name: 'Stop: end the job here' }).click();
    await expect(page.getByText(/Ended unreleased by/)).toBeVisible();
    await expect(page.getByText(says).first()).toBeVisible();
    await unfold(page, 'What it may be');
    await expect(page.getByText(row)).toBeVisible();
    expect((await workshop.job(job.id)).vehicleDrive).toBe('do not drive');
  });
}

test('a colour that nobody can explain waits for drops in water, and only the drops decide', async ({
  page,
}) => {
  await atTheCap(page);
  await answer(page, { ...SOUND, 'Any odd colour, reservoir?': 'green' });
  await expect(page.getByTestId('next-action')).toBeDisabled();
  await expect(page.getByText('Put a few drops in water').first()).toBeVisible();
  await answer(page, { 'A few drops in water, reservoir?': 'They dissolve' });
  await expect(page.getByTestId('next-action')).toBeEnabled();
  await answer(page, { 'A few drops in water, reservoir?': 'They part' });
  await expect(page.getByText('Stop: nothing is filled')).toBeVisible();
});

test('particles are replaced now, and the plan is made', async ({ page }) => {
  await atTheCap(page);
  await answer(page, { ...SOUND, 'How clear is it, reservoir?': 'particles' });
  await toPart(page, 'look');
  await expect(page.getByRole('heading', { name: 'Replace now' })).toBeVisible();
  await toPart(page, 'fill');
  await page.getByRole('button', { name: 'Make the plan' }).click();
  await expect(page.getByText('Farthest first')).toBeVisible();
});

test('good fluid is left in: the readings stay, nothing was opened', async ({ page }) => {
  const { workshop, job } = await atTheCap(page);
  await answer(page, LOOKED);
  await toPart(page, 'measure');
  await page.getByLabel('Water, reservoir').fill('0.8');
  await page.getByRole('button', { name: 'It is good: leave it in and end here' }).click();
  await expect(page.getByText(/Ended unreleased by/)).toBeVisible();
  expect(await workshop.job(job.id)).toMatchObject({
    vehicleDrive: 'free',
    fluid: { samples: [{ water: { percent: 0.8 } }], verdict: { condition: { verdict: 'good' } } },
  });
});

// Natural rubber and a grade up: common practice, no source.
test('old seals and a better grade: with caution, and the reason', async ({ page }) => {
  const { workshop } = await atTheCap(page);
  await workshop.shelve({ grade: 'DOT 5.1', sizeMl: 500, count: 1 });
  await page.reload();
  await answer(page, LOOKED);
  await toPart(page, 'cap');
  await unfold(page, 'Old seals, changed parts');
  await answer(page, { 'The seals are': 'Natural rubber', 'Which fluid goes in?': /^DOT 5.1/ });
  await expect(
    page.getByText(/the seals may be natural rubber. Ask for the maker’s advice/),
  ).toBeVisible();
  await unfold(page, 'Any other fluid');
  for (const verdict of [
    'DOT 3: must not',
    'DOT 4: may fill',
    'DOT 5.1 (five point one, glycol): with caution',
    'Mineral oil: must not',
  ])
    await expect(page.getByText(verdict)).toBeVisible();
});

test('cap and part that cannot both be obeyed: a person decides and writes why', async ({
  page,
}) => {
  const { workshop, job } = await atTheCap(page);
  await answer(page, { ...LOOKED, 'Which grade on the cap?': 'DOT 5 (five, silicone)' });
  await toPart(page, 'cap');
  await unfold(page, 'Old seals, changed parts');
  await answer(page, { 'A part was changed for another make; its maker asks for': 'DOT 4' });
  await expect(page.getByText('They cannot all be obeyed')).toBeVisible();
  await expect(page.getByTestId('next-action')).toBeDisabled();
  await answer(page, { 'Whom do you follow?': 'The maker of the changed part' });
  await page.getByLabel('Why?').fill('Converted with new seals, papers in the glovebox.');
  await answer(page, { 'Which fluid goes in?': 'DOT 4', 'Colour of the new fluid?': 'clear' });
  await page.getByTestId('next-action').click();
  await expect(page.getByText('Farthest first')).toBeVisible();
  expect((await workshop.job(job.id)).fluid!.follow).toEqual({
    source: 'part',
    why: 'Converted with new seals, papers in the glovebox.',
  });
});

test('what may not be right is said at its field, and nothing goes out', async ({ page }) => {
  const { workshop, job } = await atTheCap(page);
  await answer(page, SOUND);
  await toPart(page, 'measure');
  await page.getByLabel('Water, reservoir').fill('12');
  await expect(page.getByText('Water is 12 %; a reading is between 0 and 10 %.')).toBeVisible();
  await expect(page.getByTestId('next-action')).toBeDisabled();
  expect((await workshop.job(job.id)).version).toBe(job.version);
});

test('a job is ended unreleased only with a reason', async ({ page }) => {
  const { workshop, job } = await atTheCap(page);
  await page.getByRole('button', { name: 'End this job unreleased …' }).click();
  await page.getByRole('button', { name: 'End it' }).click();
  await expect(page.getByText('Reason is missing.')).toBeVisible();
  expect((await workshop.job(job.id)).stage).toBe('fluid');
  await page.getByLabel('Why does it end here?').fill('Wanted back before anything was opened.');
  await page.getByRole('button', { name: 'End it' }).click();
  await expect(page.getByText('Wanted back before anything was opened.')).toBeVisible();
});

test('what was as before is looked back at with what it was', async ({ page }) => {
  const workshop = await Workshop.signIn(page);
  const vehicle = await workshop.addVehicle('hatchback-diagonal', 'right');
  await workshop.released(vehicle);
  const job = await workshop.openJob(vehicle);
  await page.goto(`/jobs/${job.id}`);
  // One tap, and the page goes on by itself.
  await page
    .getByRole('radiogroup', { name: /all as before/ })
    .getByRole('radio', { name: 'Yes' })
    .click();
  await expect(page.getByRole('heading', { name: 'Look at it' })).toBeVisible();
  const running = await workshop.accept(await workshop.readFluid(job));
  await page.goto(`/jobs/${running.id}?step=fluid`);
  const named = page.getByRole('group', { name: 'Which grade on the cap?' });
  await expect(named.getByRole('checkbox', { name: 'DOT 4', exact: true })).toBeChecked();
});
