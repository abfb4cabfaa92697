import { planOfJob } from '@brook/contract/apiDriver';
import { expect, test, type Page } from '@playwright/test';
import { readFile } from 'node:fs/promises';
import { Workshop } from '../support/workshop';

/** What a hand does in the editor: open an element or press a button, type a size and leave the field. */
function pencil(page: Page) {
  return {
    open: (name: string) => page.getByRole('button', { name, exact: true }).click(),
    type: async (label: string, value: string) => {
      await page.getByRole('textbox', { name: label, exact: true }).fill(value);
      await page.getByRole('textbox', { name: label, exact: true }).blur();
    },
  };
}

// Walk 11: a three-wheeler that nobody has seen, typed in from a pencil sketch.
test('from a drawing: faults named by their element, a plan as good as a template’s, out to a file and in again the same', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const vehicle = await workshop.addVehicle('three-wheeler', 'left');
  await page.goto(`/vehicles/${vehicle.id}/layout`);
  const { open, type } = pencil(page);

  // A tap on the picture opens what is there, and marks it.
  await page.getByTestId('touch-feed').first().click({ force: true });
  await expect(
    page.getByRole('button', { name: 'Line master to tee', exact: true }),
  ).toHaveAttribute('aria-expanded', 'true');

  // The sketch says 26 m where 2.6 is meant, and a tunnel that climbs higher than its line is long.
  await open('Line up the tunnel');
  await type('Length', '26000');
  await expect(
    page.getByRole('button', {
      name: 'Go to: Line up the tunnel: length is 26000 mm; it should be between 10 and 15000 mm.',
    }),
  ).toBeVisible();
  await type('Length', '100');
  await expect(
    page.getByRole('button', {
      name: /Go to: Line up the tunnel is 100 mm long, but its ends differ by 130 mm in height/,
    }),
  ).toBeVisible();
  await expect(page.getByTestId('next-action')).toBeDisabled();
  // It was measured along the tunnel: that size is no guess any more, its bore is.
  await page.getByRole('radio', { name: 'Measured' }).click();
  await type('Length', '2600');
  await expect(page.getByTestId('next-action')).toBeEnabled();
  await expect(page.getByText('1 of ', { exact: false }).first()).toBeVisible();

  // A second rear wheel hangs on a tee behind the load valve.
  await open('Rear hose');
  await open('Put something into this line');
  await page.getByRole('button', { name: 'A tee' }).click();
  await type('Name', 'Rear tee');
  await open('Hang something on this point');
  await page.getByRole('button', { name: 'A line to a wheel cylinder' }).click();
  await expect(page.getByRole('button', { name: 'New wheel cylinder', exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: 'New wheel cylinder', exact: true })).toHaveCount(
    0,
  );

  await open('The whole layout');
  const [download] = await Promise.all([page.waitForEvent('download'), open('Keep it as a file')]);
  const kept = await readFile(await download.path(), 'utf8');
  await page.getByTestId('next-action').click();
  await expect(page.getByRole('heading', { name: vehicle.name })).toBeVisible();
  const saved = await workshop.vehicle(vehicle.id);
  expect(JSON.parse(kept)).toEqual(saved.layout);
  const tunnel = saved.layout.stretches.find((s) => s.name === 'Line up the tunnel')!;
  expect(tunnel.known).toEqual({ lengthMm: 'measured' });

  const other = await workshop.addVehicle('three-wheeler', 'left');
  await page.goto(`/vehicles/${other.id}/layout`);
  await open('The whole layout');
  const give = async (text: string) => {
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      open('Take one from a file'),
    ]);
    await chooser.setFiles({
      name: 'a.layout.json',
      mimeType: 'application/json',
      buffer: Buffer.from(text),
    });
  };
  await give('{"version": 1}');
  await expect(page.getByText('This file was not taken')).toBeVisible();
  await give(kept);
  await expect(page.getByRole('button', { name: 'Rear tee', exact: true })).toBeVisible();
  await page.getByTestId('next-action').click();
  await expect(page.getByRole('heading', { name: other.name })).toBeVisible();
  expect((await workshop.vehicle(other.id)).layout).toEqual(saved.layout);

  const job = await workshop.planned(other);
  await page.goto(`/jobs/${job.id}`);
  await expect(page.getByRole('button', { name: '1, rear: why here?' })).toBeVisible();
});

test('from nothing: a master, a tee, two fronts and a rear line over a tunnel with a load valve, drawn piece by piece and planned', async ({
  page,
}) => {
  const workshop = await Workshop.signIn(page);
  const vehicle = await workshop.addVehicle('three-wheeler', 'left', 'Nobody has seen it');
  await page.goto(`/vehicles/${vehicle.id}/layout`);
  const { open, type } = pencil(page);
  await open('The whole layout');
  await open('Begin from nothing: one master, one wheel');
  await open('New caliper');
  await type('Name', 'Left front caliper');
  await open('Line to new caliper');
  await open('Put something into this line');
  await open('A tee');
  await open('Hang something on this point');
  await open('A line to a caliper');
  await type('Name', 'Right front caliper');
  await open('New tee');
  await open('Hang something on this point');
  await open('A line to a wheel cylinder');
  await type('Name', 'Rear cylinder');
  await open('Line to new wheel cylinder');
  await type('Length', '2900');
  await open('Put something into this line');
  await open('A hump, bend or joint');
  await type('Name', 'Tunnel');
  await type('Height above the ground', '650');
  await open('Line to new wheel cylinder, behind it');
  await open('Put something into this line');
  await open('A valve');
  await page.getByTestId('next-action').click();
  await expect(page.getByRole('heading', { name: vehicle.name })).toBeVisible();
  const { layout } = await workshop.vehicle(vehicle.id);
  expect([layout.bleeders.length, layout.nodes.filter((n) => n.kind === 'valve').length]).toEqual([
    3, 1,
  ]);
  const job = await workshop.planned(vehicle);
  expect(planOfJob(job).openings).toHaveLength(3);
  // The rear line is the longest: it comes first.
  expect(planOfJob(job).openings[0]!.bleeder.at).toBe(
    layout.nodes.find((n) => n.name === 'Rear cylinder')!.id,
  );
});
