import type { Browser } from 'playwright-core';
import { DEMO_SIGN_IN } from '@brook/demo';
import type { Measured } from './report';

const RUNS = 3;

/**
 * Bytes over the wire of the first load up to the job list, fonts and answers
 * of the API included, over those of a bare page; both compressed the same way
 * and served by the same server.
 */
export async function firstLoad(
  browser: Browser,
  appUrl: string,
  bareUrl: string,
): Promise<Measured> {
  const runs: number[] = [];
  for (let i = 0; i < RUNS; i++) {
    const ours = await transferred(browser, appUrl, 'Take a vehicle in', true);
    const bare = await transferred(browser, bareUrl, 'Bare', false);
    runs.push(ours / bare);
  }
  return { name: 'web.firstLoad.ratio', unit: 'ratio', limit: 1.4, runs };
}

async function transferred(
  browser: Browser,
  url: string,
  shown: string,
  signIn: boolean,
): Promise<number> {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  try {
    if (signIn) await context.request.post(`${url}/api/v1/session`, { data: DEMO_SIGN_IN });
    const page = await context.newPage();
    const client = await context.newCDPSession(page);
    await client.send('Network.enable');
    let bytes = 0;
    client.on('Network.loadingFinished', (event) => (bytes += event.encodedDataLength));
    await page.goto(url);
    await page.getByText(shown, { exact: true }).waitFor();
    if (signIn) await page.getByText('In hand').waitFor();
    await page.evaluate(() => document.fonts.ready.then(() => undefined));
    return bytes;
  } finally {
    await context.close();
  }
}
