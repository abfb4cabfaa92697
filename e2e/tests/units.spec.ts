import { planOfJob } from '@brook/contract/apiDriver';
import { expect, test } from '@playwright/test';
import { TARN, Workshop } from '../support/workshop';

test('somebody asked in by a lead comes in by the code, and reads and types in inches; the record stays metric', async ({
  page,
}) => {
  await Workshop.signIn(page, TARN);
  await page.goto('/people');
  const name = `Ana Holm ${Date.now().toString(36)}`;
  await page.getByLabel('Name', { exact: true }).fill(name);
  await page.getByRole('button', { name: 'Make a code' }).click();
  const shown = await page.getByText(/^([2-9A-Z]{4} ){3}[2-9A-Z]{4}$/).innerText();
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(
    page.getByRole('button', { name: `Take back the invitation of ${name}` }),
  ).toBeVisible();

  // From here on it is the phone of who was asked in.
  const own = page;
  await own.context().clearCookies();
  await own.goto(`/join#${shown.replaceAll(' ', '')}`);
  await own.getByLabel('Sign-in name').fill('una');
  await own.getByLabel('Password').fill('a word or two');
  await own.getByTestId('next-action').click();
  await expect(
    own.getByText('Somebody signs in by that name already; take another.'),
  ).toBeVisible();
  const login = `ana${Date.now().toString(36)}`;
  await own.getByLabel('Sign-in name').fill(login);
  await own.getByTestId('next-action').click();
  await expect(own.getByRole('heading', { name: 'Jobs' })).toBeVisible();

  await own.getByRole('button', { name: 'More' }).click();
  await own.getByRole('button', { name: 'Units' }).click();
  await own.getByRole('radio', { name: 'in', exact: true }).click();
  await expect(own.getByRole('radio', { name: 'in', exact: true })).toBeChecked();
  await own.getByRole('radio', { name: 'fl oz', exact: true }).click();
  await expect(own.getByRole('radio', { name: 'fl oz', exact: true })).toBeChecked();

  const workshop = await Workshop.signIn(own, { login, password: 'a word or two' });
  const job = await workshop.planned(await workshop.addVehicle('hatchback-diagonal', 'right'));
  const { totals } = planOfJob(await workshop.job(job.id));
  await own.goto(`/jobs/${job.id}`);
  // US fluid ounces of 29.5735 mL.
  const ounces = (Math.round(totals.pouredMl.value) / 29.5735).toFixed(2);
  await expect(own.getByText(`${ounces} fl oz`).first()).toBeVisible();
  await expect(own.getByText(/\d mL\b/)).toHaveCount(0);

  const bled = await workshop.bled(await workshop.addVehicle('hatchback-diagonal', 'right'));
  await own.goto(`/jobs/${bled.id}`);
  await own.getByRole('button', { name: 'Measure it with a ruler' }).click();
  await own.getByRole('textbox').fill('7');
  await expect(own.getByText('7 in, 177.8 mm')).toBeVisible();
  await own.getByTestId('next-action').click();
  await expect(own.getByRole('heading', { level: 1, name: /first resistance/ })).toBeVisible();
  // Somebody reads the other side of the ruler.
  await own.getByRole('textbox').fill('160 mm');
  await own.getByTestId('next-action').click();
  await expect
    .poll(async () =>
      (await workshop.job(bled.id)).events.flatMap((e) =>
        e.kind === 'pedal read' ? [e.heightMm] : [],
      ),
    )
    .toEqual([177.8, 160]);
});
