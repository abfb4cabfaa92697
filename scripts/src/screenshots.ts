import type { VehiclePage } from '@brook/contract';
import { DEMO, DEMO_SIGN_IN } from '@brook/demo';
import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Browser, Page } from 'playwright-core';
import { launchChromium } from './setup/browser';
import { freePort, secretFile, startCluster } from './setup/cluster';
import { ROOT } from './setup/paths';
import { say } from './setup/say';
import { startServer, stopServer } from './setup/server';
import { buildWeb } from './setup/web';

const DIR = join(ROOT, '.test', 'screenshots');
const PICTURES = join(ROOT, 'docs', 'screenshots');
/** The demo's dates count from here and the page's clock stands here, so that a picture only changes when its view does. */
const DAY = '2026-05-12T10:30:00Z';
const PHONE = { width: 390, height: 844 };
const WIDE = { width: 1280, height: 800 };

interface Picture {
  readonly name: string;
  readonly size?: typeof PHONE;
  /** A path, vehicle tag and stage of the demo's job to open, or a page of a vehicle. */
  readonly open:
    | string
    | readonly [tag: string, stage: string]
    | { readonly vehicle: string; readonly page: string };
  readonly then?: (page: Page) => Promise<void>;
}

const methods = async (page: Page) => {
  await page.getByRole('button', { name: /^Method:/ }).click();
  await page.getByRole('button', { name: /^Gravity/ }).click();
  await page
    .getByRole('button', { name: /^Gravity/ })
    .evaluate((e) => e.scrollIntoView({ block: 'start' }));
};
const editLine = async (page: Page) => {
  await page.getByRole('button', { name: 'Line up the tunnel', exact: true }).click();
  await page.getByRole('textbox', { name: 'Length' }).fill('100');
  await page.getByRole('textbox', { name: 'Length' }).blur();
};
const answer = async (
  page: Page,
  answers: readonly (readonly [question: RegExp, answer: string | RegExp])[],
) => {
  for (const [question, word] of answers) {
    const group = page
      .getByRole('radiogroup', { name: question })
      .or(page.getByRole('group', { name: question }));
    await group
      .getByRole('radio', { name: word, exact: true })
      .or(group.getByRole('checkbox', { name: word, exact: true }))
      .click();
  }
};
const nextPart = async (page: Page) => page.getByTestId('next-action').click();
const lookAtFluid = async (page: Page, colour: string) => {
  await answer(page, [
    [/Colour in the reservoir/, colour],
    [/How clear.*reservoir/, 'clear'],
    [/feel or smell.*reservoir/, 'No'],
  ]);
  await nextPart(page);
};
const readFluid = async (page: Page) => {
  await answer(page, [[/all as before/, 'Yes']]);
  await lookAtFluid(page, 'brown');
  await page.getByLabel('Water, reservoir').fill('3.2');
  await page.getByRole('heading', { name: 'Replace now' }).waitFor();
};
const takeIn = async (page: Page) => {
  await page.getByRole('button', { name: 'Take it in' }).click();
  await page.getByText('And today?').waitFor();
};
const decide = async (page: Page) => {
  await page
    .getByRole('radio', { name: /do the others/ })
    .last()
    .click();
  await page.getByText('What now?').evaluate((e) => e.scrollIntoView({ block: 'start' }));
};
const takeOver = async (page: Page) => {
  await page.getByRole('button', { name: 'Count on this phone' }).click();
  await page.getByText('One stroke made').waitFor();
};
/** The same run as the helper's phone shows it. */
const help = async (page: Page) => {
  await page.getByRole('button', { name: 'Helper’s phone' }).click();
  const code = await page.getByText(/^[2-9A-Z]{4} [2-9A-Z]{4}$/).innerText();
  await page.goto(`${new URL(page.url()).origin}/help#${code.replace(' ', '')}`);
  await page.getByLabel('Your name').fill('Ode');
  await page.getByTestId('next-action').click();
  await page.getByText('Push', { exact: true }).waitFor();
  await page.locator('[data-testid=next-action]:not([aria-disabled=true])').waitFor();
};
/** Half-way through measuring the pedal. */
const measure = async (page: Page) => {
  await page.getByRole('button', { name: 'Measure it with a ruler' }).click();
  for (const [title, mm] of [
    [/at rest/, '182'],
    [/first resistance/, '168'],
    [/light push/, '146'],
  ] as const) {
    await page.getByRole('heading', { level: 1, name: title }).waitFor();
    await page.getByRole('textbox').fill(mm);
    await page.getByTestId('next-action').click();
  }
  await page.getByRole('heading', { level: 1, name: /firm push/ }).waitFor();
  await page.getByRole('textbox').fill('131');
};
const joints = async (page: Page) => {
  await page.getByRole('button', { name: 'List', exact: true }).click();
  await page.getByRole('button', { name: /^Joints dry: / }).click();
  await page.getByText('wet looks like this').waitFor();
  await page.waitForTimeout(1_100);
};
const trend = async (page: Page) => {
  await page.getByTestId('air-trend').waitFor();
  await page
    .getByRole('heading', { name: 'Pedal and lever' })
    .evaluate((e) => e.scrollIntoView({ block: 'start' }));
};
const reckon = async (page: Page) => {
  await page.getByLabel('Length of the descent').fill('11');
  await page.getByLabel('Drop').fill('780');
  await page.getByLabel('Mass, loaded').fill('2900');
  await page.getByTestId('next-action').click();
  await page
    .getByText(/of margin|would boil/)
    .first()
    .waitFor();
};

const ALL: readonly Picture[] = [
  { name: 'jobs', open: '/' },
  { name: 'owes', open: { vehicle: 'LB 1', page: '' }, then: takeIn },
  { name: 'fluid', open: ['SM 1', 'fluid'], then: readFluid },
  { name: 'plan', open: ['HC 7', 'plan'] },
  { name: 'methods', open: ['RS 1', 'plan'], then: methods },
  { name: 'layout', open: { vehicle: 'TW 1', page: 'layout' }, then: editLine },
  { name: 'run', open: ['HC 2', 'run'], then: takeOver },
  { name: 'helper', open: ['HC 2', 'run'], then: help },
  { name: 'halted', open: ['MC 2', 'run'], then: decide },
  { name: 'pedal', open: ['HC 6', 'proof'], then: measure },
  { name: 'proof', open: ['HC 6', 'proof'], then: joints },
  { name: 'release', open: ['MC 1', 'test drive'] },
  { name: 'record', open: ['HC 4', 'released'] },
  { name: 'overview', open: '/overview' },
  { name: 'shelf', open: '/shelf' },
  { name: 'history', open: { vehicle: 'SM 1', page: 'history' } },
  { name: 'trend', open: { vehicle: 'PV 1', page: 'history' }, then: trend },
  { name: 'descent', open: { vehicle: 'SM 1', page: 'descent' }, then: reckon },
  { name: 'plan-wide', size: WIDE, open: ['HC 7', 'plan'] },
];

rmSync(DIR, { recursive: true, force: true });
mkdirSync(DIR, { recursive: true });
mkdirSync(PICTURES, { recursive: true });
const web = await buildWeb();
const cluster = await startCluster({ dir: join(DIR, 'data'), throwaway: true });
try {
  const port = await freePort();
  const seed = join(DIR, 'demo.json');
  const secret = join(DIR, 'session-secret');
  writeFileSync(seed, JSON.stringify(DEMO));
  secretFile(secret);
  const server = await startServer({
    database: cluster.database('demo'),
    secretFile: secret,
    port,
    web,
    seed,
    seedDay: DAY,
  });
  const browser = await launchChromium();
  try {
    for (const picture of ALL) await take(browser, `http://127.0.0.1:${port}`, picture);
  } finally {
    await browser.close();
    await stopServer(server);
  }
} finally {
  cluster.stop();
}

async function take(
  browser: Browser,
  url: string,
  { name, size = PHONE, open, then }: Picture,
): Promise<void> {
  const context = await browser.newContext({
    viewport: size,
    timezoneId: 'Atlantic/Faroe',
    locale: 'en-GB',
    hasTouch: size === PHONE,
  });
  try {
    await context.request.post(`${url}/api/v1/session`, { data: DEMO_SIGN_IN });
    const page = await context.newPage();
    await page.clock.setFixedTime(new Date(DAY));
    await page.goto(
      `${url}${typeof open === 'string' ? open : 'vehicle' in open ? await vehiclePath(page, url, open) : await pathOf(page, url, open)}`,
    );
    await page
      .getByTestId('next-action')
      .or(page.getByRole('radiogroup').first())
      .first()
      .waitFor();
    await then?.(page);
    await page.evaluate(() => document.fonts.ready.then(() => undefined));
    await page.waitForTimeout(400);
    await page.screenshot({ path: join(PICTURES, `${name}.png`) });
    say(`docs/screenshots/${name}.png`);
  } finally {
    await context.close();
  }
}

async function pathOf(
  page: Page,
  url: string,
  [tag, stage]: readonly [string, string],
): Promise<string> {
  const { jobs } = (await (await page.request.get(`${url}/api/v1/jobs?limit=100`)).json()) as {
    jobs: { id: string; vehicleTag: string; stage: string }[];
  };
  const job = jobs.find((j) => j.vehicleTag === tag && j.stage === stage);
  if (!job) throw new Error(`the demo has no job of ${tag} at ${stage}`);
  return `/jobs/${job.id}`;
}

async function vehiclePath(
  page: Page,
  url: string,
  { vehicle, page: name }: { readonly vehicle: string; readonly page: string },
): Promise<string> {
  const { vehicles } = (await (
    await page.request.get(`${url}/api/v1/vehicles?limit=500`)
  ).json()) as VehiclePage;
  return `/vehicles/${vehicles.find((v) => v.tag === vehicle)!.id}/${name}`;
}
