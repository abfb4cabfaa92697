import { expect, test } from '@playwright/test';
import { randomUUID } from 'node:crypto';
import { countPresses } from '../support/presses';
import { proveAll } from '../support/proof';
import { hurry, runToTheEnd } from '../support/stranger';
import { planOf, Workshop } from '../support/workshop';

// Typing is free: a keyboard moves from field to field by itself.
test('a vehicle that nobody has seen goes from "take it in" to the first step of its run in 25 presses', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  await workshop.shelve();
  const presses = await countPresses(page);
  await page.goto('/');
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
  await page.getByTestId('next-action').click();
  await expect(page.getByText(/gloves/i).first()).toBeVisible();
  expect(await presses()).toBeLessThanOrEqual(25);
});

test('from start to the last fill a hatchback takes 70 presses where nobody has a second phone', async ({
  page,
}) => {
  test.setTimeout(150_000);
  const workshop = await Workshop.signIn(page);
  const job = await workshop.accept(
    await workshop.planned(await workshop.vehicle('hatchback-diagonal', 'right')),
  );
  const presses = await countPresses(page);
  await hurry(page);
  await page.goto(`/jobs/${job.id}`);
  await runToTheEnd(page);
  const { events } = await workshop.get(job.id);
  const made = events.reduce((sum, e) => sum + (e.kind === 'stroke' ? (e.made ?? 1) : 0), 0);
  expect(made).toBe(planOf(job).stops.reduce((sum, s) => sum + s.strokes.value, 0));
  expect(await presses()).toBeLessThanOrEqual(70);
});

test('with nothing wrong a hatchback goes from the last bleeder to its release in 20 presses, its pedal measured', async ({
  page,
}) => {
  await hurry(page);
  const workshop = await Workshop.signIn(page);
  const car = await workshop.vehicle('hatchback-diagonal', 'right', 'Nothing wrong');
  const job = await workshop.bled(car);
  const presses = await countPresses(page);
  await page.goto(`/jobs/${job.id}`);
  await page.getByRole('button', { name: 'Measure it with a ruler' }).click();
  for (const [title, mm] of [
    [/at rest/, '180'],
    [/first resistance/, '168'],
    [/light push/, '146'],
    [/firm push/, '131'],
    [/firm, pumped/, '136'],
  ] as const) {
    await expect(page.getByRole('heading', { level: 1, name: title })).toBeVisible();
    await expect(page.getByRole('textbox')).toBeFocused();
    await page.keyboard.type(mm);
    await page.keyboard.press('Enter');
  }
  const next = page.getByTestId('next-action');
  await expect(page.getByRole('heading', { level: 1, name: /does it sink/ })).toBeVisible();
  await next.click();
  await page.clock.fastForward(31_000);
  await next.click();
  await expect(page.getByText(/^Firm and high/)).toBeVisible();
  await next.click();
  await proveAll(page);
  await next.click();
  await page.getByRole('radio', { name: 'Good', exact: true }).click();
  await page.getByRole('button', { name: 'Release this vehicle' }).click();
  await expect(page.getByText(/^Released by/).first()).toBeVisible();
  // The record knows it as measured, though nobody said a word of it.
  await expect(page.getByText(/^Brake pedal: measured, firm and high/)).toBeVisible();
  const { events } = await workshop.get(job.id);
  expect(events.filter((e) => e.kind === 'pedal read')).toHaveLength(5);
  expect(events.filter((e) => e.kind === 'pedal judged')).toEqual([]);
  expect(await presses()).toBeLessThanOrEqual(20);
});
