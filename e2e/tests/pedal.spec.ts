import { planOfJob } from '@brook/contract/apiDriver';
import { expect, test, type Page } from '@playwright/test';
import { measurePedal, toProofPage, droveWell } from '../support/proof';
import { hurry } from '../support/stranger';
import { Workshop } from '../support/workshop';

const next = (page: Page) => page.getByTestId('next-action');

/** Read one height and go on. */
async function read(page: Page, title: RegExp, typed: string): Promise<void> {
  await expect(page.getByRole('heading', { level: 1, name: title })).toBeVisible();
  await page.getByRole('textbox').fill(typed);
  await next(page).click();
}

/** Half a minute under a steady push, and it stayed. */
async function stays(page: Page): Promise<void> {
  await expect(page.getByRole('heading', { level: 1, name: /does it sink/ })).toBeVisible();
  await next(page).click();
  // Before the time is over it cannot be said.
  await expect(next(page)).toContainText('more');
  await page.clock.fastForward(31_000);
  await next(page).click();
}

test('a pedal is measured step by step: low and soft it does not pass and says where to look; read again, it does, and the next job has it as its baseline', async ({
  page,
}) => {
  await hurry(page);
  const workshop = await Workshop.signIn(page);
  const car = await workshop.addVehicle('hatchback-diagonal', 'right', 'Measured car');
  const job = await workshop.recordFluid(await workshop.bled(car));
  const [master] = planOfJob(job).layout.masters;
  await workshop.prove(job, { only: (e) => e.kind !== 'pedal judged' });
  await page.goto(`/jobs/${job.id}`);
  await page.getByRole('button', { name: 'Measure it with a ruler' }).click();
  await read(page, /at rest/, '180');
  // Inches are read as well, and both are shown.
  await expect(page.getByRole('heading', { level: 1, name: /first resistance/ })).toBeVisible();
  await page.getByRole('textbox').fill('6 1/2 in');
  await expect(page.getByText('165.1 mm, 6.5 in')).toBeVisible();
  await next(page).click();
  // Higher under more force cannot be.
  await expect(page.getByRole('heading', { level: 1, name: /light push/ })).toBeVisible();
  await page.getByRole('textbox').fill('175');
  await expect(page.getByText(/higher than before \(165.1 mm\)/)).toBeVisible();
  await expect(next(page)).toContainText('Read the ruler first');
  await page.getByRole('textbox').fill('135');
  await next(page).click();
  await read(page, /firm push/, '108');
  await read(page, /firm, pumped/, '120');
  await stays(page);
  await expect(page.getByText(/^Springy: 27 mm from light to firm/)).toBeVisible();
  await expect(page.getByText(/^Next: .* again/)).toBeVisible();
  await page.getByRole('button', { name: 'Firm push: measure again' }).click();
  await read(page, /firm push/, '118');
  await expect(
    page.getByText(/^Firm and high: 62 mm used by a firm push, 90 at the most/),
  ).toBeVisible();
  await expect(page.getByText(/^Air left: |cannot tell the air/)).toBeVisible();
  await expect(page.getByText(/No bled measure of this vehicle/)).toBeVisible();
  await next(page).click();
  await expect(page.getByText(/^Firm and high: 62 mm/)).toBeVisible();
  await next(page).click();
  await expect(page.getByText('Test drive only').first()).toBeVisible();
  await droveWell(page);
  await page.getByRole('button', { name: 'Release this vehicle' }).click();
  await expect(page.getByText(/^Released by/)).toBeVisible();
  const { events } = await workshop.job(job.id);
  expect(events.flatMap((e) => (e.kind === 'pedal judged' ? [e] : []))).toEqual([]);

  const later = await workshop.bled(car);
  expect((await workshop.job(later.id)).baselines).toMatchObject([
    { masterId: master!.id, jobNumber: job.number },
  ]);
  await page.goto(`/jobs/${later.id}`);
  await page.getByRole('button', { name: 'Measure it with a ruler' }).click();
  for (const [title, mm] of [
    [/at rest/, '180'],
    [/first resistance/, '165'],
    [/light push/, '135'],
    [/firm push/, '118'],
    [/firm, pumped/, '120'],
  ] as const)
    await read(page, title, mm);
  await stays(page);
  await expect(page.getByText(`Against job ${job.number},`, { exact: false })).toBeVisible();
  await expect(page.getByText(/^Air left: none found/)).toBeVisible();
});

test('before anything is opened it is measured as it came and with the servo emptied; at the end it is held against that', async ({
  page,
}) => {
  await hurry(page);
  const workshop = await Workshop.signIn(page);
  const car = await workshop.addVehicle('hatchback-diagonal', 'right', 'Measured before');
  const job = await workshop.accept(await workshop.planned(car));
  const { preparation, layout } = planOfJob(job);
  const masterId = layout.masters[0]!.id;
  await page.goto(`/jobs/${job.id}`);
  await page.getByRole('button', { name: 'Measure the brake pedal first' }).click();
  await read(page, /at rest/, '181');
  await expect
    .poll(async () => (await workshop.job(job.id)).events.at(-1))
    .toMatchObject({
      kind: 'pedal read',
      when: 'before',
      at: 'rest',
      heightMm: 181,
    });
  const until = preparation.indexOf('empty servo');
  await workshop.say(
    job,
    preparation.slice(0, until + 1).map((step) => ({ kind: 'prepared', step })),
  );
  await expect(page.getByText(/servo emptied, before the work/)).toBeVisible();
  await read(page, /at rest/, '180');
  await read(page, /first resistance/, '150');
  await page.getByRole('button', { name: 'Back', exact: true }).click();
  await workshop.say(
    job,
    preparation.slice(until + 1).map((step) => ({ kind: 'prepared', step })),
  );
  await workshop.runOn(await workshop.job(job.id));
  await workshop.say(job, [
    { kind: 'pedal read', masterId, when: 'after', at: 'rest', pumped: false, heightMm: 180 },
    {
      kind: 'pedal read',
      masterId,
      when: 'after',
      at: 'first resistance',
      pumped: false,
      heightMm: 162,
    },
  ]);
  await page.reload();
  await page.getByRole('button', { name: 'Go on measuring' }).click();
  for (const [title, mm] of [
    [/light push/, '140'],
    [/firm push/, '125'],
    [/firm, pumped/, '126'],
  ] as const)
    await read(page, title, mm);
  await stays(page);
  await expect(page.getByText('first resistance: 12 mm higher, was 150 mm')).toBeVisible();
  await expect(page.getByText('rest: as before, was 180 mm')).toBeVisible();
});

// Walk 9.
test('low take-up: no air, so the rod; turns for the middle of the window, its play left, then measured again', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const van = await workshop.addVehicle('clutch-concentric', 'right', 'Van that takes up low');
  const job = await workshop.recordFluid(await workshop.bled(van));
  const clutch = planOfJob(job).layout.masters.find((m) => m.control === 'clutch pedal')!;
  await workshop.prove(job, { only: (e) => e.kind !== 'take-up judged' });
  await page.goto(`/jobs/${job.id}`);
  await expect(page.getByRole('heading', { level: 1, name: 'Clutch pedal' })).toBeVisible();
  await page.getByRole('button', { name: 'Measure it with a ruler' }).click();
  const field = (name: string) => page.getByRole('textbox', { name, exact: true });
  await field('At rest').fill('210');
  await field('Takes up at').fill('30');
  await expect(page.getByText('Too near its end: air or lost stroke')).toBeVisible();
  await field('After pumping five times').fill('42');
  await expect(page.getByText(/^It is air: 12 mm higher/)).toBeVisible();
  await field('After pumping five times').fill('31');
  await expect(page.getByText(/^Not air: it stays where it was/)).toBeVisible();
  await field('Free play at the rod').fill('8');
  await field('Wanted from').fill('55');
  await field('Wanted to').fill('75');
  await field('Thread of the rod').fill('1.25');
  // The middle is 35 mm higher; a turn gives the thread by the ratio.
  const turns = (35 / (1.25 * clutch.ratio)).toFixed(1);
  await expect(page.getByText(`${turns} turns longer`, { exact: true })).toBeVisible();
  await expect(page.getByText(/Then it takes up at 65 mm/)).toBeVisible();
  await expect(page.getByText('25 mm below its window: wanted 55 to 75 mm.')).toBeVisible();
  await next(page).click();
  await expect(page.getByText(/near the floor/).first()).toBeVisible();
  await expect(next(page)).toContainText('Back to the bleed: clutch pedal');
  // Turned, and measured again.
  await page.getByRole('button', { name: 'Look at it, or measure again' }).click();
  await expect(field('Takes up at')).toHaveValue('30');
  // What it needs is said once, for this job and for those after it.
  await expect(page.getByText(/^25 mm below its window.*, by Una Marrick\.$/)).toBeVisible();
  await field('Takes up at').fill('64');
  await expect(page.getByText(/^Within its window: wanted 55 to 75 mm/)).toBeVisible();
  await field('After pumping five times').fill('');
  await next(page).click();
  await page.getByRole('button', { name: 'Set “test drive only”' }).click();
  await expect(page.getByText('Test drive only').first()).toBeVisible();
  const reads = (await workshop.job(job.id)).events.filter((e) => e.kind === 'take-up read');
  expect(reads.map((e) => e.takeUpMm)).toEqual([30, 64]);
  const { events } = await workshop.job(job.id);
  expect(events.flatMap((e) => (e.kind === 'clutch needs' ? [e] : []))).toMatchObject([
    { slaveTravelMm: null, window: { leastMm: 55, mostMm: 75 }, pitchMm: 1.25 },
  ]);
});

test('a clutch that pumps up is air: with its slave blocked it is told whether above or below; the creep is watched by the app’s clock', async ({
  page,
}) => {
  await hurry(page);
  const workshop = await Workshop.signIn(page);
  const van = await workshop.addVehicle('clutch-external', 'right', 'Clutch alone');
  const accepted = await workshop.accept(await workshop.planned(van));
  const job = await workshop.recordFluid(await workshop.runOn(accepted));
  await page.goto(`/jobs/${job.id}`);
  await page.getByRole('button', { name: 'Measure it with a ruler' }).click();
  const field = (name: string) => page.getByRole('textbox', { name, exact: true });
  await field('At rest').fill('160');
  await field('Takes up at').fill('20');
  await field('After pumping five times').fill('45');
  await expect(
    page.getByText('It is air: 25 mm higher. Bleed it before the rod is turned.'),
  ).toBeVisible();
  await field('End of travel at').fill('30');
  await expect(
    page.getByText('The end of travel lies lower than where it takes up (20 mm).'),
  ).toBeVisible();
  await field('End of travel at').fill('5');
  await expect(page.getByText(/^15 mm of travel beyond the take-up/)).toBeVisible();
  // Hydraulic ratio by hand: (155/5.5 − 1.2) · (15.9/19)² are 18.9 mm at the slave, by the sizes of the template.
  await field('Slave must travel, by the manual').fill('20');
  await expect(page.getByText(/^1\.1 mm short, without any air/)).toBeVisible();
  await field('Slave must travel, by the manual').fill('15');
  await expect(page.getByText(/^Enough, 3\.9 mm to spare/)).toBeVisible();
  await field('Rod of the master moves by').fill('2');
  await expect(page.getByText(/^Sound from the master to the slave/)).toBeVisible();
  await field('Rod of the master moves by').fill('6');
  await expect(page.getByText(/^It gives: air is left, or the master lets past/)).toBeVisible();
  await next(page).click();
  await expect
    .poll(async () =>
      (await workshop.job(job.id)).events.flatMap((e) =>
        e.kind === 'take-up read' ? [[e.blockedMm, e.endOfTravelMm]] : [],
      ),
    )
    .toEqual([[6, 5]]);
  await toProofPage(page, 'No creep');
  await page.getByRole('button', { name: 'Start 60 s' }).click();
  await page.clock.fastForward(30_000);
  await expect(page.getByRole('timer', { name: 'Seconds left' })).toContainText(/^(29|30)$/);
  await page.clock.fastForward(31_000);
  await expect(page.getByText('60 s are over: how was it?')).toBeVisible();
});

test('more is measured where somebody wants it: low forces, pumped, and the sink with the engine running', async ({
  page,
}) => {
  await hurry(page);
  const workshop = await Workshop.signIn(page);
  const car = await workshop.addVehicle('hatchback-diagonal', 'right', 'Measured twice');
  const job = await workshop.bled(car);
  await page.goto(`/jobs/${job.id}`);
  await page.getByRole('button', { name: 'Measure it with a ruler' }).click();
  await measurePedal(page, ['180', '168', '160', '150', '153']);
  await page.getByRole('button', { name: /^(Measure more|Read the low forces)/ }).click();
  // One and a half and two and a half times what the springs of this layout hold back, and each again after pumping.
  for (const [title, mm] of [
    [/: 38 N$/, '165'],
    [/: 63 N$/, '163'],
    [/: 38 N, pumped$/, '167'],
    [/: 63 N, pumped$/, '165'],
    [/light, pumped$/, '162'],
  ] as const)
    await read(page, title, mm);
  await expect(page.getByRole('heading', { level: 1, name: /engine running/ })).toBeVisible();
  await next(page).click();
  await page.getByRole('textbox').fill('9');
  await next(page).click();
  await expect(page.getByText(/^Sinks: 9 mm sunk in 30 s, 5 at the most/)).toBeVisible();
  await expect
    .poll(async () =>
      (await workshop.job(job.id)).events.flatMap((e) =>
        e.kind === 'sink watched' ? [[e.mm, e.engine ?? 'off']] : [],
      ),
    )
    .toEqual([
      [0, 'off'],
      [9, 'running'],
    ]);
});
