import { planOfJob } from '@brook/contract/apiDriver';
import { expect, test, type Page } from '@playwright/test';
import { heldFor, hurry } from '../support/stranger';
import { Workshop } from '../support/workshop';

const left = (page: Page, n: number) =>
  page.getByTestId('count-pad').getByText(String(n), { exact: true });
const stroke = (page: Page) => page.getByTestId('next-action').click();

/** A car at its first bleeder, with so many strokes made. */
async function atTheCar(page: Page, strokes = 0) {
  const workshop = await Workshop.signIn(page);
  const vehicle = await workshop.addVehicle('hatchback-diagonal', 'right');
  const job = await workshop.running(vehicle, strokes);
  await page.goto(`/jobs/${job.id}`);
  const planned = planOfJob(job).openings[0]!.strokes.value;
  await expect(left(page, planned - strokes)).toBeVisible();
  return { workshop, vehicle, job, planned };
}

test('a reload loses nothing and goes on at the same stroke', async ({ page }) => {
  const { planned } = await atTheCar(page, 4);
  for (let i = 0; i < 3; i++) await stroke(page);
  await expect(left(page, planned - 7)).toBeVisible();
  await page.reload();
  await expect(left(page, planned - 7)).toBeVisible();
});

test('clear and as the new it may be shut where the rest does not pay: what that would buy is said, and it is owed', async ({
  page,
}) => {
  const { workshop, job } = await atTheCar(page, 20);
  const shutHere = page.getByRole('button', { name: 'Shut it here: the rest is owed' });
  await page.getByRole('radio', { name: 'none', exact: true }).click();
  await expect(shutHere).toHaveCount(0);
  await page.getByRole('radio', { name: 'clear', exact: true }).click();
  await expect(page.getByText(/^Clear and as the new\. The 5 left would buy: /)).toBeVisible();
  await shutHere.click();
  await expect(page.getByRole('heading', { name: 'Right rear' })).toBeVisible();
  await expect
    .poll(async () => (await workshop.job(job.id)).events.slice(-2))
    .toMatchObject([
      { kind: 'shut' },
      { kind: 'shut early', reason: expect.stringMatching(/^Clear and as the new; 5 more/) },
    ]);
});

test('a reload right after the tap that was painted keeps that tap', async ({ page }) => {
  const { job, planned, workshop } = await atTheCar(page, 4);
  await page.route('**/events', (route) => route.abort());
  await stroke(page);
  await expect(left(page, planned - 5)).toBeVisible();
  await page.unroute('**/events');
  await page.reload();
  await expect(left(page, planned - 5)).toBeVisible();
  await expect
    .poll(async () => (await workshop.job(job.id)).events.filter((e) => e.kind === 'stroke').length)
    .toBe(5);
});

test('a lost connection is said, counts on, and arrives once when it is back', async ({
  page,
  context,
}) => {
  const { job, planned, workshop } = await atTheCar(page, 2);
  await context.setOffline(true);
  for (let i = 0; i < 5; i++) await stroke(page);
  await expect(left(page, planned - 7)).toBeVisible();
  await expect(
    page.getByText(/5 taps kept on this phone · no connection since \d\d:\d\d/),
  ).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByText('All with the workshop', { exact: true })).toBeVisible();
  await expect
    .poll(async () => (await workshop.job(job.id)).events.filter((e) => e.kind === 'stroke').length)
    .toBe(7);
  await page.reload();
  await expect(left(page, planned - 7)).toBeVisible();
});

test('an answer that gets lost does not count a stroke twice', async ({ page }) => {
  const { job, planned, workshop } = await atTheCar(page, 0);
  let dropped = 0;
  await page.route('**/events', async (route) => {
    if (dropped++ > 0) return route.continue();
    await route.fetch();
    return route.abort();
  });
  await stroke(page);
  await expect(left(page, planned - 1)).toBeVisible();
  await expect.poll(() => dropped).toBeGreaterThan(1);
  expect((await workshop.job(job.id)).events.filter((e) => e.kind === 'stroke')).toHaveLength(1);
});

test('undo takes back the last tap and no other', async ({ page }) => {
  const { planned } = await atTheCar(page, 3);
  await stroke(page);
  await expect(left(page, planned - 4)).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(left(page, planned - 3)).toBeVisible();
});

test('the large area and the space bar count as well', async ({ page }) => {
  const { planned } = await atTheCar(page, 0);
  await page.getByTestId('count-pad').click();
  await expect(left(page, planned - 1)).toBeVisible();
  await page.keyboard.press('Space');
  await expect(left(page, planned - 2)).toBeVisible();
  // With Shift as many as a long press.
  const held = await page.getByText(/^Hold: \d+ made$/).innerText();
  await page.keyboard.press('Shift+Space');
  await expect(left(page, planned - 2 - Number(/\d+/.exec(held)![0]))).toBeVisible();
});

test('a long press counts ten, one tap one, and an undo takes back what one press said', async ({
  page,
}) => {
  const { job, planned, workshop } = await atTheCar(page, 0);
  const pad = page.getByTestId('count-pad');
  await expect(pad.getByText('Hold: 10 made')).toBeVisible();
  await pad.click({ delay: 1_000 });
  await expect(left(page, planned - 10)).toBeVisible();
  await pad.click();
  await expect(left(page, planned - 11)).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(left(page, planned)).toBeVisible();
  await page.getByRole('button', { name: 'Let go too soon' }).click();
  await expect
    .poll(async () => (await workshop.job(job.id)).events.slice(-5))
    .toMatchObject([
      { kind: 'stroke', made: 10 },
      { kind: 'stroke' },
      { kind: 'undone' },
      { kind: 'undone' },
      { kind: 'round broken', how: 'let go while open' },
    ]);
});

test('one person at a lever: the app beats time, says each turn in a big word, and counts', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.running(await workshop.addVehicle('motorcycle-front-disc', 'middle'));
  await page.goto(`/jobs/${job.id}`);
  const planned = planOfJob(job).openings[0]!.strokes.value;
  await page.getByRole('button', { name: 'Beat time for me, and count' }).click();
  // The two that stand longest; all of them in their order are looked at without a browser.
  for (const word of ['Go with it', 'Let go'])
    await expect(page.getByText(word, { exact: true })).toBeVisible();
  await expect(left(page, planned - 1)).toBeVisible();
  await page.getByRole('button', { name: 'Stop the beat' }).first().click();
  await expect(page.getByRole('button', { name: 'Beat time for me, and count' })).toBeVisible();
  await expect(left(page, planned - 1)).toBeVisible();
  await stroke(page);
  await expect
    .poll(async () => (await workshop.job(job.id)).events.slice(-4))
    .toMatchObject([
      { kind: 'counting', way: 'tempo' },
      { kind: 'stroke' },
      { kind: 'counting', way: 'tap' },
      { kind: 'stroke' },
    ]);
});

test('bubbles that stay the same bring up what to try; a burst of taps is asked about', async ({
  page,
}) => {
  const { job, planned, workshop } = await atTheCar(page, 0);
  const bubbles = page.getByRole('radiogroup', { name: 'Bubbles' });
  for (let look = 1; look <= 3; look++) {
    await page.getByTestId('count-pad').click();
    await expect(left(page, planned - look)).toBeVisible();
    await bubbles.getByRole('radio', { name: 'some' }).click();
  }
  await expect(page.getByText(/^Three looks, the same bubbles. Try: Open it less/)).toBeVisible();
  await page.getByRole('button', { name: 'Not here' }).click();
  await expect(page.getByText(/Try: Tap it/)).toBeVisible();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(page.getByText(/^Three looks/)).toBeHidden();

  // Faster than any stroke, as in a pocket.
  await page.getByTestId('count-pad').evaluate((pad: HTMLElement) => {
    for (let tap = 0; tap < 5; tap++) pad.click();
  });
  await expect(left(page, planned - 8)).toBeVisible();
  await expect(page.getByText('5 strokes in a moment. Were they made?')).toBeVisible();
  await page.getByRole('button', { name: 'No, take them back' }).click();
  await expect(left(page, planned - 3)).toBeVisible();
  await expect(page.getByText(/in a moment/)).toBeHidden();
  await expect
    .poll(async () =>
      (await workshop.job(job.id)).events.flatMap((e) => (e.kind === 'tried' ? [e.what] : [])),
    )
    .toEqual(['open less', 'tap it']);
});

test('a held key counts once', async ({ page }) => {
  const { planned } = await atTheCar(page, 0);
  const hold = async (on: string, key: string) => {
    await page.getByTestId(on).focus();
    for (let i = 0; i < 8; i++) await page.keyboard.down(key);
    await page.keyboard.up(key);
  };
  await hold('next-action', 'Enter');
  await expect(left(page, planned - 1)).toBeVisible();
  await hold('count-pad', 'Enter');
  await expect(left(page, planned - 2)).toBeVisible();
  await hold('count-pad', 'Space');
  await expect(left(page, planned - 3)).toBeVisible();
});

test('the call to top up comes before MIN, and strokes are not called for until it is answered', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const probe = await workshop.planned(await workshop.addVehicle('hatchback-diagonal', 'right'));
  const firstCall = planOfJob(probe).openings[0]!.topUps[0]!.afterStrokes;
  await atTheCar(page, firstCall - 1);
  const places = await Promise.all(
    ['next-action', 'count-pad'].map(async (id) => {
      const box = (await page.getByTestId(id).boundingBox())!;
      return [box.x + box.width / 2, box.y + box.height / 2] as const;
    }),
  );
  await stroke(page);
  await expect(page.getByText('Top up now')).toBeVisible();
  // A finger that taps on where the count was, without looking, confirms nothing.
  for (let tap = 0; tap < 10; tap++) for (const [x, y] of places) await page.mouse.click(x, y);
  await expect(page.getByText('Top up now')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Left rear' })).toBeVisible();
  await expect(page.getByTestId('count-pad')).toHaveCount(0);
  const gauge = page.getByRole('img', { name: /by the model; MIN/ });
  const [, level, min] = /(\d+) mL by the model; MIN (\d+)/.exec(
    (await gauge.getAttribute('aria-label'))!,
  )!;
  expect(Number(level)).toBeGreaterThan(Number(min));
  await page.getByTestId('next-action').click();
  await expect(page.getByTestId('count-pad')).toBeVisible();
  await expect(gauge).toHaveAttribute('aria-label', /: 220 mL/);
});

test('bubbles within the last three strokes ask for three clean ones', async ({ page }) => {
  await hurry(page);
  const workshop = await Workshop.signIn(page);
  const job = await workshop.running(await workshop.addVehicle('motorcycle-front-disc', 'middle'));
  await page.goto(`/jobs/${job.id}`);
  const strokes = planOfJob(job).openings[0]!.strokes.value;
  for (let made = 0; made < strokes; ) {
    const call = page.getByText('Top up now');
    await expect(left(page, strokes - made).or(call)).toBeVisible();
    if (await call.isVisible()) {
      await stroke(page);
      await expect(call).toBeHidden();
      continue;
    }
    const atOnce = await heldFor(page);
    if (atOnce === 1) await stroke(page);
    made += atOnce;
  }
  await page
    .getByRole('radiogroup', { name: 'Bubbles' })
    .getByRole('radio', { name: 'some' })
    .click();
  // More strokes are called for; where the reservoir is low, it is asked about before the first of them.
  const call = page.getByText('Top up now');
  const more = page.getByText(/three must be free of them/);
  await expect(call.or(more)).toBeVisible();
  const low = await call.isVisible();
  if (low) await stroke(page);
  await expect(more).toBeVisible();
  if (low) {
    // Of a pour it is asked whether it went in.
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByRole('button', { name: 'Nothing was poured' }).click();
    await expect(call).toBeVisible();
  }
  await page.getByRole('button', { name: 'Undo' }).click();
  await page
    .getByRole('radiogroup', { name: 'Bubbles' })
    .getByRole('radio', { name: 'none', exact: true })
    .click();
  await page
    .getByRole('radiogroup', { name: 'Colour in the hose' })
    .getByRole('radio', { name: 'brown' })
    .click();
  if (low) await stroke(page);
  await expect(page.getByText(/Darker than the new fluid/)).toBeVisible();
});

test.describe('halts', () => {
  const halt = async (page: Page, what: string) => {
    await page.getByRole('button', { name: 'Something is wrong' }).click();
    await page.getByRole('button', { name: what }).click();
    await expect(page.getByText('What now?')).toBeVisible();
    await expect(page.getByTestId('count-pad')).toHaveCount(0);
  };
  const decide = async (page: Page, what: RegExp) => {
    await page.getByRole('radio', { name: what }).click();
    await page.getByTestId('next-action').click();
  };

  test('ran dry: what follows is shown before it is decided, then the rest goes by the new plan, reload or not', async ({
    page,
  }) => {
    const { job, workshop } = await atTheCar(page, 9);
    await halt(page, 'The reservoir ran dry');
    await page.getByRole('radio', { name: /Plan the rest anew/ }).click();
    await expect(page.getByText('Then, from here')).toBeVisible();
    await expect(page.getByText(/Still to bleed, before \d+/)).toBeVisible();
    await page.getByTestId('next-action').click();
    await page.getByRole('button', { name: 'Filled to MAX' }).click();
    await expect(page.getByTestId('count-pad')).toBeVisible();
    const decided = () =>
      workshop.job(job.id).then((j) => j.events.flatMap((e) => ('plan' in e ? [e.plan] : [])));
    await expect.poll(async () => (await decided()).length).toBe(1);
    const [plan] = await decided();
    await page.reload();
    await expect(left(page, plan!.openings[0]!.strokes.value)).toBeVisible();
  });

  test('seized: with penetrant on it, it comes again at the end', async ({ page }) => {
    const { job } = await atTheCar(page, 2);
    await halt(page, 'The bleeder is seized');
    await decide(page, /do the others first/);
    await expect(
      page.getByRole('heading', { name: planOfJob(job).openings[1]!.bleeder.place }),
    ).toBeVisible();
  });

  test('seized: no force, and the decision is asked for until it is made, reload or not', async ({
    page,
  }) => {
    const { job, planned, workshop } = await atTheCar(page, 2);
    await halt(page, 'The bleeder is seized');
    await expect(page.getByText(/No force, no heat, no flame/)).toBeVisible();
    await page.reload();
    await expect(page.getByText('What now?')).toBeVisible();
    await decide(page, /Fixed, go on/);
    await expect(left(page, planned - 2)).toBeVisible();
    await expect
      .poll(
        async () => (await workshop.job(job.id)).events.filter((e) => e.kind === 'decided').length,
      )
      .toBe(1);
  });

  test('grease: the others go on, this one is left, and the gate says so', async ({ page }) => {
    const { job, workshop } = await atTheCar(page, 2);
    await halt(page, 'Something like grease came');
    await expect(page.getByText(/hub or axle seal/)).toBeVisible();
    await decide(page, /do the others/);
    await expect(
      page.getByRole('heading', { name: planOfJob(job).openings[1]!.bleeder.place }),
    ).toBeVisible();
    await expect.poll(async () => (await workshop.job(job.id)).events.at(-1)!.kind).toBe('decided');
  });

  test('another product ends the job, and the vehicle stays where it is', async ({ page }) => {
    const { job, vehicle } = await atTheCar(page, 2);
    await halt(page, 'Another product came');
    await decide(page, /End the job/);
    await expect(page.getByText(/Ended unreleased by/)).toBeVisible();
    await expect(page.getByText('Do not drive').first()).toBeVisible();
    await expect(page.getByText(/Another product came: .*, decided by Una Marrick/)).toBeVisible();
    await page.goto(`/vehicles/${vehicle.id}`);
    await expect(page.getByText('Do not drive').first()).toBeVisible();
    await expect(page.getByRole('link', { name: new RegExp(`^Job ${job.number},`) })).toBeVisible();
  });
});

test('what comes off is asked back by name before anybody may drive, also in the next job', async ({
  page,
}) => {
  const { job, workshop } = await atTheCar(page, 3);
  await page.getByRole('button', { name: 'Something came off' }).click();
  await page.getByRole('button', { name: 'Clip or bracket' }).click();
  await page.getByRole('button', { name: 'Wheel', exact: true }).click();
  const list = page.getByRole('list', { name: 'What came off' });
  await expect(list.getByRole('listitem')).toHaveCount(2);
  await page.getByRole('button', { name: 'Wheel, left rear: back on' }).click();
  await expect(list.getByText(/^Back on: Una Marrick/)).toBeVisible();
  await page.getByTestId('next-action').click();
  await expect(page.getByTestId('count-pad')).toBeVisible();
  await expect
    .poll(async () => (await workshop.job(job.id)).events.slice(-3).map((e) => e.kind))
    .toEqual(['came off', 'came off', 'back on']);
  await workshop.end(await workshop.job(job.id));
  // On the record: who put back what, and what is still off.
  await page.goto(`/jobs/${job.id}`);
  await expect(list.getByText(/^Back on: Una Marrick/)).toBeVisible();
  await expect(list.getByText(/^Off: Una Marrick/)).toBeVisible();
  await expect(list.getByRole('button')).toHaveCount(0);
  const next = await workshop.openJob({ id: job.vehicleId });
  await page.goto(`/jobs/${next.id}?page=off`);
  await expect(list.getByText(/^Off since job \d+: Una Marrick/)).toBeVisible();
  await page.getByRole('button', { name: /^Clip or bracket, left rear: back on/ }).click();
  await expect(list.getByText('Back on', { exact: true })).toBeVisible();
  await expect
    .poll(async () => (await workshop.job(next.id)).leaves.filter((m) => m.kind === 'not back on'))
    .toEqual([]);
});

test('the jar is read instead of strokes being counted: count, reservoir and the next look follow, with its sign', async ({
  page,
}) => {
  const { job, workshop, planned } = await atTheCar(page, 2);
  const opening = planOfJob(job).openings[0]!;
  const ml = opening.strokeMl.value;
  await page.getByRole('button', { name: 'Read the jar' }).click();
  const jar = page.getByRole('textbox', { name: 'In the jar now' });
  await jar.fill('10');
  await page.getByRole('textbox', { name: 'Of that, there before the first stroke' }).fill('20');
  await expect(page.getByText('20 mL stood in it at first; give as much or more.')).toBeVisible();
  await jar.fill(String(Math.ceil(20 + 6 * ml)));
  await expect(page.getByText(/^\d+ mL more than counted: 4 strokes more here/)).toBeVisible();
  await page.getByTestId('next-action').click();
  await expect(page.getByText(`${planned - 6} strokes to go of ${planned}`).first()).toBeVisible();
  await expect(page.getByTestId('next-action')).toHaveText('Read the jar');
  await expect(page.getByText(/^Read the jar at \d+ mL at the latest/).first()).toBeVisible();
  // A key that is pressed counts nothing while the jar does.
  await page.keyboard.press('Space');
  await page.getByTestId('next-action').click();
  await jar.fill('5');
  await expect(page.getByText(/^It stood at \d+ mL at the last look/)).toBeVisible();
  await page.getByRole('button', { name: 'Back' }).click();
  await page.getByRole('button', { name: 'Count by taps' }).click();
  await stroke(page);
  await expect(left(page, planned - 7)).toBeVisible();
  // What the space bar said while the jar counted would stand among them.
  await expect
    .poll(async () =>
      (await workshop.job(job.id)).events.flatMap((e) =>
        e.kind === 'counting' ? [e.way] : e.kind === 'stroke' ? ['stroke'] : [],
      ),
    )
    .toEqual(['stroke', 'stroke', 'jar', 'tap', 'stroke']);
});

test('gravity runs by the clock: a look at the jar in time, on every screen, and nothing goes on without it', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const vehicle = await workshop.addVehicle('hatchback-diagonal', 'right');
  const job = await workshop.accept(
    await workshop.choose(await workshop.planned(vehicle), { method: 'gravity' }),
  );
  await workshop.say(
    job,
    planOfJob(job).preparation.map((step) => ({ kind: 'prepared', step })),
  );
  await page.goto(`/jobs/${job.id}`);
  await page.getByRole('button', { name: 'It runs: start the clock' }).click();
  const clock = page.getByRole('list', { name: 'Clocks' });
  await expect(clock.getByText('Level')).toBeVisible();
  // Only the jar says that somebody looked.
  await expect(clock.getByRole('button')).toHaveCount(0);
  await expect(page.getByText('to the next look at jar and reservoir')).toBeVisible();
  // As if it had been let run a quarter of an hour ago, on another phone.
  await workshop.say(job, [
    {
      kind: 'flow set',
      openingId: planOfJob(job).openings[0]!.id,
      lookAfterS: 200,
      atMs: Date.now() - 900_000,
    },
  ]);
  await expect(page.getByText('Look', { exact: true })).toBeVisible();
  await page.reload();
  await expect(page.getByText('Look', { exact: true })).toBeVisible();
  await page.getByTestId('next-action').click();
  await page.getByRole('textbox', { name: 'In the jar now' }).fill('60');
  await expect(page.getByTestId('next-action')).toHaveText('That is in it, it runs on');
  await page.getByTestId('next-action').click();
  await expect(page.getByText('to the next look at jar and reservoir')).toBeVisible();
  await page.getByRole('button', { name: 'It is shut' }).click();
  await expect(clock).toHaveCount(0);
  await expect(page.getByText('Look', { exact: true })).toBeVisible();
  await page.getByTestId('next-action').click();
  await page.getByRole('textbox', { name: 'In the jar now' }).fill('70');
  await expect(page.getByTestId('next-action')).toHaveText('That is in it');
  await page.getByTestId('next-action').click();
  const of = planOfJob(job).openings[0]!.strokes.value;
  await expect(page.getByText(`${of - 7} marks to go of ${of}`).first()).toBeVisible();
});

test('two people without a second phone have it called: the big word is in sight, and only "shut" counts', async ({
  page,
}) => {
  const { planned } = await atTheCar(page, 2);
  await page.setViewportSize({ width: 390, height: 664 });
  await page.getByRole('button', { name: 'Call it for us' }).click();
  await expect(page.getByText('Push', { exact: true })).toBeInViewport();
  await expect(page.getByText('Shut', { exact: true })).toBeInViewport();
  await page.getByTestId('count-pad').click();
  await expect(page.getByText('Let go', { exact: true })).toBeInViewport();
  await expect(page.getByText(`${planned - 3} strokes to go of ${planned}`).first()).toBeVisible();
  await page.getByRole('button', { name: 'Stop the call' }).click();
  await page.getByRole('button', { name: 'Let go too soon' }).click();
  await expect(page.getByText(/shut at once\. Air may have gone in/)).toBeInViewport();
  await page.getByRole('button', { name: 'It is shut' }).first().click();
  await expect(page.getByText(/shut at once/)).toHaveCount(0);
});
