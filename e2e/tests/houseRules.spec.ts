import { expect, test } from '@playwright/test';
import { droveWell } from '../support/proof';
import { PHOTO } from '../support/photo';
import { BREK, UNA, Workshop } from '../support/workshop';

// One after the other: both change the rules of the same workshop.
test.describe.configure({ mode: 'serial' });

test('house rules show what speaks for each side; a lead changes them, a technician reads, and of two leads nobody writes over the other', async ({
  page,
  browser,
}) => {
  await Workshop.signIn(page, UNA);
  await page.goto('/rules');
  await expect(page.getByText(/Nobody knows how long the cap was off/)).toBeVisible();
  await expect(page.getByText(/takes up little in a month/)).toBeVisible();
  await expect(page.getByRole('radio', { name: 'Today or not at all' })).toBeDisabled();
  await page.context().clearCookies();
  // The other workshop's lead, so that no other test feels it.
  const workshop = await Workshop.signIn(page, BREK);
  await page.goto('/rules');
  await page.getByRole('radio', { name: 'Today or not at all' }).click();
  await page.getByLabel('The waste drum holds').fill('10');
  await page.getByTestId('next-action').click();
  await expect(page.getByText('The waste drum holds: give 1,000 to 1,000,000 mL.')).toBeVisible();
  await page.getByLabel('The waste drum holds').fill('10000');
  await page.getByTestId('next-action').click();
  await expect(page.getByTestId('next-action')).toContainText('Nothing is changed');
  await page.reload();
  await expect(page.getByRole('radio', { name: 'Today or not at all' })).toBeChecked();

  const drum = page.getByLabel('The waste drum holds');
  await drum.fill('30000');
  const other = await (await browser.newContext()).newPage();
  const colleague = await Workshop.signIn(other, BREK);
  await colleague.changeRules({ drumMl: 40_000, lowStockMl: 700 });
  await page.getByTestId('next-action').click();
  await expect(page.getByText('Somebody changed the same meanwhile')).toBeVisible();
  const asked = page.getByRole('radiogroup', { name: 'The waste drum holds' });
  await expect(asked.getByText('40000 mL')).toBeVisible();
  await asked.getByRole('radio', { name: 'Yours' }).click();
  await page.getByTestId('next-action').click();
  await page.getByTestId('next-action').click();
  await expect(page.getByTestId('next-action')).toContainText('Nothing is changed');
  expect(await workshop.rules()).toMatchObject({ drumMl: 30_000, lowStockMl: 700 });
  await other.context().close();
});

test('a workshop that asks for photos gets them at their item, or a lead lets one go with a reason; the record is added to under a name', async ({
  page,
}) => {
  // A workshop of its own: its rules are nobody else's.
  const workshop = await Workshop.signIn(page, BREK);
  await workshop.changeRules({ proofPhotos: 'level and joints' });
  const car = await workshop.addVehicle('hatchback-diagonal', 'right', 'Photographed car');
  const job = await workshop.recordFluid(await workshop.bled(car));
  await workshop.prove(job);
  await page.goto(`/jobs/${job.id}`);
  await expect(page.getByRole('heading', { name: 'Paper you may let go' })).toBeVisible();

  await page.getByRole('button', { name: /^Joints dry: / }).click();
  const chosen = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Photo of it', exact: true }).click();
  await (await chosen).setFiles({ name: 'wet.png', mimeType: 'image/png', buffer: PHOTO });
  await expect(page.getByRole('img', { name: /^Photo, joints dry/ })).toBeVisible();
  await page.getByRole('button', { name: 'List', exact: true }).click();
  await expect(page.getByRole('button', { name: /^Joints dry: / })).toContainText('photo');
  await expect(page.getByText(/asks for a photo: joints/)).toHaveCount(0);

  const letGo = page.getByRole('button', { name: 'Let it go' });
  await expect(letGo).toHaveCount(1);
  await page.getByLabel('Why it is let go').fill('No phone got in behind the battery');
  await letGo.click();
  await expect(page.getByText('Only the test drive is left')).toBeVisible();
  await page.getByTestId('next-action').click();
  await droveWell(page);
  await page.getByTestId('next-action').click();
  await expect(page.getByText(/^Released by Brek Sandel/)).toBeVisible();
  await expect(page.getByText(/^Let go by Brek Sandel.*behind the battery$/)).toBeVisible();

  await page.getByRole('button', { name: 'Add a signed note' }).click();
  await page.getByLabel('Note', { exact: true }).fill('The owner rang: it pulls a little');
  await page.getByRole('button', { name: 'Sign and add' }).click();
  await expect(
    page.getByText(/“The owner rang: it pulls a little” Signed Brek Sandel/),
  ).toBeVisible();
  await expect
    .poll(async () => (await workshop.job(job.id)).additions)
    .toMatchObject([{ kind: 'note', person: 'Brek Sandel' }]);
  await workshop.changeRules({ proofPhotos: 'none' });
});
