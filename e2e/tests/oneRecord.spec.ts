import { expect, test } from '@playwright/test';
import { planOf, Workshop } from '../support/workshop';

test('bled half without reception on one phone and looked at on another, it ends with one record', async ({
  page: first,
  browser,
}) => {
  const workshop = await Workshop.signIn(first);
  const job = await workshop.running(await workshop.vehicle('hatchback-diagonal', 'right'), 2);
  const planned = planOf(job).stops[0]!.strokes.value;
  const context = await browser.newContext();
  const second = await context.newPage();
  await Workshop.signIn(second);
  await first.goto(`/jobs/${job.id}`);
  await second.goto(`/jobs/${job.id}`);
  // The second one only looks on: its number stands without the pad that counts.
  const left = (of: typeof first, n: number) => of.getByText(String(n), { exact: true }).first();
  await expect(left(second, planned - 2)).toBeVisible();

  // Behind the steel doors: the rest of the first bleeder, a reading among it.
  await first.context().setOffline(true);
  for (let n = 3; n <= 6; n++) {
    await first.getByTestId('next-action').click();
    await expect(left(first, planned - n)).toBeVisible();
  }
  await first.getByRole('radio', { name: 'fine' }).click();
  await expect(first.getByText(/^5 taps kept on this phone/)).toBeVisible();
  // The other one sees what had arrived, and says that more may be out there.
  await expect(left(second, planned - 2)).toBeVisible();
  await expect(second.getByText(/Una Marrick’s phone may hold more, last heard of/)).toBeVisible({
    timeout: 45_000,
  });

  await first.context().setOffline(false);
  await expect(left(second, planned - 6)).toBeVisible();
  await expect(second.getByText('All with the workshop', { exact: true })).toBeVisible();
  const { events } = await workshop.get(job.id);
  const strokes = events.filter((e) => e.kind === 'stroke');
  expect([strokes.length, new Set(strokes.map((e) => e.id)).size]).toEqual([6, 6]);
  expect(events.filter((e) => e.kind === 'bubbles')).toHaveLength(1);

  // To the end on the first; the second stands before the same proof, by the same log.
  await workshop.bleedBy(job, planOf(job));
  for (const phone of [first, second])
    await expect(phone.getByRole('heading', { name: 'Brake pedal' })).toBeVisible();
  await context.close();
});
