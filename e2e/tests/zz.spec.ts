import { test } from '@playwright/test';
import { Workshop, provedBy, planOf } from '../support/workshop';
test('shots', async ({ page }) => {
  test.setTimeout(240000);
  const w = await Workshop.signIn(page);
  const shot = async (name: string, full = false) => {
    await page.waitForTimeout(600);
    await page.screenshot({ path: `/tmp/shots/${name}.png`, fullPage: full });
  };
  const vs = await (await page.request.get('/api/v1/vehicles')).json();
  const lb = vs.find((v: any) => v.tag === 'LB 1');
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/');
  await shot('jobs');
  await page.goto(`/vehicles/${lb.id}`);
  await shot('vehicle');
  await page.getByRole('button', { name: 'Take it in' }).click();
  await shot('intake');
  await page.setViewportSize({ width: 390, height: 664 });
  await shot('intake-short');
  await page.setViewportSize({ width: 390, height: 2400 });
  await shot('intake-long');
  await page.setViewportSize({ width: 390, height: 844 });
  const bike = await w.vehicle('motorcycle-abs', 'middle', 'Two controls');
  const job = await w.usedUp(await w.bled(bike));
  await page.goto(`/jobs/${job.id}`);
  await shot('proof');
  await page.setViewportSize({ width: 390, height: 3600 });
  await shot('proof-long');
  await page.setViewportSize({ width: 390, height: 844 });
  const car = await w.vehicle('hatchback-diagonal', 'right', 'Early car');
  const run = await w.running(car, 3);
  const first = planOf(run).stops[0]!;
  await w.log(run.id, [{ kind: 'shut', stopId: first.id, tightened: 'by feel' }]);
  await page.goto(`/jobs/${run.id}`);
  await shot('early');
  await page.setViewportSize({ width: 390, height: 664 });
  await shot('early-short');
  await page.setViewportSize({ width: 390, height: 844 });
  const leak = await w.running(await w.vehicle('hatchback-diagonal', 'right', 'Leaky'), 2);
  await w.log(leak.id, [{ kind: 'halted', reason: 'leak', stopId: null }]);
  await page.goto(`/jobs/${leak.id}`);
  await page.setViewportSize({ width: 390, height: 1500 });
  await shot('leak');
  const part = await w.job(lb);
  await w.choose(part, {
    purpose: 'after work',
    parts: [{ partId: 'left-rear-caliper', cappedAtOnce: true, keptFull: true, newPart: false }],
  });
  await w.readFluid(part);
  await page.goto(`/jobs/${part.id}`);
  await page.setViewportSize({ width: 390, height: 2200 });
  await shot('plan');
  await page.setViewportSize({ width: 1280, height: 800 });
  await shot('plan-wide');
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/vehicles');
  await shot('vehicles');
});
