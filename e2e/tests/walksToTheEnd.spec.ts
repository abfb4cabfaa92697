import { planOfJob } from '@brook/contract/apiDriver';
import { expect, test, type Browser, type Page } from '@playwright/test';
import { Helper } from '../support/helper';
import { ownClock } from '../support/ownClock';
import { hurry, nextMove, runToTheEnd } from '../support/stranger';
import { MASTER_NOT_YET, TARN, UNA, Workshop } from '../support/workshop';

const action = (page: Page) => page.getByTestId('next-action');
const heading = (page: Page, name: string | RegExp) => page.getByRole('heading', { name });

/** A colleague's phone, by its own account, so many hours later. */
async function colleague(browser: Browser, jobId: string, hoursLater = 0): Promise<Page> {
  const page = await (await browser.newContext()).newPage();
  await Workshop.signIn(page, TARN);
  if (hoursLater > 0) {
    await ownClock(page);
    await page.clock.install({ time: Date.now() + hoursLater * 3_600_000 });
  }
  await page.goto(`/jobs/${jobId}`);
  return page;
}

// Walk 4.
test('harbour pickup, alone with a vacuum pump: primed by vacuum, finished by strokes into a bottle, the modulator in the first round alone', async ({
  page,
}) => {
  await hurry(page);
  const workshop = await Workshop.signIn(page);
  const pickup = await workshop.addVehicle('pickup-rear-abs', 'right', 'Pickup, run alone');
  const chosen = await workshop.chooseWork(await workshop.planned(pickup), {
    purpose: 'after work',
    parts: [{ partId: 'rear-hose', cappedAtOnce: true, keptFull: false, newPart: true }],
  });
  const job = await workshop.accept(
    await workshop.choose(chosen, {
      method: 'vacuum',
      means: { ...chosen.planChoices.means, helper: false, vacuumPump: true, syringe: true },
    }),
  );
  const plan = planOfJob(job);
  const compared = plan.stages.find((s) => s.kind === 'right part');
  if (compared)
    await workshop.say(job, [
      { kind: 'stage skipped', stageId: compared.id, reason: 'By its number.' },
    ]);
  await page.goto(`/jobs/${job.id}`);
  const judged = page.getByText(/what you see here judges nothing/);
  let seen = false;
  await runToTheEnd(page, async () => {
    seen ||= await judged.isVisible();
  });
  // Why bubbles under vacuum do not count was said where they were looked at.
  expect(seen).toBe(true);
  await expect
    .poll(async () =>
      (await workshop.job(job.id)).events.flatMap((e) => (e.kind === 'shut' ? [e.openingId] : [])),
    )
    .toEqual(plan.openings.map((s) => s.id));
  // In each stage it is opened in the first round alone.
  for (const stage of plan.stages)
    if (stage.kind === 'bleed')
      expect(stage.openingIds.filter((id) => id.startsWith('modulator'))).toHaveLength(1);
  expect(plan.openings.at(-1)!.counted).toBe('strokes');
});

// Walk 6.
test('dry front: vacuum primes it, the lever finishes it, calipers in turn; tied back overnight, the bite is measured in the morning on another phone', async ({
  page,
  browser,
}) => {
  await hurry(page);
  const workshop = await Workshop.signIn(page);
  const bike = await workshop.addVehicle(
    'motorcycle-twin-front-master-bleeder',
    'middle',
    'Courier motorcycle, dry front',
  );
  const dry = await workshop.chooseWork(await workshop.planned(bike), { purpose: 'new or dry' });
  const job = await workshop.accept(
    await workshop.choose(dry, {
      primeInPlace: true,
      means: { ...dry.planChoices.means, helper: false, vacuumPump: true },
    }),
  );
  const { openings, stages } = planOfJob(job);
  const methods = openings.map((s) => s.method);
  expect(methods[0]).toBe('vacuum');
  expect(methods.at(-1)).toBe('alone at the lever');
  // Bubbles under vacuum are no measure: whatever was primed comes again by the lever.
  const primed = openings.filter((s) => s.method === 'vacuum').map((s) => s.bleeder.id);
  for (const id of primed)
    expect(openings.filter((s) => s.bleeder.id === id).at(-1)!.method).toBe('alone at the lever');
  expect(stages.at(-1)!.kind).toBe('tie back');

  await page.goto(`/jobs/${job.id}`);
  const bite = heading(page, 'Tie the brake lever back');
  let moves = 0;
  while (!(await bite.isVisible())) {
    await nextMove(page);
    expect(++moves).toBeLessThan(300);
  }
  await page.getByRole('textbox', { name: 'Bite before' }).fill('40');
  await action(page).click();
  await expect(
    page.getByRole('list', { name: 'Clocks' }).getByText('Lever tied back'),
  ).toBeVisible();
  // Until then it stands on this phone alone.
  await expect
    .poll(async () => (await workshop.job(job.id)).events.map((e) => e.kind))
    .toContain('clock started');
  await page.close();

  const morning = await colleague(browser, job.id, 11);
  const clock = morning.getByRole('list', { name: 'Clocks' });
  await expect(clock.getByText(/up for|time is up/)).toBeVisible();
  await expect(
    clock.getByText('Measure the bite before anybody else pulls the lever.'),
  ).toBeVisible();
  await expect(morning.getByText(/Bite before: 40 mm from the bar/)).toBeVisible();
  // Without the second measure it is not done.
  await expect(action(morning)).toContainText('Measure the bite first');
  await morning.getByRole('textbox', { name: 'Bite after' }).fill('39');
  await action(morning).click();
  await expect(heading(morning, 'Brake lever')).toBeVisible();
  await expect
    .poll(async () => {
      const { events } = await workshop.job(job.id);
      return events.flatMap((e) => (e.kind === 'bite measured' ? [[e.when, e.mm, e.person]] : []));
    })
    .toEqual([
      ['before', 40, UNA.name],
      ['after', 39, TARN.name],
    ]);
  await morning.context().close();
});

// Walk 10.
test('boathouse: out of step behind the doors they go on by voice; the phone dies, a colleague’s goes on, and what the dead one holds arrives once', async ({
  page,
  browser,
}) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.running(
    await workshop.addVehicle('hatchback-diagonal', 'right', 'In the boathouse'),
  );
  const of = planOfJob(job).openings[0]!.strokes.value;
  await page.goto(`/jobs/${job.id}`);
  await page.getByRole('button', { name: 'Helper’s phone' }).click();
  const helper = await Helper.joins(browser, page);
  await expect(page.getByText('Ana counts', { exact: true })).toBeVisible();
  await helper.stroke();
  await expect(page.getByText(`${of - 1} strokes to go of ${of}`).first()).toBeVisible();

  // Rolled in: neither phone hears of the workshop any more.
  for (const context of [page.context(), helper.page.context()]) await context.setOffline(true);
  await expect(helper.page.getByText(/out of step/)).toBeVisible();
  await expect(page.getByText('Stop: out of step')).toBeVisible();
  await action(page).click();
  for (let i = 0; i < 3; i++) await page.getByRole('button', { name: 'One stroke made' }).click();
  await expect(page.getByText(/4 taps kept on this phone/)).toBeVisible();
  // The battery is at its end: no word more from it, what it holds stays on it.
  const dies = await page.context().newCDPSession(page);
  const dead = page.waitForEvent('crash');
  void dies.send('Page.crash').catch(() => undefined);
  await dead;
  await page.close();

  const other = await colleague(browser, job.id);
  // It knows of one stroke, and who counts.
  await expect(other.getByText(`${of - 1} strokes to go of ${of}`).first()).toBeVisible();
  await action(other).click();
  for (let i = 0; i < 2; i++) await other.getByRole('button', { name: 'One stroke made' }).click();
  await expect(other.getByText(`${of - 3} strokes to go of ${of}`).first()).toBeVisible();
  const helperLost = helper.page.getByText(/out of step|By voice/);
  await expect(helperLost.first()).toBeVisible();

  // Charged, and rolled out into the yard.
  const charged = await page.context().newPage();
  await page.context().setOffline(false);
  await charged.goto(`/jobs/${job.id}`);
  await expect(charged.getByText('All with the workshop', { exact: true })).toBeVisible();
  const asked = other.getByText(`Another phone (${UNA.name}) tapped 3 strokes meanwhile.`);
  await expect(asked.or(other.getByText(/tapped 3 strokes meanwhile/)).first()).toBeVisible();
  await other.getByRole('button', { name: 'Others: count them' }).click();
  await expect(other.getByText(`${of - 6} strokes to go of ${of}`).first()).toBeVisible();
  await expect(charged.getByText(`${of - 6} strokes to go of ${of}`).first()).toBeVisible();
  await expect
    .poll(async () => {
      const { events } = await workshop.job(job.id);
      const by = (name: string) =>
        events.filter((e) => e.kind === 'stroke' && e.person === name).length;
      return [by('Ana (helper)'), by(UNA.name), by(TARN.name)];
    })
    .toEqual([1, 3, 2]);
  for (const each of [other, helper.page]) await each.context().close();
});

// Walk 15.
test('swapped in the yard: the old part is the measure, the servo is emptied while it still holds, new fluid is never drawn off, and each millilitre has its bottle', async ({
  page,
}) => {
  await hurry(page);
  const workshop = await Workshop.signIn(page);
  const car = await workshop.addVehicle(
    'hatchback-diagonal',
    'right',
    'Swapped in the yard, walked',
  );
  const said = await workshop.chooseWork(await workshop.planned(car), {
    purpose: 'after work',
    master: MASTER_NOT_YET,
  });
  const job = await workshop.accept(
    await workshop.choose(said, { means: { ...said.planChoices.means, helper: false } }),
  );
  await page.goto(`/jobs/${job.id}`);
  const compare = heading(page, 'Compare the new part: Master');
  while (!(await compare.isVisible())) await nextMove(page);
  for (const yes of await page.getByRole('radio', { name: 'Yes' }).all()) await yes.click();
  for (const name of ['Fitted, old off', 'Moved across'])
    for (const right of await page.getByRole('radio', { name }).all()) await right.click();
  await page.getByRole('radio', { name: 'As the old one, which worked' }).click();
  for (const whose of ['new part', 'old part'])
    for (const chamber of ['Primary chamber', 'Secondary chamber'])
      await page.getByRole('textbox', { name: `Bore, ${chamber}, ${whose}` }).fill('22.2');
  await page.getByRole('button', { name: 'It fits: record it' }).click();
  await expect(page.getByText('Another size than was planned with').first()).toBeVisible();
  await page.getByRole('radio', { name: /Plan the rest anew/ }).click();
  await action(page).click();
  await runToTheEnd(page);

  await expect.poll(async () => (await workshop.job(job.id)).events.at(-1)?.kind).toBe('topped up');
  const done = await workshop.job(job.id);
  const order = done.events.map((e) => (e.kind === 'prepared' ? e.step : e.kind));
  const inOrder = ['protect', 'empty servo', 'crack bleeders', 'part compared', 'bench ended'];
  expect(inOrder.map((k) => order.indexOf(k as never))).toEqual(
    inOrder.map((k) => order.indexOf(k as never)).sort((a, b) => a - b),
  );
  expect(inOrder.map((k) => order.indexOf(k as never))).not.toContain(-1);
  const filled = order.lastIndexOf('fill reservoir');
  expect(filled).toBeGreaterThan(order.indexOf('bench ended'));
  // Behind the new fluid nothing is drawn off.
  expect(order.slice(filled)).not.toContain('empty reservoir');
  expect(order.slice(filled)).not.toContain('drawn off');
});
