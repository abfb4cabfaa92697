import { planOfJob } from '@brook/contract/apiDriver';
import { expect, test } from '@playwright/test';
import { toProofPage } from '../support/proof';
import { Workshop } from '../support/workshop';

test('a torque above the manual’s is warned of in both units; it and a worn part are owed at the next visit, and hold nothing', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const car = await workshop.addVehicle('hatchback-diagonal', 'right', 'Looked at again');
  const job = await workshop.bled(car);
  await page.goto(`/jobs/${job.id}`);
  await page.getByRole('button', { name: 'Torque, or look again later' }).click();
  const field = (name: string) => page.getByRole('textbox', { name, exact: true });
  await page.getByRole('radio', { name: 'Left rear', exact: true }).click();
  await page.getByRole('radio', { name: 'lbf·ft' }).click();
  // The slip that is dangerous: newton metres typed as pound-feet.
  await field('The manual’s value').fill('80');
  await expect(page.getByText(/Torque of a bleeder should be 2 to 25 N·m/)).toBeVisible();
  await field('The manual’s value').fill('8');
  await expect(page.getByText('10.8 N·m = 8.0 lbf·ft = 96 lbf·in')).toBeVisible();
  await field('Applied').fill('9');
  await expect(page.getByText(/^Above the manual’s 10.8 N·m = 8.0 lbf·ft/)).toBeVisible();
  await page.getByRole('button', { name: 'That was applied' }).click();
  await expect(page.getByText(/above it.*looked at again$/)).toBeVisible();
  await page.getByRole('radio', { name: 'A part used again' }).click();
  await page.getByRole('radio', { name: 'Used, past not known' }).click();
  await expect(page.getByText('Bench test it first')).toBeVisible();
  await page.getByRole('radio', { name: 'Elsewhere on the vehicle' }).click();
  await field('What it is, where it comes from, what was seen').fill('master off the parts car');
  await field('Look by').fill('May');
  await expect(page.getByText('Give the day as 2027-05-01.')).toBeVisible();
  await field('Look by').fill('2027-05-01');
  await page.getByRole('button', { name: 'It is looked at again' }).click();
  await expect(page.getByText(/Used, past not known: master off the parts car/)).toBeVisible();
  await expect
    .poll(async () => (await workshop.job(job.id)).leaves.map((m) => m.kind))
    .toEqual(expect.arrayContaining(['tightness', 'look again']));
  // Owed, not holding: what keeps this car is its proof alone.
  await page.goto(`/vehicles/${car.id}`);
  await expect(page.getByText(/look by 2027-05-01/).first()).toBeVisible();
  await expect(page.getByText(/Left rear: look at its tightness/).first()).toBeVisible();
});

test('a torque is written down where the bleeder is shut, stands on the record, and its manual’s value is known to the next job', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const car = await workshop.addVehicle('hatchback-diagonal', 'right', 'Torqued car');
  const job = await workshop.running(car);
  const [opening] = planOfJob(job).openings;
  await workshop.say(job, [
    ...Array.from({ length: opening!.strokes.value }, () => ({
      kind: 'stroke',
      openingId: opening!.id,
    })),
    { kind: 'bubbles', openingId: opening!.id, reading: 'none' },
    { kind: 'colour', openingId: opening!.id, colour: 'clear' },
  ]);
  await page.goto(`/jobs/${job.id}`);
  const torque = page.getByRole('button', { name: /^Torque, / });
  await expect(torque).toContainText('the manual’s value is not known here');
  await torque.click();
  const field = (name: string) => page.getByRole('textbox', { name, exact: true });
  await field('The manual’s value').fill('9');
  await field('Applied').fill('9');
  await page.getByRole('button', { name: 'That was applied' }).click();
  await expect(torque).toContainText('tightened to 9.0 N·m = 6.6 lbf·ft');
  await page.getByTestId('next-action').click();
  await expect
    .poll(async () => (await workshop.job(job.id)).events.map((e) => e.kind))
    .toContain('shut');
  await workshop.end(await workshop.job(job.id));
  await page.goto(`/jobs/${job.id}`);
  await expect(page.getByText(/shut to 9.0 N·m = 6.6 lbf·ft/)).toBeVisible();

  const later = await workshop.running(car);
  expect((await workshop.job(later.id)).manualTorques).toMatchObject([
    { elementId: opening!.bleeder.id, manualNm: 9 },
  ]);
});

test('what was shut by feel stands in small where its vehicle is taken in, beside the look at the joints of the next job, and is settled by its release', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const car = await workshop.addVehicle('hatchback-diagonal', 'right', 'Shut by feel');
  const first = await workshop.released(car);
  const byFeel = async () =>
    (await workshop.vehicle(car.id)).openItems.flatMap((m) =>
      m.kind === 'by feel' ? [m.where] : [],
    );
  expect((await byFeel()).sort()).toEqual(car.layout.bleeders.map((b) => b.id).sort());
  await page.goto(`/new?vehicle=${car.id}`);
  await expect(page.getByText('Why is it here?')).toBeVisible();
  await expect(page.getByText(/: no torque written\. Bleeder shut by feel\./)).toBeVisible();
  await expect(page.getByText('It still owes')).toHaveCount(0);
  await page.goto('/overview');
  await page.getByRole('button', { name: 'Tightened by feel' }).click();
  await expect(
    page
      .getByRole('list', { name: 'Tightened by feel' })
      .getByRole('link', { name: new RegExp(car.tag) }),
  ).toContainText(`job ${first.number}`);

  const chosen = await workshop.chooseWork(await workshop.planned(car), {
    purpose: 'after work',
    parts: [{ partId: 'left-rear-caliper', cappedAtOnce: true, keptFull: true, newPart: false }],
  });
  const plan = await workshop.choose(chosen, { leaveOldFluid: true });
  expect(planOfJob(plan).openings.map((s) => s.bleeder.id)).toEqual(['left-rear']);
  let job = await workshop.recordFluid(await workshop.runOn(await workshop.accept(plan)));
  await page.goto(`/jobs/${job.id}`);
  await toProofPage(page, 'Joints dry');
  await expect(
    page.getByText(
      `Look here too. Left front, right front and right rear: no torque written, job ${first.number}.`,
    ),
  ).toBeVisible();
  await workshop.prove(job);
  job = await workshop.driveAndRelease(await workshop.job(job.id));
  // Shut once more by feel, that one is looked at again; the others were seen dry.
  expect((await byFeel()).sort()).toEqual(['left-rear', 'left-rear-caliper']);
  const card = await (await page.request.get(`/api/v1/jobs/${job.id}/card`)).json();
  expect(card.cleared).toContain('Left front, right front and right rear: no torque written');
});
