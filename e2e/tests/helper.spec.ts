import { planOfJob } from '@brook/contract/apiDriver';
import { expect, test, type Page } from '@playwright/test';
import { Helper, pressOn } from '../support/helper';
import { countPresses } from '../support/presses';
import { Workshop } from '../support/workshop';

const action = (page: Page) => page.getByTestId('next-action');

test('a hatchback is bled with a helper’s phone in 55 presses at most, the network gone for a minute in the middle, and not one stroke is doubled', async ({
  page,
  browser,
}) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.accept(
    await workshop.planned(await workshop.addVehicle('hatchback-diagonal', 'right')),
  );
  const planned = planOfJob(job).openings.map((s) => s.strokes.value);
  const presses = await countPresses(page);
  await page.goto(`/jobs/${job.id}`);
  await pressOn(page);
  await page.getByRole('button', { name: 'Helper’s phone' }).click();
  const helper = await Helper.joins(browser, page);
  await expect(page.getByText('Ana counts', { exact: true })).toBeVisible();

  let made = 0;
  let cut = false;
  let last: string | undefined;
  while (last !== 'Filled') {
    while (await helper.called()) {
      if (made < planned[0]! + 8) await helper.stroke();
      else await helper.strokeBlind();
      made++;
      if (made !== planned[0]! + 3 || cut) continue;
      cut = true;
      await goOnByVoice(page, helper);
      made += 2;
    }
    last = await pressOn(page);
  }
  await expect(page.getByText(/^All with the workshop/).first()).toBeVisible();
  const strokes = (await workshop.job(job.id)).events.filter((e) => e.kind === 'stroke');
  expect(strokes).toHaveLength(made);
  expect(made).toBe(planned.reduce((sum, n) => sum + n, 0));
  expect(new Set(strokes.map((e) => e.person))).toEqual(new Set(['Ana (helper)', 'Una Marrick']));
  expect(await presses()).toBeLessThanOrEqual(55);
  await expect(helper.word('Over')).toBeVisible();
  await helper.page.context().close();
});

/** Behind the steel doors: both phones lose the workshop in the middle of a stroke. */
async function goOnByVoice(page: Page, helper: Helper): Promise<void> {
  await helper.tap('At the end, held there');
  await expect(page.getByText('Shut', { exact: true })).toBeVisible();
  const both = [page.context(), helper.page.context()];
  for (const context of both) await context.setOffline(true);
  await expect(helper.word('Stop')).toBeVisible();
  await expect(helper.page.getByText(/out of step/)).toBeVisible();
  // Nothing can be tapped there: the stroke in hand stops.
  await expect(action(helper.page)).toHaveCount(0);
  await expect(page.getByText('Stop: out of step')).toBeVisible();
  await action(page).click();
  for (let i = 0; i < 2; i++) await page.getByRole('button', { name: 'One stroke made' }).click();
  await expect(page.getByText(/3 taps kept on this phone/)).toBeVisible();
  await helper.page.clock.fastForward(60_000);
  for (const context of both) await context.setOffline(false);
  await expect(page.getByText(/taps? kept on this phone/)).toHaveCount(0);
  await helper.tap('Count on this phone again');
  await expect(page.getByText('Ana counts', { exact: true })).toBeVisible();
}

test('a stroke that was counted while this phone heard nothing is asked about, and the same one is dropped', async ({
  page,
  browser,
}) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.running(await workshop.addVehicle('hatchback-diagonal', 'right'));
  const planned = planOfJob(job).openings[0]!.strokes.value;
  await page.goto(`/jobs/${job.id}`);
  await page.getByRole('button', { name: 'Helper’s phone' }).click();
  const helper = await Helper.joins(browser, page);
  await helper.stroke();
  await expect(page.getByText(String(planned - 1), { exact: true })).toBeVisible();
  await page.context().setOffline(true);
  // The helper still has reception: this stroke is counted, and only the other phone does not know.
  await helper.stroke();
  await page.getByRole('button', { name: 'Go on by voice' }).click();
  await page.getByRole('button', { name: 'One stroke made' }).click();
  await expect(page.getByText(String(planned - 2), { exact: true })).toBeVisible();
  await page.context().setOffline(false);
  const asked = page.getByText(/Ana \(helper\) had counted 1 stroke that this phone had not seen/);
  await expect(asked).toBeVisible();
  await page.getByRole('button', { name: 'Yes, the same' }).click();
  await expect(asked).toBeHidden();
  await expect(page.getByText(String(planned - 2), { exact: true })).toBeVisible();
  await helper.page.context().close();
});

test('the helper’s own slips: let go too soon, and a tap that was none', async ({
  page,
  browser,
}) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.running(await workshop.addVehicle('hatchback-diagonal', 'right'));
  const planned = planOfJob(job).openings[0]!.strokes.value;
  await page.goto(`/jobs/${job.id}`);
  await page.getByRole('button', { name: 'Helper’s phone' }).click();
  const helper = await Helper.joins(browser, page);
  await helper.stroke();
  await helper.page.getByRole('button', { name: 'Take the last one back' }).click();
  await expect(page.getByText(String(planned), { exact: true })).toBeVisible();
  await helper.page.getByRole('button', { name: 'I let go too soon' }).click();
  await expect(helper.word('Stop')).toBeVisible();
  await expect(page.getByText('Shut', { exact: true })).toBeVisible();
  await helper.tap('“Shut” was called');
  await helper.stroke();
  await expect(page.getByText(String(planned - 1), { exact: true })).toBeVisible();
  await expect
    .poll(
      async () =>
        (await workshop.job(job.id)).events.filter((e) => e.kind === 'round broken').length,
    )
    .toBe(1);
  await helper.page.context().close();
});
