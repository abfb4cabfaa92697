import { expect, test, type Page } from '@playwright/test';
import { answer, LOOKED, toPart, unfold } from '../support/fluid';
import { Workshop } from '../support/workshop';

async function atTheReading(page: Page) {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.openJob(await workshop.addVehicle('hatchback-diagonal', 'right'));
  await page.goto(`/jobs/${job.id}`);
  await answer(page, LOOKED);
  await toPart(page, 'measure');
  await unfold(page, 'Practice instruments, reservoir');
}

test('a practice meter connects, settles and is taken; its reading may fail the fluid and says that it is practice', async ({
  page,
}) => {
  await atTheReading(page);
  await page.getByRole('button', { name: 'Practise with a water meter, reservoir' }).click();
  await expect(page.getByText('A practice instrument')).toBeVisible();
  await page.getByRole('button', { name: 'Connect' }).click();
  await expect(page.getByText('Hold it still.')).toBeVisible();
  await expect(page.getByText('Steady: take it.')).toBeVisible();
  await page.getByRole('button', { name: 'Take this reading' }).click();
  await expect(page.getByLabel('Water, reservoir')).toHaveValue(/^2\.[4-7]$/);
  await expect(page.getByRole('heading', { name: 'Replace at this visit' })).toBeVisible();
});

for (const [way, says] of [
  ['out of range', /Out of range/],
  ['low battery', /Low battery: its readings drift/],
  ['lost half-way', /out of reach/],
] as const) {
  test(`${way}: it is said, nothing is taken, and typing works`, async ({ page }) => {
    await atTheReading(page);
    await page.getByRole('button', { name: 'Practise with a boiling tester, reservoir' }).click();
    await answer(page, { 'It behaves': way });
    await page.getByRole('button', { name: 'Connect' }).click();
    await expect(page.getByText(says)).toBeVisible();
    const take = page.getByRole('button', { name: 'Take this reading' });
    if (await take.count()) await expect(take).toBeDisabled();
    await page.getByRole('button', { name: 'Put it down' }).click();
    await unfold(page, 'Boiling tester, reservoir');
    await page.getByLabel('Boiling point, reservoir').fill('182');
    await expect(page.getByRole('heading', { name: 'Good' })).toBeVisible();
  });
}

/** A jar of amber fluid on white paper under a warm lamp, drawn in the page and handed over as a file. */
async function drawnPhoto(page: Page): Promise<Buffer> {
  const bytes = await page.evaluate(async () => {
    const canvas = Object.assign(document.createElement('canvas'), { width: 800, height: 600 });
    const context = canvas.getContext('2d')!;
    const lamp = [1, 0.72, 0.4];
    const lit = (rgb: number[]) => {
      const channels = rgb.map((c, i) => {
        const v = c / 255;
        const linear = (v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4) * lamp[i]!;
        return Math.round(
          255 * (linear <= 0.0031308 ? linear * 12.92 : 1.055 * linear ** (1 / 2.4) - 0.055),
        );
      });
      return `rgb(${channels.join(',')})`;
    };
    context.fillStyle = lit([244, 244, 244]);
    context.fillRect(0, 0, 800, 600);
    context.fillStyle = lit([0xc5, 0x86, 0x1b]);
    context.fillRect(100, 100, 250, 400);
    const blob = await new Promise<Blob>((resolve) =>
      canvas.toBlob((b) => resolve(b!), 'image/png'),
    );
    return Array.from(new Uint8Array(await blob.arrayBuffer()));
  });
  return Buffer.from(bytes);
}

test('the colour is read off a photo by two taps, freed of the lamp, and a person confirms it', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const job = await workshop.openJob(await workshop.addVehicle('hatchback-diagonal', 'right'));
  await page.goto(`/jobs/${job.id}`);
  await toPart(page, 'look');
  await page
    .getByRole('button', { name: 'Read the colour in the reservoir off a photo' })
    .waitFor();
  await page
    .getByLabel('Photo, reservoir')
    .setInputFiles({ name: 'sample.png', mimeType: 'image/png', buffer: await drawnPhoto(page) });
  const photo = page.getByAltText('The sample against white paper');
  const tap = async (x: number, y: number) => {
    const box = (await photo.boundingBox())!;
    await photo.click({ position: { x: box.width * x, y: box.height * y } });
  };
  await tap(0.28, 0.5);
  await expect(page.getByText('Now tap the white paper beside it.')).toBeVisible();
  await tap(0.125, 0.5);
  await expect(page.getByText(/There is an edge or a shadow on the paper/)).toBeVisible();
  await page.getByRole('button', { name: 'Tap again' }).click();
  await tap(0.28, 0.5);
  await tap(0.75, 0.5);
  await expect(page.getByText(/Nearest: amber/)).toBeVisible();
  await page.getByRole('button', { name: 'Yes, it is amber' }).click();
  await expect(
    page
      .getByRole('radiogroup', { name: 'Colour in the reservoir?' })
      .getByRole('radio', { name: 'amber' }),
  ).toBeChecked();
});
