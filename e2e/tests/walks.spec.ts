import { planOfJob } from '@brook/contract/apiDriver';
import { expect, test, type Page } from '@playwright/test';
import { measurePedal, showMissing, toProofPage, droveWell } from '../support/proof';
import { hurry } from '../support/stranger';
import { Workshop } from '../support/workshop';

/** Something is wrong at the bleeder in hand, said and decided on the phone. */
async function halt(page: Page, what: string, says: RegExp, decision: RegExp): Promise<void> {
  await page.getByRole('button', { name: 'Something is wrong' }).click();
  await page.getByRole('button', { name: what }).click();
  await expect(page.getByText(says).first()).toBeVisible();
  await page.getByRole('radio', { name: decision }).click();
  await page.getByRole('button', { name: 'Record it' }).click();
}

// Walk 4.
test('harbour pickup: a rear hose, the level unseen, alone with a vacuum pump: what may hold air, the modulator in the first round alone, strokes at the end', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const pickup = await workshop.addVehicle('pickup-rear-abs', 'right', 'Pickup from the harbour');
  const planned = await workshop.planned(pickup);
  const chosen = await workshop.chooseWork(planned, {
    purpose: 'after work',
    parts: [{ partId: 'rear-hose', cappedAtOnce: true, keptFull: false, newPart: true }],
  });
  const alone = await workshop.choose(chosen, {
    method: 'vacuum',
    means: { ...chosen.planChoices.means, helper: false, vacuumPump: true, syringe: true },
  });
  await page.goto(`/jobs/${alone.id}`);
  await expect(page.getByText(/The reservoir was not kept full/).first()).toBeVisible();
  // Round by round: the bleeder of the modulator is opened once, in the first.
  const { stages, openings } = planOfJob(alone);
  const bleed = stages.find((s) => s.kind === 'bleed')!;
  const order = bleed.kind === 'bleed' ? bleed.openingIds : [];
  expect(order.filter((id) => id.startsWith('modulator'))).toHaveLength(1);
  expect(order.indexOf('modulator')).toBeLessThan(order.length - 2);
  await expect(page.getByRole('button', { name: /^Method: Vacuum at the bleeder/ })).toBeVisible();
  expect(openings.some((s) => s.counted === 'strokes')).toBe(true);
  await expect(page.getByText(/Finish with strokes/).first()).toBeVisible();
});

// Walk 5.
test('one corner: that bleeder and no other; its air against this van’s own baseline; when the pedal says otherwise, the rest', async ({
  page,
}) => {
  await hurry(page);
  const workshop = await Workshop.signIn(page);
  const van = await workshop.addVehicle('van-four-channel', 'right', 'Post van, one corner');
  // The baseline: bled, measured and released.
  const first = await workshop.recordFluid(await workshop.bled(van));
  await workshop.prove(first, { only: (e) => e.kind !== 'pedal judged' });
  await page.goto(`/jobs/${first.id}`);
  await page.getByRole('button', { name: 'Measure it with a ruler' }).click();
  await measurePedal(page, ['180', '169', '165', '158', '161']);
  await expect(page.getByText(/^Firm and high: 22 mm used/)).toBeVisible();
  await page.getByTestId('next-action').click();
  await page.getByTestId('next-action').click();
  await droveWell(page);
  await page.getByRole('button', { name: 'Release this vehicle' }).click();
  await expect(page.getByText(/^Released by/)).toBeVisible();

  const chosen = await workshop.chooseWork(await workshop.planned(van), {
    purpose: 'after work',
    parts: [{ partId: 'left-front-caliper', cappedAtOnce: true, keptFull: true, newPart: false }],
  });
  const left = await workshop.choose(chosen, {
    leaveOldFluid: true,
    means: { ...chosen.planChoices.means, scanTool: true },
  });
  expect(planOfJob(left).openings.map((s) => s.bleeder.id)).toEqual(['left-front']);
  await page.goto(`/jobs/${left.id}`);
  await page.getByRole('button', { name: 'What is opened, and why' }).click();
  await expect(
    page.getByText(/May stay shut: nothing on its way was opened/).first(),
  ).toBeVisible();
  await workshop.runOn(await workshop.accept(left));
  await page.reload();
  await page.getByRole('button', { name: 'Measure it with a ruler' }).click();
  // Twenty millimetres lower under the light push already: that is air, not widening.
  await measurePedal(page, ['180', '168', '144', '136', '140']);
  await expect(page.getByText(/^Air left: about \d\.\d mL, give or take/)).toBeVisible();
  await expect(page.getByText(new RegExp(`^Against job ${first.number}, `))).toBeVisible();
  await expect(page.getByText('It passes, and there is air in it')).toBeVisible();
  // That corner was bled clean: the rest comes next.
  await expect(page.getByText(/^Next: (right front|left rear|right rear) again/)).toBeVisible();
  await page.getByTestId('next-action').click();
  await toProofPage(page, 'Brake pedal');
  await page.getByRole('radio', { name: 'springy' }).click();
  await page.getByRole('button', { name: /^Back to the bleed/ }).click();
  await page.getByRole('radio', { name: /Plan the rest anew/ }).click();
  await expect(page.getByText(/Now opened too: .*right front/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Record it' }).click();
  await expect(page.getByText('Do not drive').first()).toBeVisible();
});

// Walk 8.
test('the parade car: one bleeder does not move, another brings grease; what can be finished is, and what keeps it stands at its page', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const car = await workshop.addVehicle('veteran-single', 'right', 'Veteran on test');
  const job = await workshop.running(car, 1);
  const { openings } = planOfJob(job);
  await page.goto(`/jobs/${job.id}`);
  await halt(page, 'The bleeder is seized', /No force, no heat, no flame/, /Leave this one/);
  await expect(page.getByTestId('count-pad')).toBeVisible();
  await page.getByTestId('next-action').click();
  await halt(page, 'Something like grease came', /Bleeding cannot cure it/, /Leave this one/);
  await expect
    .poll(
      async () => (await workshop.job(job.id)).events.filter((e) => e.kind === 'decided').length,
    )
    .toBe(2);
  const decided = (await workshop.job(job.id)).events.flatMap((e) =>
    e.kind === 'decided' && e.plan ? [e.plan] : [],
  );
  const rest = decided.at(-1)!;
  expect(rest.openings.length).toBe(openings.length - 2);
  await workshop.runOn(job);
  await page.reload();
  await showMissing(page);
  await expect(page.getByText(/left unbled|left, not bled|left shut/i).first()).toBeVisible();
  await workshop.end(await workshop.job(job.id));
  await page.goto(`/vehicles/${car.id}`);
  await expect(page.getByTestId('open item seized')).toBeVisible();
  await expect(page.getByText('Do not drive').first()).toBeVisible();
});
