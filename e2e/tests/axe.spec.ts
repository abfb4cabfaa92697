import { AxeBuilder } from '@axe-core/playwright';
import { expect, test as base, type BrowserContextOptions, type Page } from '@playwright/test';
import { answer, LOOKED, SOUND, toPart, unfold, why } from '../support/fluid';
import { TARN, Workshop } from '../support/workshop';

/** Every screen, with what must be on it before it is looked at. */
const SCREENS: readonly (readonly [
  name: string,
  open: (page: Page, workshop: Workshop) => Promise<void>,
])[] = [
  [
    'jobs',
    async (page) => {
      await page.goto('/');
      await page.getByText('In hand').waitFor();
    },
  ],
  [
    'vehicles',
    async (page) => {
      await page.goto('/vehicles');
      await page.getByRole('listitem').first().waitFor();
    },
  ],
  [
    'new vehicle',
    async (page) => {
      await page.goto('/vehicles/new');
      await page.getByRole('radio').first().click();
      await page.getByRole('radio', { name: /^Hatchback, diagonal/ }).click();
      await page.getByText('Where does the driver sit?').waitFor();
    },
  ],
  [
    'pick a vehicle',
    async (page) => {
      await page.goto('/new');
      await page.getByRole('listitem').first().waitFor();
    },
  ],
  [
    'intake',
    async (page, w) => {
      const v = await w.addVehicle('veteran-single', 'right');
      await page.goto(`/new?vehicle=${v.id}`);
      await page.getByText('Why is it here?').waitFor();
    },
  ],
  [
    'layout',
    async (page, w) => {
      const v = await w.addVehicle('three-wheeler', 'left');
      await page.goto(`/vehicles/${v.id}/layout`);
      await page.getByRole('button', { name: 'Rear hose', exact: true }).click();
      await page.getByText('Put something into this line').waitFor();
    },
  ],
  [
    'photos and voice',
    async (page, w) => {
      const job = await w.running(await w.addVehicle('hatchback-diagonal', 'right'));
      await w.photo(job);
      await page.goto(`/jobs/${job.id}?page=media`);
      await page.getByRole('img', { name: /^Photo/ }).waitFor();
    },
  ],
  [
    'what came off',
    async (page, w) => {
      const job = await w.running(await w.addVehicle('hatchback-diagonal', 'right'));
      await page.goto(`/jobs/${job.id}?page=off`);
      await page.getByRole('button', { name: 'Wheel', exact: true }).click();
      await page.getByRole('button', { name: /^Wheel, .*back on/ }).waitFor();
    },
  ],
  [
    'clocks',
    async (page, w) => {
      const job = await w.running(await w.addVehicle('hatchback-diagonal', 'right'));
      const clock = { kind: 'clock started', clock: 'penetrant', minutes: 15, elementId: null };
      await w.say(job, [clock]);
      await page.goto(`/jobs/${job.id}?page=clock`);
      await page.getByRole('list', { name: 'Clocks', exact: true }).waitFor();
    },
  ],
  [
    'a helper’s phone',
    async (page, w) => {
      const job = await w.running(await w.addVehicle('hatchback-diagonal', 'right'));
      await page.goto(`/jobs/${job.id}?page=helper`);
      const code = await page.getByText(/^[2-9A-Z]{4} [2-9A-Z]{4}$/).innerText();
      await page.goto(`/help#${code.replace(' ', '')}`);
      await page.getByLabel('Your name').fill('Ana');
      await page.getByTestId('next-action').click();
      await page.getByText('Push', { exact: true }).waitFor();
    },
  ],
  [
    'what was done',
    async (page, w) => {
      const j = await w.planned(await w.addVehicle('estate-front-rear', 'right'));
      await page.goto(`/jobs/${j.id}`);
      await page.getByRole('button', { name: /^Work:/ }).click();
      await page.getByRole('checkbox', { name: 'A part was changed' }).click();
      await page.getByText('Which part?').waitFor();
    },
  ],
  [
    'methods',
    async (page, w) => {
      const j = await w.planned(await w.addVehicle('estate-front-rear', 'right'));
      await page.goto(`/jobs/${j.id}`);
      await page.getByRole('button', { name: /^Method:/ }).click();
      await page.getByRole('button', { name: /^Vacuum/ }).click();
      await page.getByText('What would help').first().waitFor();
    },
  ],
  [
    'orders',
    async (page, w) => {
      const j = await w.planned(await w.addVehicle('van-four-channel', 'right'));
      await page.goto(`/jobs/${j.id}`);
      await page.getByRole('button', { name: /^Order:/ }).click();
      await page.getByText(/With one opening each/).waitFor();
    },
  ],
  [
    'new part',
    async (page, w) => {
      const j = await w.afterWork(await w.addVehicle('hatchback-diagonal', 'right'), {
        parts: [
          { partId: 'left-front-caliper', cappedAtOnce: true, keptFull: true, newPart: true },
        ],
      });
      await w.prepared(j);
      await page.goto(`/jobs/${j.id}`);
      await page.getByRole('textbox', { name: 'Piston diameter, new part' }).fill('57');
      await unfold(page, 'Other pieces');
    },
  ],
  [
    'tool cycle',
    async (page, w) => {
      const j = await w.atTool(await w.addVehicle('van-four-channel', 'right'));
      await page.goto(`/jobs/${j.id}`);
      await page.getByRole('radio', { name: 'Stand-in, practice' }).click();
      await page.getByText('Practice: it reaches no vehicle').waitFor();
    },
  ],
  [
    'halted',
    async (page, w) => {
      const j = await w.running(await w.addVehicle('van-four-channel', 'right'), 5);
      await page.goto(`/jobs/${j.id}`);
      await page.getByRole('button', { name: 'Something is wrong' }).click();
      await page.getByRole('button', { name: 'The reservoir ran dry' }).click();
      await page.getByRole('radio', { name: /Plan the rest anew/ }).click();
      await page.getByText('Then, from here').waitFor();
    },
  ],
  [
    'vehicle',
    async (page, w) => {
      const v = await w.addVehicle('veteran-single', 'right');
      await page.goto(`/vehicles/${v.id}`);
      await page.getByText('Jobs on it').waitFor();
    },
  ],
  [
    'fluid, stop',
    async (page, w) => {
      const job = await w.openJob(await w.addVehicle('hatchback-diagonal', 'right'));
      await page.goto(`/jobs/${job.id}`);
      await answer(page, {
        ...LOOKED,
        'Does it feel or smell like something else, reservoir?': 'Yes',
        'What like, reservoir?': 'Layers',
      });
      await why(page, 'Stop: nothing is filled');
      await unfold(page, 'What it may be');
      await page.getByRole('button', { name: 'Close' }).click();
      await page.getByRole('button', { name: /End this job/ }).click();
      await page.getByText('Stop: nothing is filled').waitFor();
    },
  ],
  [
    'fluid, the cap with everything unfolded',
    async (page, w) => {
      const job = await w.openJob(await w.addVehicle('hatchback-diagonal', 'right'));
      await page.goto(`/jobs/${job.id}`);
      await answer(page, { 'Which grade on the cap?': 'DOT 4' });
      await unfold(page, 'Old seals, changed parts');
      await unfold(page, 'In it now: not known');
      await page.getByText('The seals are').waitFor();
    },
  ],
  [
    'fluid, an odd colour',
    async (page, w) => {
      const job = await w.openJob(await w.addVehicle('hatchback-diagonal', 'right'));
      await page.goto(`/jobs/${job.id}`);
      await answer(page, { ...LOOKED, 'Any odd colour, reservoir?': 'blue' });
      await page.getByText('A few drops in water?').waitFor();
    },
  ],
  [
    'fluid, measured, everything unfolded',
    async (page, w) => {
      const job = await w.openJob(await w.addVehicle('hatchback-diagonal', 'right'));
      await page.goto(`/jobs/${job.id}`);
      await answer(page, LOOKED);
      await toPart(page, 'measure');
      for (const title of ['Boiling tester, reservoir', 'Strips, reservoir', 'Sample at a bleeder'])
        await unfold(page, title);
      await answer(page, { 'Where was it taken?': 'left rear' });
      await page.getByLabel('Water, left rear').fill('11');
      await page.getByLabel('Boiling point, reservoir').fill('182');
      await unfold(page, 'Practice instruments, left rear');
      await page.getByRole('button', { name: 'Practise with a water meter, left rear' }).click();
      await page.getByText('A practice instrument').waitFor();
    },
  ],
  [
    'fluid, why',
    async (page, w) => {
      const job = await w.openJob(await w.addVehicle('hatchback-diagonal', 'right'));
      await page.goto(`/jobs/${job.id}`);
      await answer(page, LOOKED);
      await why(page, 'Not measured: no verdict');
      await unfold(page, 'At least DOT 4');
    },
  ],
  [
    'fluid, what goes in',
    async (page, w) => {
      const job = await w.openJob(await w.addVehicle('hatchback-diagonal', 'right'));
      await w.shelve();
      await page.goto(`/jobs/${job.id}`);
      await answer(page, SOUND);
      await unfold(page, 'The new fluid is not dyed');
      await unfold(page, 'Any other fluid');
    },
  ],
  [
    'wrong bottle',
    async (page, w) => {
      await w.shelve({ grade: 'DOT 5', sizeMl: 500, count: 1 });
      const job = await w.openJob(await w.addVehicle('motorcycle-front-disc', 'middle'));
      await page.goto(`/jobs/${job.id}`);
      await answer(page, { ...LOOKED, 'Which fluid goes in?': /^DOT 5 \(five/ });
      await page
        .getByText(/never mix/)
        .first()
        .waitFor();
    },
  ],
  [
    'shelf',
    async (page, w) => {
      const [c] = await w.shelve();
      await page.goto('/shelf');
      await page
        .getByRole('button', { name: new RegExp(`^Batch ${c!.batch}`) })
        .first()
        .click();
      await page.getByRole('button', { name: 'Discard it …' }).click();
      await unfold(page, 'What went in');
    },
  ],
  [
    'new containers',
    async (page) => {
      await page.goto('/shelf/add?grade=DOT%205');
      await page.getByText('DOT 5 is silicone').waitFor();
    },
  ],
  [
    'recall',
    async (page) => {
      await page.goto('/recall?batch=K-117');
      await page.getByText(/got batch/).waitFor();
    },
  ],
  [
    'house rules',
    async (page) => {
      await page.goto('/rules');
      await page.getByText('An opened container?').waitFor();
    },
  ],
  [
    'people',
    async (page) => {
      await Workshop.signIn(page, TARN);
      await page.goto('/people');
      await page.getByRole('button', { name: 'Una Marrick has left' }).waitFor();
    },
  ],
  [
    'change password',
    async (page) => {
      await page.goto('/password');
      await page.getByText('Password of today').waitFor();
    },
  ],
  [
    'this phone',
    async (page) => {
      await page.goto('/');
      await page.getByRole('button', { name: 'More' }).click();
      await page.getByText('Change password').waitFor();
    },
  ],
  [
    'history',
    async (page, w) => {
      const v = await w.addVehicle('motorcycle-front-disc', 'middle');
      await w.released(v);
      await page.goto(`/vehicles/${v.id}/history`);
      for (const title of [
        'The table behind the chart',
        'The maker’s word',
        'Who else got these batches?',
      ])
        await unfold(page, title);
    },
  ],
  [
    'descent',
    async (page, w) => {
      const v = await w.addVehicle('hatchback-diagonal', 'right');
      await page.goto(`/vehicles/${v.id}/descent`);
      await page.getByLabel('Water in the fluid').fill('3.4');
      await page.getByTestId('next-action').click();
      await page
        .getByText(/of margin|would boil/)
        .first()
        .waitFor();
    },
  ],
  [
    'plan',
    async (page, w) => {
      const job = await w.planned(await w.addVehicle('hatchback-diagonal', 'right'));
      await page.goto(`/jobs/${job.id}`);
      await page
        .getByRole('button', { name: /why here/ })
        .first()
        .click();
    },
  ],
  [
    'figure',
    async (page, w) => {
      const job = await w.planned(await w.addVehicle('hatchback-diagonal', 'right'));
      await page.goto(`/jobs/${job.id}`);
      await page.getByRole('button', { name: /^Hands on/ }).click();
      await page.getByRole('dialog').waitFor();
    },
  ],
  [
    'preparing',
    async (page, w) => {
      const job = await w.planned(await w.addVehicle('hatchback-diagonal', 'right'));
      await page.goto(`/jobs/${job.id}`);
      // An opened container of an earlier job may be among those picked; then it is looked at twice.
      await page.getByTestId('next-action').waitFor();
      const twice = page.getByRole('radiogroup', { name: 'Opened bottle checked?' });
      if (await twice.count()) await twice.getByRole('radio', { name: 'Yes' }).click();
      await page.getByTestId('next-action').click();
      await page.getByText('1 of 8').waitFor();
    },
  ],
  [
    'run',
    async (page, w) => {
      const job = await w.running(await w.addVehicle('hatchback-diagonal', 'right'), 5);
      await page.goto(`/jobs/${job.id}`);
      await page.getByTestId('count-pad').waitFor();
      await page.getByRole('radio', { name: 'fine' }).click();
    },
  ],
  [
    'something is wrong',
    async (page, w) => {
      const job = await w.running(await w.addVehicle('motorcycle-front-disc', 'middle'), 5);
      await page.goto(`/jobs/${job.id}`);
      await page.getByRole('button', { name: 'Something is wrong' }).click();
    },
  ],
  [
    'proof',
    async (page, w) => {
      const job = await w.bled(await w.addVehicle('motorcycle-front-disc', 'middle'));
      await page.goto(`/jobs/${job.id}`);
      await page.getByRole('radio', { name: 'springy' }).click();
      await page
        .getByText(/Only firm and high/)
        .first()
        .waitFor();
    },
  ],
  [
    'measure',
    async (page, w) => {
      const job = await w.bled(await w.addVehicle('motorcycle-front-disc', 'middle'));
      await page.goto(`/jobs/${job.id}`);
      await page.getByRole('button', { name: 'Measure it with a ruler' }).click();
      await page.getByRole('textbox').fill('60');
      await page.getByTestId('next-action').click();
      await page.getByRole('heading', { level: 1, name: /first bite/ }).waitFor();
    },
  ],
  [
    'calculators',
    async (page) => {
      await page.goto('/calculators?of=crow-foot');
      await page.getByRole('textbox', { name: 'Torque of the manual' }).fill('900');
      await page.getByText(/should be 0.5 to 400/).waitFor();
    },
  ],
  [
    'refused plan',
    async (page, w) => {
      const job = await w.planned(await w.addVehicle('motorcycle-integral-abs', 'middle'));
      await page.goto(`/jobs/${job.id}`);
      await page.getByText(/works under high pressure/).waitFor();
    },
  ],
  [
    'test drive',
    async (page, w) => {
      const job = await w.onTestDrive(await w.addVehicle('motorcycle-front-disc', 'middle'));
      await page.goto(`/jobs/${job.id}`);
      await page.getByText('How was the test drive?').waitFor();
    },
  ],
  [
    'ended',
    async (page, w) => {
      const job = await w.ended(await w.addVehicle('motorcycle-front-disc', 'middle'));
      await page.goto(`/jobs/${job.id}`);
      await page.getByText(/Ended unreleased by/).waitFor();
    },
  ],
  [
    'no such job',
    async (page) => {
      await page.goto('/jobs/00000000-0000-4000-8000-000000000000');
      await page.getByText(/There is no such job/).waitFor();
    },
  ],
  [
    'no such page',
    async (page) => {
      await page.goto('/nowhere');
      await page.getByText('There is nothing at this address').waitFor();
    },
  ],
  [
    'record',
    async (page, w) => {
      const job = await w.released(await w.addVehicle('motorcycle-front-disc', 'middle'));
      await page.goto(`/jobs/${job.id}`);
      await page.getByText('Plan against done').waitFor();
    },
  ],
];

/**
 * One page for all screens of a worker: what is looked at is the screen, not
 * how it was reached, and a page of its own for each takes longer than the look.
 */
const test = base.extend<object, { shared: Page }>({
  shared: [
    async ({ browser }, use, { project }) => {
      const context = await browser.newContext(project.use as BrowserContextOptions);
      const page = await context.newPage();
      await Workshop.signIn(page);
      await use(page);
      await context.close();
    },
    { scope: 'worker' },
  ],
});

test('sign-in', async ({ page }) => {
  await page.goto('/');
  await page.getByTestId('next-action').click();
  await page.getByText('Password is missing; give it.').waitFor();
  await isSound(page, 44);
});

/** Screens of a run, where a glove is wet. */
const IN_A_RUN: ReadonlySet<string> = new Set([
  'new part',
  'tool cycle',
  'halted',
  'preparing',
  'photos and voice',
  'run',
  'something is wrong',
]);

/** Screens whose second column holds something of its own; one column looks the same on every width. */
const WIDE = { width: 1280, height: 800 };
const TWO_COLUMNS = new Set(['jobs', 'plan', 'run', 'shelf', 'history', 'layout', 'methods']);

for (const [name, open] of SCREENS) {
  test(name, async ({ shared: page, viewport }) => {
    await page.setViewportSize(viewport!);
    await open(page, await Workshop.signedIn(page));
    const leastPx = IN_A_RUN.has(name) ? 48 : 44;
    await isSound(page, leastPx);
    if (!TWO_COLUMNS.has(name)) return;
    await page.setViewportSize(WIDE);
    await isSound(page, leastPx);
  });
}

/** Axe finds nothing in sunlight nor in the pit, nothing is wider than the screen, every control is large enough for a glove. */
async function isSound(page: Page, leastPx: number): Promise<void> {
  await page.emulateMedia({ colorScheme: 'light' });
  // Nothing is looked at before it was drawn.
  await page.screenshot({});
  expect(findings(await lookedAt(page).analyze())).toEqual([]);
  expect(await misfits(page, leastPx)).toEqual({ small: [], wider: 0 });
  // Only colours change with the light.
  await page.emulateMedia({ colorScheme: 'dark' });
  expect(findings(await lookedAt(page, ['color-contrast']).analyze())).toEqual([]);
}

/**
 * The lines of a list are all alike, and other tests make it long: a dozen of
 * them is looked at. Only what is wrong is told: to name all that is right
 * takes longer than to look, and so does a second page to gather frames on,
 * of which the app has none.
 */
const lookedAt = (page: Page, runOnly?: readonly string[]): AxeBuilder =>
  new AxeBuilder({ page })
    .setLegacyMode(true)
    .options({
      resultTypes: ['violations'],
      preload: false,
      ...(runOnly ? { runOnly: [...runOnly] } : {}),
    })
    .exclude('[role=list] > [role=listitem]:nth-child(n+13)');

const findings = ({ violations }: Awaited<ReturnType<AxeBuilder['analyze']>>) =>
  violations.map(
    (v) =>
      `${v.id}: ${v.help}: ${v.nodes
        .map((n) => n.target.join(' '))
        .slice(0, 4)
        .join(' | ')}`,
  );

const misfits = (page: Page, leastPx: number) =>
  page.evaluate((least) => {
    const small = Array.from(
      document.querySelectorAll('button, [role=button], [role=radio], [role=link], a, input'),
    )
      .filter((e) => (e as HTMLElement).offsetParent !== null)
      .map((e) => ({
        words: (e.getAttribute('aria-label') ?? e.textContent ?? '').slice(0, 40),
        box: e.getBoundingClientRect(),
      }))
      .filter(({ box }) => box.height < least && box.width > 0)
      .map(({ words, box }) => `${words} ${Math.round(box.height)}`);
    return {
      small,
      wider: document.documentElement.scrollWidth - document.documentElement.clientWidth,
    };
  }, leastPx);
