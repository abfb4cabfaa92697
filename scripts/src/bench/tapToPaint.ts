import type { Browser } from 'playwright-core';
import { DEMO_SIGN_IN } from '@brook/demo';
import type { Measured } from './report';

const WARM_UP = 3;
const RUNS = 20;
const SLOWDOWN = 4;
/** Nobody pumps faster than twice a second. */
const BETWEEN_STROKES_MS = 500;

/** From the tap to the frame that shows the stroke, on the phone view with the processor slowed down four times. */
export async function tapToPaint(browser: Browser, url: string): Promise<Measured> {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
  });
  try {
    await context.request.post(`${url}/api/v1/session`, { data: DEMO_SIGN_IN });
    const { jobs } = (await (await context.request.get(`${url}/api/v1/jobs?limit=100`)).json()) as {
      jobs: { id: string; vehicleTag: string; stage: string }[];
    };
    const page = await context.newPage();
    await page.goto(
      `${url}/jobs/${jobs.find((j) => j.vehicleTag === 'HC 2' && j.stage === 'run')!.id}`,
    );
    const pad = page.getByTestId('count-pad');
    // The demo's run was counted on another phone; this one goes on.
    await page.getByRole('button', { name: 'Count on this phone' }).click();
    await pad.waitFor();
    await (
      await context.newCDPSession(page)
    ).send('Emulation.setCPUThrottlingRate', { rate: SLOWDOWN });
    const runs: number[] = [];
    // What comes between two strokes is answered when it is called for, and not measured.
    for (let tap = 0; runs.length < RUNS; tap++) {
      while (!(await pad.isVisible())) {
        const bubbles = page.getByRole('radio', { name: 'none, and as the new' });
        const looked = await page.getByText('Tap the bubbles above').isVisible();
        await (looked ? bubbles : page.getByTestId('next-action'))
          .click({ timeout: 2_000 })
          .catch(() => undefined);
      }
      const { x, y, width, height } = (await pad.boundingBox())!;
      // A bare touch: the runner's own checks of what lies under the finger would count as well.
      await page.evaluate(WATCH_FOR_PAINT);
      await page.touchscreen.tap(x + width / 2, y + height / 2);
      const ms = await page.evaluate<number>('window.painted');
      if (tap >= WARM_UP) runs.push(ms);
      await page.waitForTimeout(BETWEEN_STROKES_MS);
    }
    return { name: 'run.tapToPaint', unit: 'ms', limit: 100, runs };
  } finally {
    await context.close();
  }
}

/**
 * In the page: milliseconds from the next touch to the frame that shows the
 * changed text. As text, because what the TypeScript runner adds to functions is not there in the page.
 */
const WATCH_FOR_PAINT = `void (window.painted = new Promise((resolve) => {
  const watched = document.querySelector('[role=main]');
  const before = watched.textContent;
  let touchedAt = 0;
  window.addEventListener('pointerdown', (event) => (touchedAt = event.timeStamp), { once: true, capture: true });
  const observer = new MutationObserver(() => {
    if (touchedAt === 0 || watched.textContent === before) return;
    observer.disconnect();
    // The message is handled right after the frame that shows the change.
    requestAnimationFrame(() => {
      const { port1, port2 } = new MessageChannel();
      port1.onmessage = () => resolve(performance.now() - touchedAt);
      port2.postMessage(null);
    });
  });
  observer.observe(watched, { subtree: true, childList: true, characterData: true });
}))`;
