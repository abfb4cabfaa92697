import { planOfJob } from '@brook/contract/apiDriver';
import { expect, test } from '@playwright/test';
import { PHOTO } from '../support/photo';
import { TARN, UNA, Workshop } from '../support/workshop';

const kept = { name: 'caliper.png', mimeType: 'image/png', buffer: PHOTO };

test('a photo taken without reception waits on the phone, and is seen on another one once it has arrived', async ({
  page,
  browser,
}) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.running(await workshop.addVehicle('motorcycle-rear-disc', 'middle'));
  await page.goto(`/jobs/${job.id}`);
  await page.getByRole('button', { name: 'Photo or voice' }).click();
  await expect(page.getByRole('heading', { name: 'Photos and voice' })).toBeVisible();

  await page.context().setOffline(true);
  let chosen = page.waitForEvent('filechooser');
  await page.getByTestId('next-action').click();
  await (await chosen).setFiles(kept);
  await expect(page.getByText(/^1 tap, 1 photo kept on this phone/)).toBeVisible();
  const shown = page.getByRole('img', { name: /^Photo, rear. Una Marrick, today/ });
  await expect(shown).toBeVisible();
  await expect(page.getByText('Kept on this phone; not with the workshop yet.')).toBeVisible();
  await page.context().setOffline(false);
  await expect(page.getByText('All with the workshop', { exact: true })).toBeVisible();

  const second = await (await browser.newContext()).newPage();
  await Workshop.signIn(second, TARN);
  await second.goto(`/jobs/${job.id}?page=media`);
  const theirs = second.getByRole('img', { name: /^Photo, rear\./ });
  await expect(theirs).toBeVisible();
  const widthPx = () =>
    theirs.evaluate(
      (view) => (view.querySelector('img') ?? (view as HTMLImageElement)).naturalWidth,
    );
  await expect.poll(widthPx).toBe(6);
  // What somebody else took is taken back only once it was said whose it is.
  await second.getByRole('button', { name: /^Take back: Photo/ }).click();
  await expect(second.getByText(`It is ${UNA.name}’s, not yours.`)).toBeVisible();
  await second.getByRole('button', { name: /^Leave it/ }).click();
  await expect(second.getByRole('button', { name: /^Take back: Photo/ })).toBeVisible();
  await expect(theirs).toBeVisible();
  await second.context().close();

  // What is no picture is said at once, and nothing is told of it.
  chosen = page.waitForEvent('filechooser');
  await page.getByTestId('next-action').click();
  await (await chosen).setFiles({ ...kept, buffer: Buffer.from('no picture') });
  await expect(page.getByText(/^This phone cannot read that picture/)).toBeVisible();
  await page.getByRole('button', { name: /^Take back: Photo/ }).click();
  await expect(shown).toBeHidden();
  await expect
    .poll(async () => (await workshop.job(job.id)).events.slice(-2).map((e) => e.kind))
    .toEqual(['media note', 'undone']);
});

test('a voice note is spoken, kept, and heard from the record', async ({ page }) => {
  await page.context().grantPermissions(['microphone']);
  const workshop = await Workshop.signIn(page);
  const job = await workshop.openJob(await workshop.addVehicle('hatchback-diagonal', 'right'));
  await page.goto(`/jobs/${job.id}?page=media`);
  await page.getByRole('button', { name: 'Speak' }).click();
  await expect(page.getByRole('timer')).toContainText('0:01');
  await page.getByTestId('next-action').click();
  await expect(page.getByText('Voice note', { exact: true })).toBeVisible();
  await expect(page.getByText('All with the workshop', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Throw away' }).waitFor({ state: 'hidden' });
  const ended = await workshop.end(await workshop.job(job.id));
  await page.goto(`/jobs/${ended.id}`);
  await page.getByRole('button', { name: 'Listen to: Voice note' }).click();
  await expect(page.getByRole('button', { name: 'Stop: Voice note' })).toBeVisible();
  // What is closed is only looked at.
  await expect(page.getByRole('button', { name: /^Take back/ })).toBeHidden();
});

test('a photo sticks to its place on the brook, and stands there at the next job', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const vehicle = await workshop.addVehicle('hatchback-diagonal', 'right');
  const job = await workshop.running(vehicle);
  const first = planOfJob(job).openings[0]!.bleeder;
  const take = async () => {
    const chosen = page.waitForEvent('filechooser');
    await page.getByTestId('next-action').click();
    await (await chosen).setFiles(kept);
  };
  await page.goto(`/jobs/${job.id}?page=media`);
  await expect(page.getByText(/^It sticks to: Left rear/i)).toBeVisible();
  await take();
  await expect(page.getByRole('img', { name: /^Photo, left rear\./ })).toBeVisible();
  await page
    .getByTestId(/^touch-/)
    .first()
    .waitFor();
  await page.getByTestId('touch-modulator-secondary').click();
  await expect(page.getByText(/^It sticks to: .*modulator/i)).toBeVisible();
  await take();
  await expect(page.getByRole('img', { name: /^Photo, .*modulator.*\. / })).toBeVisible();
  await expect(page.getByRole('img', { name: /noted at: .*left rear/ })).toBeVisible();
  await expect(page.getByText('All with the workshop', { exact: true })).toBeVisible();
  await workshop.end(await workshop.job(job.id));

  const next = await workshop.running(vehicle);
  const at = planOfJob(next).openings[0]!.bleeder;
  expect(at.id).toBe(first.id);
  await page.goto(`/jobs/${next.id}`);
  await page.getByRole('button', { name: `Noted here before: photo of ${UNA.name}` }).click();
  const before = page.getByRole('list', { name: 'Notes of earlier jobs' });
  await expect(before.getByRole('listitem')).toHaveCount(2);
  // That of the place in hand is the first.
  await expect(before.getByRole('listitem').first()).toContainText(/left rear/i);
  await page.goto(`/vehicles/${vehicle.id}`);
  await expect(before.getByRole('listitem')).toHaveCount(2);
});

test('what has no name in the list is photographed: that asks it back as well, with its picture', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.running(await workshop.addVehicle('motorcycle-rear-disc', 'middle'));
  await page.goto(`/jobs/${job.id}`);
  await page.getByRole('button', { name: 'Something came off' }).click();
  const chosen = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Photo of it' }).click();
  await (await chosen).setFiles(kept);
  const off = page.getByRole('list', { name: 'What came off' });
  await expect(off.getByText('Another thing, rear')).toBeVisible();
  await expect(off.getByRole('img', { name: /^Photo, rear\./ })).toBeVisible();
  await off.getByRole('button', { name: /back on/ }).click();
  await expect(off.getByText(/^Back on: Una Marrick/)).toBeVisible();
  await expect
    .poll(async () => (await workshop.job(job.id)).events.slice(-3))
    .toMatchObject([
      { kind: 'media note', medium: 'photo' },
      { kind: 'came off', what: 'Another thing', noteId: expect.any(String) },
      { kind: 'back on' },
    ]);
});
