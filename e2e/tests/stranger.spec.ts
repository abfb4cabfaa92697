import { expect, test } from '@playwright/test';
import { hurry, nextMove } from '../support/stranger';
import { UNA } from '../support/workshop';

// The least that a browser's bars leave of a phone.
test.use({ viewport: { width: 360, height: 640 } });

// Walk 1, by somebody who follows only the visible prompts and the one next action.
test('a stranger gets from sign-in to a released car, and finds the record again', async ({
  page,
}) => {
  await hurry(page);
  const car = 'Home-care hatchback 3';
  await page.goto('/');
  await page.getByLabel('Sign-in name').fill(UNA.login);
  await page.getByLabel('Password').fill(UNA.password);
  await nextMove(page);
  await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible();
  await nextMove(page);
  await expect(page.getByText('Tap the one in front of you.')).toBeVisible();
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

  const strokes = moves.reduce(
    (sum, m) => sum + (m === 'One stroke made' ? 1 : Number(/^Hold: (\d+)/.exec(m)?.[1] ?? 0)),
    0,
  );
  // A second tap on what was just tapped, before the page went on, is no move of its own; a step or a container is.
  const besides = moves.filter(
    (m, i) =>
      m !== 'One stroke made' &&
      !m.startsWith('Hold: ') &&
      !m.startsWith('Topped up') &&
      (m !== moves[i - 1] || /^(Done|fluid used)/i.test(m)),
  );
  // Five seconds for reading and tapping each; a page that is only turned, or a further row of one list, is a tap.
  const seconds = besides.map((m) =>
    /^(Next:|On to the proof|Go on:|Fluid used)/.test(m) ? 2 : 5,
  );
  expect(strokes).toBeGreaterThan(80);
  expect(
    seconds.reduce((sum, each) => sum + each, 0),
    besides.join(' | '),
  ).toBeLessThan(240);
  await expect(page.getByText(`Bled by ${UNA.name}`)).toBeVisible();
  await expect(page.getByText('Do not drive')).toHaveCount(0);

  await page.getByRole('link', { name: car }).click();
  await page
    .getByRole('link', { name: /Released/ })
    .first()
    .click();
  await expect(released).toBeVisible();
});
