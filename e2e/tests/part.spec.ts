import { expect, test, type Page } from '@playwright/test';
import { benchRun, MASTER_NOT_YET, Workshop } from '../support/workshop';

const next = (page: Page) => page.getByTestId('next-action');

/** Every question answered yes, every piece right; what is measured is left to the test. */
async function sideBySide(page: Page) {
  await expect(page.getByText('Pieces, counted')).toBeVisible();
  for (const yes of await page.getByRole('radio', { name: 'Yes' }).all()) await yes.click();
  for (const name of ['Fitted, old off', 'Moved across'])
    for (const right of await page.getByRole('radio', { name }).all()) await right.click();
}
const measured = (page: Page, what: string, whose: string) =>
  page.getByRole('textbox', { name: `${what}, ${whose}` });

test('a caliper of another size is refused before anything is filled; the right one goes on', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const vehicle = await workshop.addVehicle(
    'hatchback-diagonal',
    'right',
    'Van with a new caliper',
  );
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
  for (const whose of ['new part', 'old part']) await measured(page, 'Pistons', whose).fill('1');
  await measured(page, 'Piston diameter', 'new part').fill('57.2');
  // Nothing stands beside it yet: what the layout guesses is no measure.
  await expect(next(page)).toBeDisabled();
  await measured(page, 'Piston diameter', 'old part').fill('54');
  await expect(page.getByText(/The old one differs. This one must not be fitted/)).toBeVisible();
  await next(page).click();
  await expect(page.getByText('This part does not fit').first()).toBeVisible();
  await page.getByRole('radio', { name: /Fixed, go on/ }).click();
  await next(page).click();
  await sideBySide(page);
  await measured(page, 'Piston diameter', 'new part').fill('54,0');
  await page.getByRole('button', { name: 'It fits: record it' }).click();
  await expect(page.getByText('Fill to MAX with new, rested fluid').first()).toBeVisible();
  await expect
    .poll(
      async () =>
        (await workshop.job(job.id)).events.filter((e) => e.kind === 'part compared').length,
    )
    .toBe(2);
  const { layout } = await workshop.job(job.id);
  expect(layout.nodes.find((n) => n.id === 'left-front-caliper')!.known).toEqual({
    pistonMm: 'measured',
    pistons: 'measured',
  });
});

test('a new master of another bore than the layout guesses, and the same as the old one: it fits, and the rest is worked out by it', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const vehicle = await workshop.addVehicle('hatchback-diagonal', 'right', 'Swapped in the yard');
  const job = await workshop.afterWork(vehicle, {
    master: MASTER_NOT_YET,
  });
  await workshop.prepared(job);
  await page.goto(`/jobs/${job.id}`);
  await sideBySide(page);
  await page.getByRole('radio', { name: 'As the old one, which worked' }).click();
  for (const whose of ['new part', 'old part'])
    for (const chamber of ['Primary chamber', 'Secondary chamber'])
      await measured(page, `Bore, ${chamber}`, whose).fill('22,2');
  await page.getByRole('button', { name: 'It fits: record it' }).click();
  await expect(page.getByText('Another size than was planned with').first()).toBeVisible();
  await page.getByRole('radio', { name: /Plan the rest anew/ }).click();
  await expect(page.getByText(/bore 22.2 mm, before 20.6 mm/).first()).toBeVisible();
  await next(page).click();
  await expect(page.getByText('Another size than was planned with')).toHaveCount(0);
  await expect
    .poll(async () => (await workshop.job(job.id)).layout.masters[0]!.chambers.map((c) => c.boreMm))
    .toEqual([22.2, 22.2]);

  // How the join went is asked when it is done.
  const { stages } = await workshop.planDecided(job.id);
  await workshop.say(
    job,
    stages.flatMap((s) =>
      s.kind === 'bench'
        ? benchRun(s.id, ['Primary chamber', 'Secondary chamber'])
        : s.kind === 'join lines'
          ? [{ kind: 'stage done', stageId: s.id }]
          : [],
    ),
  );
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Master joined: how did it go?' })).toBeVisible();
  await expect(next(page)).toBeDisabled();
  const says = (question: RegExp, word: string) =>
    page
      .getByRole('radiogroup', { name: question })
      .getByRole('radio', { name: word, exact: true })
      .click();
  await says(/lines stay full/, 'Yes');
  await says(/held down until the last line/, 'Yes');
  await says(/anything else opened/, 'No');
  await says(/modulator lose fluid/, 'Nobody knows');
  await next(page).click();
  await expect(page.getByText('It did not go as planned').first()).toBeVisible();
  await page.getByRole('radio', { name: /Plan the rest anew/ }).click();
  await expect(page.getByText(/New stages: Cycle the modulator/).first()).toBeVisible();
});

test('a wrench that is another than listed is put down at the bleeder, and laid out next time', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const vehicle = await workshop.addVehicle(
    'motorcycle-rear-disc',
    'middle',
    'Courier with a nine',
  );
  const job = await workshop.running(vehicle, 3);
  await page.goto(`/jobs/${job.id}`);
  await page.getByRole('button', { name: 'Something is wrong' }).click();
  await page.getByRole('button', { name: 'A size is not as listed' }).click();
  await page.getByRole('radio', { name: 'Bleeder rear' }).click();
  await page.getByRole('radio', { name: /Wrench size/ }).click();
  await page.getByRole('textbox', { name: 'As found' }).fill('90');
  await expect(page.getByText(/it should be between 5 and 32 mm/).first()).toBeVisible();
  await page.getByRole('textbox', { name: 'As found' }).fill('9');
  await next(page).click();
  await expect
    .poll(async () => (await workshop.job(job.id)).layout.bleeders[0]!.fitting.found?.wrenchMm)
    .toBe(9);
  await expect(page.getByText('Another size than was planned with')).toHaveCount(0);
});

test('a clutch is proved by what is measured: too much travel of the rod leads back to the bleed', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.atSlaveTest(
    await workshop.addVehicle('clutch-external', 'right', 'Hatchback with its slave back'),
  );
  await page.goto(`/jobs/${job.id}`);
  await expect(page.getByRole('heading', { name: /Prove the clutch/ })).toBeVisible();
  await expect(next(page)).toBeDisabled();
  await page.getByRole('textbox', { name: 'Travel of the master’s rod' }).fill('6');
  await page.getByRole('button', { name: 'It does not pass: record it' }).click();
  await page.getByRole('radio', { name: /Plan the rest anew/ }).click();
  await expect(page.getByText('Then, from here')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('textbox', { name: 'Travel of the master’s rod' }).fill('2,5');
  await page.getByRole('button', { name: 'Record it' }).click();
  await expect
    .poll(async () => (await workshop.job(job.id)).events.at(-1))
    .toMatchObject({ kind: 'slave tested', mm: 2.5 });
});
