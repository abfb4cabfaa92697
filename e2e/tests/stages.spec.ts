import { expect, test, type Page } from '@playwright/test';
import { nextMove } from '../support/stranger';
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

/** What a ruler says where everything is right: a blocked slave hardly lets the rod move, one that is free travels. */
const MEASURED: readonly (readonly [asked: RegExp, mm: string])[] = [
  [/Travel of the master’s rod/, '2'],
  [/Travel of the slave|Takes up at/, '60'],
  [/^Bite (before|after)$/, '40'],
];

/** Do what is called for, as somebody at the vehicle who sees what is good, until the run is through. */
async function toTheEnd(page: Page): Promise<string[]> {
  const moves: string[] = [];
  const through = page.getByText('On to the proof', { exact: true });
  const proof = page.getByRole('heading', { name: /^(Brake|Clutch) (pedal|lever)$/ });
  while (!(await through.or(proof).first().isVisible())) {
    for (const [asked, mm] of MEASURED) {
      const typed = page.getByRole('textbox', { name: asked });
      if (await typed.isVisible()) await typed.fill(mm, { timeout: 1_000 }).catch(() => undefined);
    }
    const move = await nextMove(page);
    if (move !== null) moves.push(move);
    expect(moves.length, moves.slice(-8).join(' | ')).toBeLessThan(150);
  }
  return moves;
}

test('a motorcycle clutch is filled from below from dry to the end: the syringe is readied at every filling, and the bowl never runs over', async ({
  page,
}) => {
  test.setTimeout(120_000);
  const workshop = await Workshop.signIn(page);
  const planned = await workshop.planned(
    await workshop.vehicle('motorcycle-clutch-bends', 'middle', 'Clutch from below'),
  );
  const dry = await workshop.choose(planned, { purpose: 'new or dry' });
  const chosen = await workshop.chooseAll(dry, {
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
  const moves = await toTheEnd(page);
  expect(moves.filter((m) => /No air in its tube/.test(m)).length).toBeGreaterThan(0);
  const { events } = await workshop.get(job.id);
  expect(events.filter((e) => e.kind === 'syringe readied').length).toBeGreaterThan(1);
  expect(events.filter((e) => e.kind === 'halted')).toEqual([]);
});
