import { runOnFrom } from '@brook/contract/apiDriver';
import { expect, test } from '@playwright/test';
import { randomUUID } from 'node:crypto';
import { Workshop } from '../support/workshop';

// Causes a and i of a vehicle that was free and must not have been, as they are met on the screen.
test('another product that was poured: an undo asks whether it went in, and what is in holds the vehicle', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  await workshop.shelve({ grade: 'DOT 5', batch: 'S-77', count: 1 });
  const car = await workshop.addVehicle('hatchback-diagonal', 'right', 'Wrong bottle in the hand');
  const job = await workshop.accept(await workshop.readFluid(await workshop.openJob(car)));
  // Up to the first fill, at which the container in hand is named.
  const all = runOnFrom(job, {
    deviceId: randomUUID(),
    nextId: randomUUID,
    startMs: 0,
  });
  const fill = all.findIndex(
    (e) => e.kind === 'topped up' || (e.kind === 'prepared' && e.step === 'fill reservoir'),
  );
  await workshop.say(
    job,
    all.slice(0, fill).map(({ deviceId: _, deviceSeq: __, atMs: ___, ...said }) => said),
  );
  await page.goto(`/jobs/${job.id}`);
  await page.getByRole('button', { name: 'Another one' }).click();
  await page.getByRole('radio', { name: /S-77/ }).click();
  await page.getByRole('button', { name: 'It was poured' }).click();
  await expect(page.getByText('Another product came')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText(/What went in stays in: did it\?/)).toBeVisible();
  await page.getByRole('button', { name: 'It went in', exact: true }).click();
  await page.goto(`/vehicles/${car.id}`);
  await expect(page.getByText(/Wrong fluid inside/).first()).toBeVisible();
  await expect(page.getByRole('button', { name: /^All rubber was renewed/ })).toBeVisible();
});

test('a mark by hand is taken back by who says what they looked at', async ({ page }) => {
  const workshop = await Workshop.signIn(page);
  const car = await workshop.addVehicle('motorcycle-rear-disc', 'middle', 'Marked and looked at');
  await workshop.sayOf(car, { kind: 'marked', reason: 'Rolled into the wall' });
  await page.goto(`/vehicles/${car.id}`);
  await page.getByRole('button', { name: /^Looked at: marked by hand/ }).click();
  await page
    .getByRole('textbox', { name: /^What did you look at/ })
    .fill('Fork and lines straight, lever firm');
  await page.getByRole('button', { name: 'I looked at it' }).click();
  await expect.poll(async () => (await workshop.vehicle(car.id)).drive.state).toBe('free');
});

test('what must be renewed after it is pressed part by part, and the glass behind the flush is looked at until it is clean', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const [oil] = await workshop.shelve({ grade: 'mineral oil', count: 1 });
  await workshop.shelve();
  const bike = await workshop.addVehicle('motorcycle-rear-disc', 'middle', 'Oil in the bowl');
  const first = await workshop.runOn(
    await workshop.accept(await workshop.readFluid(await workshop.openJob(bike))),
  );
  const [bowl] = bike.layout.reservoirs;
  await workshop.say(first, [{ kind: 'topped up', reservoirId: bowl!.id, containerId: oil!.id }]);
  await workshop.change(first, 'post', 'end', { reason: 'Mineral oil was poured in' });
  const next = await workshop.accept(await workshop.readFluid(await workshop.openJob(bike)));
  await workshop.runOn(next, { until: 'strip' });
  await page.goto(`/jobs/${next.id}`);
  await expect(page.getByText('One old cup is enough.', { exact: false })).toBeVisible();
  // The one that a vehicle may lack is pressed so; all others one after the other, by the next action.
  await page.getByRole('radio', { name: 'It has none' }).click();
  const left = page.getByText(/^\d+ of \d+ parts with rubber\.$/);
  const [, , count] = /^(\d+) of (\d+)/.exec(await left.innerText())!;
  for (let pressed = 1; pressed < Number(count); pressed++)
    await page.getByRole('button', { name: 'Renewed', exact: true }).click();
  await expect(page.getByText('One old cup is enough.', { exact: false })).toBeHidden();
  await workshop.runOn(next, { until: 'water test' });
  await page.reload();
  await page.getByRole('radio', { name: /Drops or a film/ }).click();
  await page.getByRole('button', { name: 'It is still in it: record it' }).click();
  await expect(page.getByRole('button', { name: 'Record it' })).toBeVisible();
  await page.getByRole('radio', { name: /Mixes to one/ }).click();
  await page.getByRole('button', { name: 'Record it' }).click();
  await expect(page.getByText('Water test behind the flush')).toBeHidden();
  await workshop.runOn(next);
  expect((await workshop.job(next.id)).stage).toBe('proof');
});
