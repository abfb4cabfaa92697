import { planOfJob } from '@brook/contract/apiDriver';
import { expect, test, type Page } from '@playwright/test';
import { randomUUID } from 'node:crypto';
import { Helper, pressOn } from '../support/helper';
import { countPresses } from '../support/presses';
import { measurePedal, proveAll } from '../support/proof';
import { hurry, nextMove, runToTheEnd } from '../support/stranger';
import { Workshop } from '../support/workshop';

/**
 * Take in a vehicle that nobody has seen, up to the first step of its run.
 *
 * @returns presses for a bottle that another test has opened on the same shelf: those are not of this vehicle
 */
async function takeIn(page: Page): Promise<number> {
  const next = async (name: string | RegExp) =>
    page.getByRole('button', { name }).and(page.getByTestId('next-action')).click();
  const choose = (name: string | RegExp, within?: RegExp) =>
    (within ? page.getByRole('radiogroup', { name: within }) : page)
      .getByRole('radio', { name, exact: typeof name === 'string' })
      .click();
  await next('Take a vehicle in');
  await page.getByRole('button', { name: 'Not in the list: add it' }).click();
  await expect(page.getByLabel('Name')).toBeFocused();
  await page.keyboard.type('Never seen before');
  await page.keyboard.press('Tab');
  await page.keyboard.type(randomUUID().slice(0, 8));
  await choose('Car or van');
  await choose('Hatchback, diagonal split, ABS');
  await choose('On the right');
  await next('Add it and take it in');
  await page.getByRole('checkbox', { name: 'Renew the fluid' }).click();
  await choose('A helper too');
  await next('Open the job');
  await page.getByRole('checkbox', { name: 'DOT 4', exact: true }).click();
  await next('Next: look at it');
  await choose('brown', /Colour in the reservoir/);
  await choose('clear', /How clear/);
  await choose('No', /feel or smell/);
  await next('Next: measure');
  await page.getByLabel('Water, reservoir').click();
  await page.keyboard.type('3.2');
  await expect(page.getByRole('heading', { name: 'Replace now' })).toBeVisible();
  await next('Next: what goes in');
  await choose('DOT 4', /Which fluid goes in/);
  await choose('clear', /Colour of the new fluid/);
  await next('Make the plan');
  await expect(page.getByRole('heading', { name: 'Take along' })).toBeVisible();
  const start = page.getByTestId('next-action');
  await expect(start).toContainText(/^Start/);
  const opened = page.getByRole('radiogroup', { name: 'Opened bottle checked?' });
  const checks = await opened.count();
  if (checks > 0) await opened.getByRole('radio', { name: 'Yes' }).click();
  await start.click();
  await expect(page.getByText(/gloves/i).first()).toBeVisible();
  return checks;
}

/** Measure the pedal, prove everything, drive and release, with nothing wrong. */
async function toRelease(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Measure it with a ruler' }).click();
  await measurePedal(page, ['180', '168', '146', '131', '136']);
  const next = page.getByTestId('next-action');
  await expect(page.getByText(/^Firm and high/)).toBeVisible();
  await next.click();
  await proveAll(page);
  await next.click();
  await page.getByRole('radio', { name: 'Good', exact: true }).click();
  await page.getByRole('button', { name: 'Release this vehicle' }).click();
  await expect(page.getByText(/^Released by/).first()).toBeVisible();
}

// Typing is free: a keyboard moves from field to field by itself.
test('a vehicle that nobody has seen goes from "take it in" to the first step of its run in 25 presses', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  await workshop.shelve();
  const presses = await countPresses(page);
  await page.goto('/');
  const checks = await takeIn(page);
  expect((await presses()) - checks).toBeLessThanOrEqual(25);
});

test('from start to the last fill a hatchback takes 70 presses where nobody has a second phone', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.accept(
    await workshop.planned(await workshop.addVehicle('hatchback-diagonal', 'right')),
  );
  const presses = await countPresses(page);
  await hurry(page);
  await page.goto(`/jobs/${job.id}`);
  await runToTheEnd(page);
  const { events } = await workshop.job(job.id);
  const made = events.reduce((sum, e) => sum + (e.kind === 'stroke' ? (e.made ?? 1) : 0), 0);
  expect(made).toBe(planOfJob(job).openings.reduce((sum, s) => sum + s.strokes.value, 0));
  expect(await presses()).toBeLessThanOrEqual(70);
});

test('with nothing wrong a hatchback goes from the last bleeder to its release in 20 presses, its pedal measured', async ({
  page,
}) => {
  await hurry(page);
  const workshop = await Workshop.signIn(page);
  const car = await workshop.addVehicle('hatchback-diagonal', 'right', 'Nothing wrong');
  const job = await workshop.bled(car);
  const presses = await countPresses(page);
  await page.goto(`/jobs/${job.id}`);
  await toRelease(page);
  // The record knows it as measured, though nobody said a word of it.
  await expect(page.getByText(/^Brake pedal: measured, firm and high/)).toBeVisible();
  const { events } = await workshop.job(job.id);
  expect(events.filter((e) => e.kind === 'pedal read')).toHaveLength(5);
  expect(events.filter((e) => e.kind === 'pedal judged')).toEqual([]);
  expect(await presses()).toBeLessThanOrEqual(20);
});

test('from sign-in to release a stranger takes 100 presses with a helper’s phone, the pedal measured', async ({
  page,
  browser,
}) => {
  await hurry(page);
  const workshop = await Workshop.signIn(page);
  await workshop.shelve();
  const presses = await countPresses(page);
  await page.goto('/');
  const checks = await takeIn(page);
  const toStart = await presses();
  expect(toStart - checks).toBeLessThanOrEqual(25);
  const helperPhone = page.getByRole('button', { name: 'Helper’s phone' });
  while (!(await helperPhone.isVisible())) await nextMove(page);
  await helperPhone.click();
  const helper = await Helper.joins(browser, page);
  await expect(page.getByText('Ana counts', { exact: true })).toBeVisible();
  let last: string | undefined;
  while (last !== 'Filled') {
    while (await helper.called()) await helper.strokeBlind();
    last = await pressOn(page);
  }
  const toTheProof = await presses();
  expect(toTheProof - toStart).toBeLessThanOrEqual(55);
  await toRelease(page);
  expect((await presses()) - toTheProof).toBeLessThanOrEqual(20);
  expect((await presses()) - checks).toBeLessThanOrEqual(100);
  await helper.page.context().close();
});
