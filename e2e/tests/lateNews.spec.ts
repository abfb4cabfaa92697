import { expect, test } from '@playwright/test';
import { showMissing } from '../support/proof';
import { Workshop } from '../support/workshop';

test('a lever that came to the bar, told late by a phone without reception: page, list and record say it the moment it arrives, and the next job proves it', async ({
  page: inTheVan,
  browser,
}) => {
  const workshop = await Workshop.signIn(inTheVan);
  const bike = await workshop.addVehicle('motorcycle-twin-front', 'middle', 'Yard courier');
  const job = await workshop.recordFluid(await workshop.bled(bike));
  await inTheVan.goto(`/jobs/${job.id}`);
  const result = inTheVan.getByRole('radio', { name: /^no pressure/ });
  await expect(result).toBeVisible();
  await inTheVan.context().setOffline(true);
  await result.click();
  await expect(inTheVan.getByText(/1 tap kept on this phone/)).toBeVisible();

  // Meanwhile, by who knows nothing of it: proved, driven, released.
  const office = await browser.newContext();
  const page = await office.newPage();
  const elsewhere = await Workshop.signIn(page);
  await elsewhere.driveAndRelease(await elsewhere.prove(job));
  await page.goto(`/vehicles/${bike.id}`);
  await expect(page.getByRole('heading', { name: 'Yard courier' })).toBeVisible();
  await expect(page.getByText('Do not drive', { exact: true })).toHaveCount(0);
  const list = await office.newPage();
  await list.goto('/');
  // By its plate: of a full day's jobs the done ones stand far down.
  await list.getByLabel('Find a vehicle or job').fill(bike.tag);
  const line = list.getByRole('link', { name: new RegExp(bike.tag) });
  await expect(line).toBeVisible();
  await expect(line).not.toContainText('Do not drive');
  const record = await office.newPage();
  await record.goto(`/jobs/${job.id}`);
  await expect(record.getByText(/^Released by/)).toBeVisible();
  const added = record.getByText(/Added after/).first();
  await expect(added).toHaveCount(0);

  await inTheVan.context().setOffline(false);
  await expect(page.getByText('Do not drive', { exact: true }).first()).toBeVisible();
  await expect(line).toContainText('Do not drive');
  // Who said it, and when; the record stays, and has its addition.
  await expect(page.getByTestId(/^open item/).first()).toContainText(/Una Marrick/);
  await expect(added).toBeVisible();
  await expect(record.getByText(/^Released by/)).toBeVisible();

  // The next job proves the lever, and then it is free.
  const next = await elsewhere.recordFluid(await elsewhere.bled(bike));
  await elsewhere.prove(next, { only: (e) => e.kind !== 'pedal judged' });
  await page.goto(`/jobs/${next.id}`);
  await showMissing(page);
  await expect(page.getByText(/Brake lever: not judged yet/).first()).toBeVisible();
  await elsewhere.driveAndRelease(await elsewhere.prove(next));
  await page.goto(`/vehicles/${bike.id}`);
  await expect(page.getByRole('heading', { name: 'Yard courier' })).toBeVisible();
  await expect(page.getByText('Do not drive', { exact: true })).toHaveCount(0);
  await office.close();
});
