import { expect, test } from '@playwright/test';
import { nextMove } from '../support/stranger';
import { UNA } from '../support/workshop';

// The least that a browser's bars leave of a phone.
test.use({ viewport: { width: 360, height: 640 } });

// Walk 1, by somebody who follows only the visible prompts and the one next action.
test('a stranger gets from sign-in to a released car, and finds the record again', async ({
  page,
}) => {
  test.setTimeout(180_000);
  const car = 'Home-care hatchback 3';
  await page.goto('/');
  await page.getByLabel('Sign-in name').fill(UNA.login);
  await page.getByLabel('Password').fill(UNA.password);
  await nextMove(page);
  await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible();
  await nextMove(page);
  await expect(page.getByText('Tap the vehicle in front of you')).toBeVisible();
  await page.getByRole('button', { name: car }).click();

  const moves: string[] = [];
  while (!/^release/i.test(moves.at(-1) ?? '')) {
    const move = await nextMove(page);
    if (move === null) continue;
    moves.push(move);
    expect(moves.length, `so far: ${moves.slice(-12).join(' | ')}`).toBeLessThan(400);
  }
  const released = page.getByRole('heading', { name: `Released by ${UNA.name}` });
  await expect(released).toBeVisible();

  const strokes = moves.filter((m) => m === 'One stroke made').length;
  const besides = moves.filter((m) => m !== 'One stroke made' && !m.startsWith('Topped up')).length;
  expect(strokes).toBeGreaterThan(80);
  // Under four minutes besides the strokes, at five seconds for reading and tapping each.
  expect(besides * 5).toBeLessThan(240);
  await expect(page.getByText(`Bled by ${UNA.name}`)).toBeVisible();
  await expect(page.getByText('Do not drive')).toHaveCount(0);

  await page.getByRole('link', { name: car }).click();
  await page
    .getByRole('link', { name: /Released/ })
    .first()
    .click();
  await expect(released).toBeVisible();
});
