import { expect, test } from '@playwright/test';
import { answer, unfold } from '../support/fluid';
import { Workshop } from '../support/workshop';

const LOOKED = {
  'Which grade on the cap?': /DOT 5.1/,
  'Colour in the reservoir?': 'amber',
  'How clear is it, reservoir?': 'clear',
  'Does it feel or smell like something else, reservoir?': 'No',
} as const;

// Walk 3: the cap names DOT 5.1, the hurried hand takes DOT 5.
test('wrong bottle: must not, in words that make the trap plain, before anything is poured; what may go in instead', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  await workshop.shelve({ grade: 'DOT 5', sizeMl: 500, count: 1 });
  const job = await workshop.openJob(
    await workshop.addVehicle('motorcycle-front-disc', 'middle', 'Courier motorcycle on test'),
  );
  await page.goto(`/jobs/${job.id}`);
  await answer(page, {
    ...LOOKED,
    'ABS or stability control?': 'Neither',
    'Which fluid goes in?': /^DOT 5 \(five, silicone\)/,
  });
  await expect(
    page.getByText(
      'DOT 5 and DOT 5.1 differ by a point and are opposites: DOT 5 (five) is silicone, DOT 5.1 (five point one) is glycol.',
    ),
  ).toBeVisible();
  await expect(page.getByText(/Silicone and glycol never mix/)).toBeVisible();
  await expect(page.getByTestId('next-action')).toBeDisabled();
  await expect(page.getByTestId('next-action')).toContainText('Not this one');

  // What may go in instead, with a second look at its label; the wrong reading is no yes.
  await answer(page, { 'Which fluid goes in?': /^DOT 5.1/, 'Colour of the new fluid?': 'clear' });
  await expect(page.getByTestId('next-action')).toContainText('Read the label once more');
  await answer(page, { 'What does the label say?': 'DOT 5' });
  await expect(
    page.getByText('That is not what you chose. Put it back and take the other.'),
  ).toBeVisible();
  await expect(page.getByTestId('next-action')).toBeDisabled();
  await answer(page, { 'What does the label say?': 'DOT 5.1' });
  await expect(page.getByTestId('next-action')).toBeEnabled();
  expect((await workshop.job(job.id)).fluid).toBeNull();
});

test('wrong bottle, poured already: what it costs, and the vehicle stays', async ({ page }) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.openJob(
    await workshop.addVehicle('motorcycle-front-disc', 'middle', 'Courier motorcycle on test'),
  );
  await page.goto(`/jobs/${job.id}`);
  await answer(page, { ...LOOKED, 'ABS or stability control?': 'Neither' });
  await unfold(page, 'In it now: not known');
  await answer(page, { 'What is in the system now?': /^DOT 5 \(five, silicone\)/ });
  await expect(page.getByText('Stop: the wrong fluid is inside')).toBeVisible();
  await expect(
    page.getByText(/Do not move the pedal. Strip the system, renew the seals/),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Stop: end the job here' }).click();
  await expect(page.getByText(/Ended unreleased by/)).toBeVisible();
  expect((await workshop.job(job.id)).vehicleDrive).toBe('do not drive');
});
