import { expect, test, type Page } from '@playwright/test';
import { randomUUID } from 'node:crypto';
import { answer, LOOKED } from '../support/fluid';
import { byKeyboard, nextMove } from '../support/stranger';
import { Workshop } from '../support/workshop';

const next = (page: Page) => page.getByTestId('next-action');

// Walk 1 with no hand on mouse or screen.
test('from the list to a released car by keyboard alone', async ({ page }) => {
  const workshop = await Workshop.signIn(page);
  await workshop.shelve();
  const vehicle = await workshop.addVehicle('hatchback-diagonal', 'right', 'By keyboard');
  await page.goto(`/new?vehicle=${vehicle.id}`);
  const moves: string[] = [];
  while (!/^release/i.test(moves.at(-1) ?? '')) {
    const move = await nextMove(page, byKeyboard);
    if (move === null) continue;
    moves.push(move);
    expect(moves.length, `so far: ${moves.slice(-12).join(' | ')}`).toBeLessThan(400);
  }
  await expect(page.getByRole('heading', { name: /^Released by/ })).toBeVisible();
});

test('an action that waits can be reached, says for what, and leads there', async ({ page }) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.openJob(await workshop.addVehicle('hatchback-diagonal', 'right'));
  await page.goto(`/jobs/${job.id}`);
  await expect(next(page)).toBeDisabled();
  for (let i = 0; i < 60 && !(await next(page).evaluate((e) => e === document.activeElement)); i++)
    await page.keyboard.press('Tab');
  await expect(next(page)).toBeFocused();
  await expect(next(page)).toContainText('Read the cap');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('checkbox').first()).toBeFocused();
});

test('a page that moves under a finger: what it went down on is pressed, and its neighbour is not', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const vehicle = await workshop.addVehicle('hatchback-diagonal', 'right', 'Moved meanwhile');
  await page.goto(`/new?vehicle=${vehicle.id}`);
  const box = (name: string) => page.getByRole('checkbox', { name });
  const pressed = box('Pedal is soft');
  const neighbour = box('Renew the fluid');
  await expect(pressed).toBeVisible();
  // As another phone's word moves what stands below it.
  const move = async (by: number) => {
    await page
      .getByRole('group', { name: 'Why is it here?' })
      .evaluate((e, px) => ((e as HTMLElement).style.marginTop = `${px}px`), by);
  };
  const { x, y, width, height } = (await pressed.boundingBox())!;
  const there = { x: Math.round(x + width / 2), y: Math.round(y + height / 2) };
  const touch = await page.context().newCDPSession(page);
  await touch.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: [there] });
  await move(height);
  await touch.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
  await expect(pressed).toBeChecked();
  await expect(neighbour).not.toBeChecked();
  // By a mouse, where it is lifted over nothing at all.
  await move(0);
  await page.mouse.move(there.x, there.y);
  await page.mouse.down();
  await move(400);
  await page.mouse.up();
  await expect(pressed).not.toBeChecked();
});

test('each stroke is said with its number, Space counts and u takes back', async ({ page }) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.running(await workshop.addVehicle('hatchback-diagonal', 'right'));
  await page.goto(`/jobs/${job.id}`);
  await expect(page.getByTestId('count-pad')).toBeVisible();
  const said = page.getByRole('status').filter({ hasText: /to go/ });
  const left = async () => Number((await said.textContent())!.match(/^\d+/)![0]);
  const before = await left();
  await page.keyboard.press('Space');
  await expect.poll(left).toBe(before - 1);
  await page.keyboard.press('u');
  await expect.poll(left).toBe(before);
});

test('with a person’s own colours what is chosen still stands out, and the picture is drawn in them', async ({
  page,
}) => {
  await page.emulateMedia({ forcedColors: 'active' });
  const workshop = await Workshop.signIn(page);
  const job = await workshop.openJob(await workshop.addVehicle('hatchback-diagonal', 'right'));
  await page.goto(`/jobs/${job.id}`);
  await answer(page, LOOKED);
  const painted = (name: string) =>
    page
      .getByRole('radiogroup', { name: /How clear/ })
      .getByRole('radio', { name })
      .evaluate((e) => getComputedStyle(e).backgroundColor);
  expect(await painted('clear')).not.toBe(await painted('hazy'));
});

test('the record prints in black on white, whole, with its figures and without buttons', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.released(
    await workshop.addVehicle('hatchback-diagonal', 'right', 'On paper'),
  );
  await page.goto(`/jobs/${job.id}`);
  await expect(page.getByRole('heading', { name: /^Released by/ })).toBeVisible();
  await page.emulateMedia({ media: 'print', colorScheme: 'dark' });
  const ground = await page.evaluate(() => getComputedStyle(document.body).backgroundColor);
  expect(ground).toBe('rgb(255, 255, 255)');
  await expect(page.getByTestId('next-action')).toBeHidden();
  await expect(page.getByRole('navigation', { includeHidden: true }).first()).toBeHidden();
  await expect(page.getByRole('table', { name: 'Plan against done' })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Strokes/i }).first()).toBeVisible();
  // Nothing scrolls inside: what is long makes the paper long.
  expect(
    await page.evaluate(
      () =>
        Array.from(document.querySelectorAll('#root div')).filter(
          (e) => e.scrollHeight > e.clientHeight + 1 && getComputedStyle(e).overflowY !== 'visible',
        ).length,
    ),
  ).toBe(0);
});

test('a slash leads to the search on a desk, where the jobs stay at the left', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  const workshop = await Workshop.signIn(page);
  const tag = randomUUID().slice(0, 8);
  const job = await workshop.openJob(
    await workshop.addVehicle('hatchback-diagonal', 'right', `At the desk ${tag}`),
  );
  await page.goto(`/jobs/${job.id}`);
  const desk = page.getByRole('navigation', { name: 'Jobs' });
  await expect(desk.getByRole('link', { name: new RegExp(tag) })).toHaveAttribute(
    'aria-current',
    'page',
  );
  await page.keyboard.press('/');
  await expect(desk.getByLabel('Find a vehicle or job')).toBeFocused();
  await page.keyboard.type('no such thing');
  await expect(desk.getByText('None: type less of it, or another word.')).toBeVisible();
});

const LONG = 'Harbourmasters-relief-transporter-with-a-tail-lift-number-07';

test('a name of sixty letters is cut off nowhere', async ({ page }) => {
  expect(LONG).toHaveLength(60);
  const workshop = await Workshop.signIn(page);
  const vehicle = await workshop.addVehicle('hatchback-diagonal', 'right', LONG);
  const sideways = () =>
    page.evaluate(() =>
      Array.from(document.querySelectorAll('#root *'))
        .filter((e) => {
          const { left, right, width } = e.getBoundingClientRect();
          return width > 1 && (right > innerWidth + 1 || left < -1);
        })
        .map((e) => (e.textContent ?? '').slice(0, 60)),
    );
  const job = await workshop.openJob(vehicle);
  const paths = ['/', `/vehicles/${vehicle.id}`, `/jobs/${job.id}`];
  for (const path of paths) {
    await page.goto(path);
    await expect(page.getByText(new RegExp(LONG.slice(0, 20))).first()).toBeVisible();
    expect(await sideways(), path).toEqual([]);
  }
  await workshop.readFluid(job);
  await page.goto(`/jobs/${job.id}`);
  await expect(page.getByRole('heading', { name: 'Take along' })).toBeVisible();
  expect(await sideways(), 'the plan').toEqual([]);
});
