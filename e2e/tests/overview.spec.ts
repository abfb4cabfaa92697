import { expect, test } from '@playwright/test';
import { TARN, Workshop } from '../support/workshop';

// Walk 12, as far as there is no list of what is due.
test('on Friday the lead sees in one look what must not be driven, what is looked at again, what gets worse, what was let go and how full the drum is, each with the way to its record', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page, TARN);
  const car = await workshop.addVehicle('hatchback-diagonal', 'right', 'Held over the weekend');
  const job = await workshop.bled(car);
  await workshop.say(job, [
    {
      kind: 'look later',
      elementId: null,
      why: 'worn, used again',
      what: 'boot of the master, cracked',
      byDate: null,
      byKm: null,
    },
  ]);
  await page.goto('/');
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('button', { name: 'What stands open' }).click();
  await expect(
    page.getByText(
      /^\d+ not to be driven, \d+ to look at again, \d+ getting worse, \d+ let go\. Drum: \d+\.\d of 20 L\.$/,
    ),
  ).toBeVisible();
  const held = page.getByRole('list', { name: 'Not to be driven' });
  const line = held.getByRole('link', { name: new RegExp(`Held over the weekend · ${car.tag}`) });
  await expect(line).toContainText('Do not drive');
  await expect(line).toContainText(/Brake pedal/);
  await expect(
    page
      .getByRole('list', { name: 'Look at again' })
      .getByText(/boot of the master, cracked/)
      .first(),
  ).toBeVisible();
  await expect(page.getByRole('link', { name: /^\d+\.\d of 20 L$/ })).toBeVisible();
  // The demo's post van takes in air since spring.
  const van = page
    .getByRole('list', { name: 'Getting worse, by measure' })
    .getByRole('link', { name: 'Post van · PV 1' });
  await expect(van).toContainText(/Brake pedal: air, getting worse: \d\.\d mL more a year/);
  await van.click();
  await expect(page.getByTestId('air-trend')).toBeVisible();
  await page.goBack();
  await line.click();
  await expect(page.getByRole('heading', { name: 'Held over the weekend' })).toBeVisible();
});
