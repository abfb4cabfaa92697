import { expect, test, type Page } from '@playwright/test';
import { planOf, Workshop } from '../support/workshop';

const next = (page: Page) => page.getByTestId('next-action');

test('a master on the bench ends by the three signs of every chamber, and the join is not asked again how it ended', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.afterWork(await workshop.vehicle('hatchback-diagonal', 'right'), {
    master: {
      masterId: 'master',
      linesStayedFull: true,
      linesAboveWheels: true,
      nothingElseOpened: true,
      modulatorLostNothing: true,
      heldDown: true,
      bench: 'not done',
      linesOver: [],
      notYet: true,
    },
  });
  const plan = planOf(job);
  const compared = plan.stages.find((s) => s.kind === 'right part')!;
  await workshop.prepared(job);
  await workshop.log(job.id, [
    { kind: 'stage skipped', stageId: compared.id, reason: 'The same part goes back.' },
    ...plan.preparation
      .filter((step) => step === 'empty reservoir' || step === 'clean reservoir')
      .map((step) => ({ kind: 'prepared', step })),
  ]);
  await page.goto(`/jobs/${job.id}`);
  await expect(page.getByText('Three signs in every chamber')).toBeVisible();
  for (const chamber of ['Primary chamber', 'Secondary chamber'])
    for (const sign of ['No bubbles for a minute', 'Level steady', 'Piston firm'])
      await page
        .getByRole('group', { name: chamber })
        .getByRole('checkbox', { name: sign })
        .click();
  await expect(next(page)).toHaveText('Every chamber clean: done');
  await page.getByRole('button', { name: 'secondary chamber: tube end left the fluid' }).click();
  await expect(page.getByText('Three signs in every chamber')).toBeVisible();
  await page
    .getByRole('group', { name: 'Secondary chamber' })
    .getByRole('checkbox', { name: 'No bubbles for a minute' })
    .click();
  await next(page).click();
  await expect(page.getByRole('heading', { name: /^Join/ })).toBeVisible();
  await next(page).click();
  await expect(page.getByRole('heading', { name: /joined: how did it go/ })).toBeVisible();
  await expect(page.getByText('How did the bench run end?')).toHaveCount(0);
});

test('a lever tied back is done by its bite before and after; the clock runs in between', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const vehicle = await workshop.vehicle('motorcycle-front-disc', 'middle');
  const planned = await workshop.planned(vehicle);
  const job = await workshop.accept(
    await workshop.choose(planned, { purpose: 'soft pedal' } as never),
  );
  await workshop.bleed(job);
  await page.goto(`/jobs/${job.id}`);
  await expect(page.getByRole('heading', { name: 'Tie the lever back' })).toBeVisible();
  await expect(next(page)).toContainText('Measure the bite first');
  await page.getByRole('textbox', { name: 'Bite before' }).fill('40');
  await next(page).click();
  await expect(page.getByText(/Bite before: 40 mm from the bar/)).toBeVisible();
  await expect(
    page.getByRole('list', { name: 'Clocks' }).getByText('Lever tied back'),
  ).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Tie the lever back' })).toBeVisible();
  await page.getByRole('textbox', { name: 'Bite after' }).fill('30');
  await next(page).click();
  await expect(page.getByText(/pedal|lever/i).first()).toBeVisible();
  await expect(page.getByRole('radio', { name: /Plan the rest anew/ })).toBeVisible();
});
