import { expect, test } from '@playwright/test';
import { answer, LOOKED, toPart } from '../support/fluid';
import { Workshop } from '../support/workshop';

test('a form that a colleague changed meanwhile shows both, field by field, and nothing is written over unseen', async ({
  page,
  browser,
}) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.openJob(await workshop.addVehicle('hatchback-diagonal', 'right'));
  await workshop.shelve();
  await page.goto(`/jobs/${job.id}`);
  await answer(page, { ...LOOKED, 'Colour in the reservoir?': 'straw' });
  await answer(page, { 'Which fluid goes in?': 'DOT 4', 'Colour of the new fluid?': 'clear' });

  const other = await (await browser.newContext()).newPage();
  const colleague = await Workshop.signIn(other);
  await colleague.readColour(job, 'brown');

  // It is told at once, the form stays under the hands, and both stand side by side.
  await expect(page.getByText('Somebody changed the same meanwhile')).toBeVisible();
  const seen = page.getByRole('radiogroup', { name: 'Seen and measured' });
  await expect(seen.getByText(/straw, clear, no other product/)).toBeVisible();
  await expect(seen.getByText(/brown.*water 2 %/)).toBeVisible();
  const stored = async () => (await workshop.job(job.id)).fluid!.samples[0]!.colour;
  expect(await stored()).toBe('brown');
  for (const group of await page.getByRole('radiogroup').all())
    await group.getByRole('radio', { name: 'Yours' }).click();
  await page.getByTestId('next-action').click();
  await toPart(page, 'fill');
  await page.getByTestId('next-action').click();
  await expect.poll(stored).toBe('straw');
  await other.context().close();
});

test('a layout that a colleague measured meanwhile is not written over: what both measured is asked about', async ({
  page,
  browser,
}) => {
  const workshop = await Workshop.signIn(page);
  const vehicle = await workshop.addVehicle('motorcycle-front-disc', 'middle');
  await page.goto(`/vehicles/${vehicle.id}/layout`);
  const line = vehicle.layout.stretches[0]!;
  await page
    .getByRole('button', { name: new RegExp(line.name) })
    .first()
    .click();
  const length = page.getByLabel('Length', { exact: true });
  await length.fill('1234');
  await length.blur();

  const other = await (await browser.newContext()).newPage();
  const colleague = await Workshop.signIn(other);
  await colleague.saveLayout(vehicle, {
    ...vehicle.layout,
    stretches: [{ ...line, lengthMm: 1300 }, ...vehicle.layout.stretches.slice(1)],
  });
  await page.getByRole('button', { name: 'Save the layout' }).click();
  const asked = page.getByRole('radiogroup', { name: line.name });
  await expect(asked.getByText('length 1234 mm')).toBeVisible();
  await expect(asked.getByText('length 1300 mm')).toBeVisible();
  expect((await workshop.vehicle(vehicle.id)).layout.stretches[0]!.lengthMm).toBe(1300);
  await asked.getByRole('radio', { name: 'Theirs' }).click();
  await page.getByTestId('next-action').click();
  await expect(page.getByRole('button', { name: 'Save the layout' })).toBeVisible();
  await other.context().close();
});

test('a part of the app that cannot be fetched is said and fetched again', async ({ page }) => {
  await Workshop.signIn(page);
  await page.route(/workbench|index-[0-9a-f]+\.js/, (route) =>
    /entry/.test(route.request().url()) ? route.continue() : route.abort(),
  );
  await page.goto('/vehicles');
  await expect(page.getByText('A part of the app could not be fetched')).toBeVisible();
  await page.unroute(/workbench|index-[0-9a-f]+\.js/);
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('listitem').first()).toBeVisible();
});

test('two who choose for one plan at the same time see both choices, and neither is lost unseen', async ({
  page,
  browser,
}) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.planned(await workshop.addVehicle('hatchback-diagonal', 'right'));
  await page.goto(`/jobs/${job.id}?page=method`);
  await page.getByRole('button', { name: 'At hand today' }).click();
  await page.getByRole('checkbox', { name: 'Vacuum pump' }).click();
  const other = await (await browser.newContext()).newPage();
  const colleague = await Workshop.signIn(other);
  const { circumstances, means } = job.planChoices;
  const theirs = { ...means, pressurePot: !means.pressurePot };
  await colleague.choose(job, {
    means: theirs,
    circumstances: { ...circumstances, dirty: true },
  });

  await page.getByTestId('next-action').click();
  await expect(page.getByText('Somebody changed the same meanwhile')).toBeVisible();
  const hand = page.getByRole('radiogroup', { name: 'What is at hand' });
  await expect(hand.getByText(/vacuum pump/)).toBeVisible();
  await expect(hand.getByText(/pressure pot/)).toBeVisible();
  // What only the colleague changed is not asked about.
  await expect(page.getByRole('radiogroup')).toHaveCount(1);
  expect((await workshop.job(job.id)).planChoices.means).toEqual(theirs);
  await hand.getByRole('radio', { name: 'Yours' }).click();
  await page.getByTestId('next-action').click();
  await expect
    .poll(async () => (await workshop.job(job.id)).planChoices)
    .toMatchObject({
      means: { ...means, vacuumPump: !means.vacuumPump },
      circumstances: { dirty: true },
    });
  await expect(page.getByRole('heading', { name: 'Test vehicle' })).toBeVisible();
  await other.context().close();
});
