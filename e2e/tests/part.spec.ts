import { expect, test, type Page } from '@playwright/test';
import { Workshop } from '../support/workshop';

const next = (page: Page) => page.getByTestId('next-action');

/** Everything as the old one, every piece right; what is measured is left to the test. */
async function sideBySide(page: Page) {
  await expect(page.getByText('Pieces, counted')).toBeVisible();
  for (const same of await page.getByRole('radio', { name: 'As the old one' }).all())
    await same.click();
  for (const counted of ['Pistons: 1 needed', 'Bleeders: 1 needed'])
    await page
      .getByRole('radiogroup', { name: counted })
      .getByRole('radio', { name: '1', exact: true })
      .click();
  for (const name of ['Fitted, old off', 'Moved across'])
    for (const right of await page.getByRole('radio', { name }).all()) await right.click();
}

test('a caliper of another size is refused before anything is filled; the right one goes on', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const vehicle = await workshop.vehicle('hatchback-diagonal', 'right', 'Van with a new caliper');
  const job = await workshop.afterWork(vehicle, {
    parts: [{ partId: 'left-front-caliper', cappedAtOnce: true, keptFull: true, newPart: true }],
  });
  await workshop.prepared(job);
  await page.goto(`/jobs/${job.id}`);
  await expect(
    page.getByRole('heading', { name: 'Compare the new part: Caliper left front' }),
  ).toBeVisible();
  await expect(next(page)).toBeDisabled();
  await sideBySide(page);
  await page.getByRole('textbox', { name: 'Piston diameter' }).fill('57.2');
  await expect(page.getByText('54 mm is needed; this one must not be fitted.')).toBeVisible();
  await next(page).click();
  await expect(page.getByText('This part does not fit').first()).toBeVisible();
  await page.getByRole('radio', { name: /It is cured/ }).click();
  await next(page).click();
  await sideBySide(page);
  await page.getByRole('textbox', { name: 'Piston diameter' }).fill('54,0');
  await page.getByRole('button', { name: 'It fits: put that down' }).click();
  await expect(page.getByText('Fill to MAX with new, rested fluid').first()).toBeVisible();
  await expect
    .poll(
      async () =>
        (await workshop.get(job.id)).events.filter((e) => e.kind === 'part compared').length,
    )
    .toBe(2);
});

test('a clutch is proved by what is measured: too much travel of the rod leads back to the bleed', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.atSlaveTest(
    await workshop.vehicle('clutch-external', 'right', 'Hatchback with its slave back'),
  );
  await page.goto(`/jobs/${job.id}`);
  await expect(page.getByRole('heading', { name: /Prove the clutch/ })).toBeVisible();
  await expect(next(page)).toBeDisabled();
  await page.getByRole('textbox', { name: 'Travel of the master’s rod' }).fill('6');
  await page.getByRole('button', { name: 'It does not pass: put that down' }).click();
  await page.getByRole('radio', { name: /Plan the rest anew/ }).click();
  await expect(page.getByText('Then, from here')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('textbox', { name: 'Travel of the master’s rod' }).fill('2,5');
  await page.getByRole('button', { name: 'Put this down' }).click();
  await expect
    .poll(async () => (await workshop.get(job.id)).events.at(-1))
    .toMatchObject({ kind: 'slave tested', mm: 2.5 });
});
