import { planOfJob } from '@brook/contract/apiDriver';
import { expect, test, type Page } from '@playwright/test';
import { ownClock } from '../support/ownClock';
import { hurry, nextMove, runToTheEnd } from '../support/stranger';
import { MASTER_NOT_YET, Workshop } from '../support/workshop';

const next = (page: Page) => page.getByTestId('next-action');

test('a master on the bench ends by the three signs of every chamber, and the join is not asked again how it ended', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.afterWork(await workshop.addVehicle('hatchback-diagonal', 'right'), {
    master: MASTER_NOT_YET,
  });
  const plan = planOfJob(job);
  const compared = plan.stages.find((s) => s.kind === 'right part')!;
  await workshop.prepared(job);
  await workshop.say(job, [
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
  const vehicle = await workshop.addVehicle('motorcycle-front-disc', 'middle');
  const planned = await workshop.planned(vehicle);
  const job = await workshop.accept(
    await workshop.chooseWork(planned, { purpose: 'soft pedal' } as never),
  );
  await workshop.runOn(job, { until: 'tie back' });
  await page.goto(`/jobs/${job.id}`);
  await expect(page.getByRole('heading', { name: 'Tie the brake lever back' })).toBeVisible();
  await expect(next(page)).toContainText('Measure the bite first');
  await page.getByRole('textbox', { name: 'Bite before' }).fill('40');
  await next(page).click();
  await expect(page.getByText(/Bite before: 40 mm from the bar/)).toBeVisible();
  await expect(
    page.getByRole('list', { name: 'Clocks' }).getByText('Lever tied back'),
  ).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Tie the brake lever back' })).toBeVisible();
  await page.getByRole('textbox', { name: 'Bite after' }).fill('30');
  await next(page).click();
  await expect(page.getByText('The pedal or lever is not right').first()).toBeVisible();
  await expect(page.getByRole('radio', { name: /Plan the rest anew/ })).toBeVisible();
});

test('a motorcycle clutch is filled from below from dry to the end: the syringe is readied at every filling, and the reservoir never runs over', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const planned = await workshop.planned(
    await workshop.addVehicle('motorcycle-clutch-bends', 'middle', 'Clutch from below'),
  );
  const dry = await workshop.chooseWork(planned, { purpose: 'new or dry' });
  const chosen = await workshop.choose(dry, {
    method: 'reverse',
    primeInPlace: true,
    means: { ...dry.planChoices.means, helper: false, syringe: true },
  });
  const job = await workshop.accept(chosen);
  await page.goto(`/jobs/${job.id}`);
  const ready = page.getByText('Ready the syringe');
  while (!(await ready.isVisible())) await nextMove(page);
  await expect(page.getByText(/push until no air is left in it/)).toBeVisible();
  // What was tapped all the while confirms nothing here.
  await expect(page.getByRole('button', { name: 'One mark further' })).toHaveCount(0);
  while (!/^No air in its tube/.test((await nextMove(page)) ?? ''));
  await page.getByRole('button', { name: 'One mark further' }).click();
  await page.getByRole('button', { name: 'Syringe empty' }).click();
  await expect(page.getByText('Shut, then refill the syringe')).toBeVisible();
  await expect(page.getByText(/Bleeder shut before the plunger comes back/)).toBeVisible();
  const moves = await runToTheEnd(page);
  expect(moves.filter((m) => /No air in its tube/.test(m)).length).toBeGreaterThan(0);
  const { events } = await workshop.job(job.id);
  expect(events.filter((e) => e.kind === 'syringe readied').length).toBeGreaterThan(1);
  expect(events.filter((e) => e.kind === 'halted')).toEqual([]);
});

test('a pickup whose modulator has a bleeder of its own is bled in two passes to the end, that one in the first alone', async ({
  page,
}) => {
  await hurry(page);
  const workshop = await Workshop.signIn(page);
  const planned = await workshop.planned(
    await workshop.addVehicle('pickup-rear-abs', 'right', 'Pickup in two passes'),
  );
  const chosen = await workshop.chooseWork(planned, {
    purpose: 'after work',
    parts: [{ partId: 'rear-hose', cappedAtOnce: true, keptFull: false, newPart: false }],
  });
  const job = await workshop.accept(chosen);
  const { openings } = planOfJob(job);
  const twice = openings.filter((s) => s.id.includes('#'));
  expect(twice.length).toBeGreaterThan(0);
  expect(openings.filter((s) => s.bleeder.id === 'modulator')).toHaveLength(1);
  await page.goto(`/jobs/${job.id}`);
  await runToTheEnd(page);
  const shut = (await workshop.job(job.id)).events.flatMap((e) =>
    e.kind === 'shut' ? [e.openingId] : [],
  );
  expect(shut).toEqual(openings.map((s) => s.id));
});

test('a master is swapped with bench work, joined and bled to the end', async ({ page }) => {
  await hurry(page);
  const workshop = await Workshop.signIn(page);
  const job = await workshop.afterWork(await workshop.addVehicle('hatchback-diagonal', 'right'), {
    master: MASTER_NOT_YET,
  });
  const compared = planOfJob(job).stages.find((s) => s.kind === 'right part')!;
  await workshop.say(job, [
    { kind: 'stage skipped', stageId: compared.id, reason: 'The same part goes back.' },
  ]);
  await page.goto(`/jobs/${job.id}`);
  const moves = await runToTheEnd(page);
  const at = (what: RegExp) => moves.findIndex((m) => what.test(m));
  expect(at(/chamber/i)).toBeGreaterThan(-1);
  expect(at(/Every chamber clean/)).toBeGreaterThan(at(/chamber/i));
  expect(at(/It is joined/)).toBeGreaterThan(at(/Every chamber clean/));
  expect((await workshop.job(job.id)).events.map((e) => e.kind)).toContain('bench ended');
});

test('a tool-driven cycle is done wheel by wheel, and the bleed after it to the end', async ({
  page,
}) => {
  await hurry(page);
  await ownClock(page);
  const workshop = await Workshop.signIn(page);
  const job = await workshop.atTool(await workshop.addVehicle('van-four-channel', 'right'));
  await page.goto(`/jobs/${job.id}`);
  // Between two wheels the pump cools for a minute.
  const cooling = setInterval(() => void page.clock.fastForward(61_000).catch(() => {}), 700);
  await runToTheEnd(page).finally(() => clearInterval(cooling));
  const { events } = await workshop.job(job.id);
  const cycled = events.map((e) => e.kind).lastIndexOf('tool step');
  expect(cycled).toBeGreaterThan(-1);
  expect(events.slice(cycled).some((e) => e.kind === 'shut')).toBe(true);
});
