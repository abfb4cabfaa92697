import { planOfJob } from '@brook/contract/apiDriver';
import type { Job, Vehicle } from '@brook/contract';
import { expect, test, type Page } from '@playwright/test';
import { showMissing, droveWell } from '../support/proof';
import { Workshop } from '../support/workshop';

/** Something is wrong, said and decided on the phone. */
async function halt(page: Page, what: string, decision: RegExp): Promise<void> {
  await page.getByRole('button', { name: 'Something is wrong' }).click();
  await page.getByRole('button', { name: what }).click();
  await page.getByRole('radio', { name: decision }).click();
  await page.getByRole('button', { name: 'Record it' }).click();
}

/** Take a vehicle in from its page: what it owes stands before anything else. */
async function takeIn(page: Page, vehicle: Vehicle): Promise<void> {
  await page.goto(`/vehicles/${vehicle.id}`);
  await expect(page.getByRole('heading', { name: 'It still owes' })).toBeVisible();
  await page.getByRole('button', { name: 'Take it in' }).click();
  await expect(page.getByRole('heading', { name: 'It still owes' })).toBeVisible();
  await expect(page.getByText('And today?')).toBeVisible();
}

/** From the job as it was taken in to its proof, by the plan. */
async function toTheProof(page: Page, workshop: Workshop): Promise<Job> {
  const job = await workshop.accept(await workshop.readFluid(await workshop.shown(page)));
  return workshop.recordFluid(await workshop.runOn(job));
}

test('a bleeder snapped and the job ended: a clutch-only job opens it, and asks for the brake pedal', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const van = await workshop.addVehicle('clutch-concentric', 'right', 'Snapped van');
  const first = await workshop.running(van, 2);
  const place = planOfJob(first).openings[0]!.bleeder.place;
  await page.goto(`/jobs/${first.id}`);
  await halt(page, 'The bleeder snapped', /End the job/);
  await expect(page.getByRole('heading', { name: 'Left open by this job' })).toBeVisible();
  await takeIn(page, van);
  await expect(page.getByTestId('open item snapped')).toContainText(`job ${first.number}`);
  await page.getByRole('checkbox', { name: 'Brake pedal' }).click();
  await page.getByRole('checkbox', { name: 'Renew the fluid' }).click();
  await page.getByRole('radio', { name: 'A helper too' }).click();
  await page.getByRole('button', { name: 'Take it in with these' }).click();
  const job = await toTheProof(page, workshop);
  expect(job.planChoices.work.masterIds).toEqual(['clutch-master']);
  expect(planOfJob(job).openings.map((s) => s.bleeder.place)).toContain(place);
  await page.goto(`/jobs/${job.id}`);
  await expect(page.getByRole('heading', { name: 'Brake pedal', exact: true })).toBeVisible();
  // Everything but the brakes is right: the gate stays shut.
  await workshop.prove(job, { only: (e) => !('masterId' in e) || e.masterId !== 'master' });
  await page.reload();
  await expect(page.getByTestId('next-action')).toBeDisabled();
  await showMissing(page);
  await expect(page.getByText('· Brake pedal: not judged yet.').first()).toBeVisible();
  await workshop.prove(job);
  await page.reload();
  await page.getByRole('button', { name: 'Set “test drive only”' }).click();
  await droveWell(page);
  await page.getByRole('button', { name: 'Release this vehicle' }).click();
  await expect(page.getByText(/^Released by/)).toBeVisible();
  await page.goto(`/vehicles/${van.id}`);
  await expect(page.getByRole('heading', { name: 'Snapped van' })).toBeVisible();
  await expect(page.getByText('Do not drive', { exact: true })).toHaveCount(0);
  await expect(page.getByRole('heading', { name: 'It still owes' })).toHaveCount(0);
});

test('“leave this one” at a seized wheel, ended: the next job for another wheel opens it', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const car = await workshop.addVehicle('hatchback-diagonal', 'right', 'Seized car');
  const first = await workshop.running(car, 2);
  const place = planOfJob(first).openings[0]!.bleeder.place;
  await page.goto(`/jobs/${first.id}`);
  await halt(page, 'The bleeder is seized', /Leave this one/);
  await expect(page.getByRole('heading', { name: /front|rear/ }).first()).toBeVisible();
  await expect
    .poll(async () => (await workshop.job(first.id)).events.map((e) => e.kind))
    .toContain('decided');
  await workshop.end(await workshop.job(first.id));
  await takeIn(page, car);
  await expect(page.getByTestId('open item seized')).toContainText('Clears by bleeding');
  await page.getByRole('checkbox', { name: 'A part was changed' }).click();
  await page.getByRole('radio', { name: 'A helper too' }).click();
  await page.getByRole('button', { name: 'Take it in with these' }).click();
  const job = await workshop.shown(page);
  const chosen = await workshop.chooseWork(job, {
    purpose: 'after work',
    parts: [{ partId: 'right-front-caliper', cappedAtOnce: true, keptFull: true, newPart: false }],
  });
  const read = await workshop.readFluid(chosen);
  expect(planOfJob(read).openings.map((s) => s.bleeder.place)).toContain(place);
  await page.goto(`/jobs/${job.id}`);
  await expect(page.getByTestId('open item seized')).toBeVisible();
  await expect(page.getByText('Do not drive').first()).toBeVisible();
});

test('a motorcycle with lever and pedal: each is judged by itself before it is driven', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const bike = await workshop.addVehicle('motorcycle-abs', 'middle', 'Two controls');
  const job = await workshop.recordFluid(await workshop.bled(bike));
  const [lever, pedal] = bike.masters;
  await workshop.prove(job, { only: (e) => !('masterId' in e) || e.masterId === lever!.id });
  await page.goto(`/jobs/${job.id}`);
  const second = page.getByTestId(`proof ${pedal!.id}`);
  await showMissing(page);
  await expect(page.getByText(/^· Brake pedal: not judged yet/)).toBeVisible();
  await expect(page.getByTestId('next-action')).toBeDisabled();
  await expect(second.getByText(/servo/i)).toHaveCount(0);
  await second.getByRole('radio', { name: 'firm and high' }).click();
  await second.getByRole('radio', { name: 'Yes' }).click();
  await page.getByRole('button', { name: 'Set “test drive only”' }).click();
  await expect(page.getByText('Test drive only').first()).toBeVisible();
});

// Walk 13.
test('left half done: the minibus ran dry, a colleague takes it in for one caliper', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const bus = await workshop.addVehicle('hatchback-diagonal', 'right', 'Half-done minibus');
  const first = await workshop.running(bus, 2);
  await page.goto(`/jobs/${first.id}`);
  await halt(page, 'The reservoir ran dry', /End the job/);
  await expect(page.getByRole('heading', { name: 'Left open by this job' })).toBeVisible();
  await takeIn(page, bus);
  await expect(page.getByTestId('open item air possible').first()).toContainText('Una Marrick');
  await page.getByRole('checkbox', { name: 'A part was changed' }).click();
  await page.getByRole('radio', { name: 'A helper too' }).click();
  await page.getByRole('button', { name: 'Take it in with these' }).click();
  const taken = await workshop.shown(page);
  await workshop.chooseWork(taken, {
    purpose: 'after work',
    parts: [{ partId: 'left-rear-caliper', cappedAtOnce: true, keptFull: true, newPart: false }],
  });
  const job = await toTheProof(page, workshop);
  expect(new Set(planOfJob(job).openings.map((s) => s.bleeder.id)).size).toBe(4);
  await page.goto('/');
  const listed = page.getByRole('link', { name: /Half-done minibus.*do not drive/ });
  await expect(listed.first()).toBeVisible();
  await workshop.prove(job);
  await page.goto(`/jobs/${job.id}`);
  await page.getByRole('button', { name: 'Set “test drive only”' }).click();
  await droveWell(page);
  await page.getByRole('button', { name: 'Release this vehicle' }).click();
  await expect(page.getByText(/^Released by/)).toBeVisible();
  expect((await workshop.job(job.id)).vehicleDrive).toBe('free');
});

// Walk 14.
test('one reservoir, two pedals: the level fell, both are proved; the clutch alone fails and alone is planned anew', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const van = await workshop.addVehicle('sports-coupe', 'right', 'One reservoir, two pedals');
  const accepted = await workshop.afterWork(van, {
    masterIds: ['clutch-master'],
    parts: [{ partId: 'slave', cappedAtOnce: true, keptFull: false, newPart: false }],
    lowest: [{ reservoirId: 'reservoir', belowMaxMm: 55 }],
  });
  // Why the brakes are in it too: the level fell to their outlet.
  expect(planOfJob(accepted).scope.drewAir).toContain('master');
  await workshop.recordFluid(await workshop.runOn(accepted));
  await workshop.prove(accepted, { only: (e) => 'masterId' in e && e.masterId === 'master' });
  await page.goto(`/jobs/${accepted.id}`);
  const clutch = page.getByTestId('proof clutch-master');
  await clutch.getByRole('radio', { name: 'near the floor' }).click();
  await page.getByRole('button', { name: 'Back to the bleed: clutch pedal' }).click();
  await page.getByRole('radio', { name: 'Plan the rest anew' }).click();
  await page.getByRole('button', { name: 'Record it' }).click();
  await expect
    .poll(async () => {
      const decided = (await workshop.job(accepted.id)).events.find((e) => e.kind === 'decided');
      return decided?.kind === 'decided' ? decided.plan?.openings.map((s) => s.bleeder.id) : null;
    })
    .toEqual(['slave-bleeder']);
});
