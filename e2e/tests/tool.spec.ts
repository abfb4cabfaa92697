import { expect, test, type Page } from '@playwright/test';
import { ownClock } from '../support/ownClock';
import { Workshop } from '../support/workshop';

/** A van whose modulator was changed, before its tool cycle. */
async function atTheTool(page: Page) {
  await page.clock.install();
  await ownClock(page);
  const workshop = await Workshop.signIn(page);
  const job = await workshop.atTool(
    await workshop.addVehicle('van-four-channel', 'right', 'Van with a new modulator'),
  );
  await page.goto(`/jobs/${job.id}`);
  await expect(page.getByRole('heading', { name: /Cycle the modulator/ })).toBeVisible();
  return { job, workshop };
}

const next = (page: Page) => page.getByTestId('next-action');

async function readOff(page: Page, volts: string, code: 'None' | 'Yes' = 'None') {
  await page.getByRole('textbox', { name: 'Battery, ignition on' }).fill(volts);
  await page
    .getByRole('radiogroup', { name: 'Ignition' })
    .getByRole('radio', { name: 'On' })
    .click();
  await page
    .getByRole('radiogroup', { name: 'Does a fault code stand?' })
    .getByRole('radio', { name: code })
    .click();
}

test('a weak battery halts the run; charged, the cycle goes wheel by wheel and the pump cools between', async ({
  page,
}) => {
  const { job, workshop } = await atTheTool(page);
  await readOff(page, '11,4');
  await expect(page.getByText(/battery should have 12 V/)).toBeVisible();
  await next(page).click();
  await expect(page.getByText('What now?')).toBeVisible();
  await page.getByRole('radio', { name: /Fixed, go on/ }).click();
  await next(page).click();
  await readOff(page, '12.6');
  await next(page).click();
  for (let wheel = 1; wheel <= 4; wheel++) {
    await expect(page.getByText(`${wheel * 2 - 1} of 8`)).toBeVisible();
    await next(page).click();
    await expect(page.getByText(`${wheel * 2} of 8`)).toBeVisible();
    if (wheel > 1) {
      await expect(page.getByText('s until the pump has cooled')).toBeVisible();
      await expect(next(page)).toBeDisabled();
      await page.clock.fastForward(61_000);
    }
    await next(page).click();
  }
  await expect(page.getByText(/codes are read once more/)).toBeVisible();
  await readOff(page, '12.4');
  await next(page).click();
  // The bleed after it: a stroke, or what must be poured before it.
  await expect(page.getByTestId('count-pad').or(page.getByText('Top up now'))).toBeVisible();
  await expect
    .poll(
      async () =>
        (await workshop.job(job.id)).events.filter((e) => e.kind === 'tool step' && e.done).length,
    )
    .toBe(8);
});

test('the stand-in says that it is practice, and what it did counts as left out', async ({
  page,
}) => {
  const { job, workshop } = await atTheTool(page);
  await page.getByRole('radio', { name: 'Stand-in, practice' }).click();
  await expect(page.getByText('Practice: it reaches no vehicle')).toBeVisible();
  await next(page).click();
  await page.clock.runFor(2_000);
  await expect(page.getByText('1 of 8')).toBeVisible();
  await next(page).click();
  await page.clock.runFor(3_000);
  await expect(page.getByText('2 of 8')).toBeVisible();
  await expect
    .poll(async () => (await workshop.job(job.id)).events.at(-1))
    .toMatchObject({ kind: 'tool step', by: 'practice', done: true });
});
