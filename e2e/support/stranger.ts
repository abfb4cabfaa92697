import { expect, type Locator, type Page } from '@playwright/test';

/** What somebody who stands at the vehicle sees there; they know nothing of the app. */
const SEEN: readonly (readonly [question: RegExp, answer: RegExp])[] = [
  [/why is it here/i, /renew the fluid/i],
  [/who is at hand/i, /helper/i],
  [/the cap/i, /^DOT 4$/],
  [/ABS or stability/i, /^ABS$/],
  [/colour in the reservoir/i, /^straw$/],
  [/how clear/i, /^hazy$/],
  [/feel or smell/i, /^no$/i],
  [/which fluid goes in/i, /^DOT 4$/],
  [/new fluid/i, /^clear$/],
  // Each container and the jar, as it is looked at.
  [/^fluid used$/i, /./],
  [/opened bottle checked/i, /^yes$/i],
  // Each sign of a chamber on the bench.
  [/chamber|what is seen/i, /./],
  // A way that fills: the reservoir is let fall to a quarter, as low as it may, and is topped up.
  [/where does it stand/i, /^(¼|MIN)$/],
  [/bubbles/i, /^none(, and as the new)?$/],
  [/colour in the hose/i, /^clear$/],
  [/how is the brake (pedal|lever)/i, /^firm and high$/],
  [/test drive/i, /^good$/i],
  [/^ignition$/i, /^on$/i],
  [/fault code stand/i, /^none$/i],
  // A master joined with every care.
  [/anything else opened|modulator lose fluid/i, /^no$/i],
  [/\?$/, /^yes$/i],
];

/**
 * One move of a stranger on a phone: press the one next action; where it waits
 * for something, answer the first open question by what is seen on the vehicle.
 *
 * @param press how something is pressed: by a finger, unless it is said otherwise
 * @param end where this is seen, nothing more is done
 * @returns what was done, or null when the page went on under the finger and must be looked at again
 */
export async function nextMove(
  page: Page,
  press: Press = pressed,
  end?: Locator,
): Promise<string | null> {
  const action = page.getByTestId('next-action');
  const open = page.getByTestId('unanswered').first();
  // Either one or the other is called for, whichever page this is.
  await expect(action.or(open).first()).toBeVisible();
  if (press === pressed) {
    const made = await heldFor(page);
    if (made > 1) return `Hold: ${made} made`;
  }
  // Where it takes no press yet, a person waits.
  if (hurried.has(page)) await page.clock.fastForward(ARMED_MS);
  if (await isReady(action)) {
    const words = await action.innerText({ timeout: 1_500 }).catch(() => null);
    if (words === null || (await end?.isVisible())) return null;
    return (await press(action)) ? words.trim() : null;
  }
  if ((await open.count()) === 0) return null;
  const question = await open.getAttribute('aria-label', { timeout: 1_500 }).catch(() => null);
  // Looked for behind the question: one of the end's own page is not answered.
  if (question === null || (await end?.isVisible())) return null;
  const answer = SEEN.find(([asked]) => asked.test(question))?.[1];
  // Read while its page was giving way to the next, it is looked at again; one that stays unknown is never answered.
  if (!answer) return null;
  return (await press(
    open
      .getByRole('radio', { name: answer })
      .or(open.getByRole('checkbox', { name: answer, checked: false }))
      .first(),
  ))
    ? `${question} ${answer.source}`
    : null;
}

/** Longer than a long press takes, and than a button waits before it takes a press, ms. */
const HELD_MS = 800;
const ARMED_MS = 1_100;

/** Pages whose clock is turned where a person would wait. */
const hurried = new WeakSet<Page>();

/** Wait by the page's own clock: what takes a second takes none. Before the page is opened. */
export async function hurry(page: Page): Promise<void> {
  await page.clock.install();
  hurried.add(page);
}

/**
 * Hold the large area where it counts several strokes at once.
 *
 * @returns how many it counted; 1 where it counts none at once, and nothing was pressed
 */
export async function heldFor(page: Page): Promise<number> {
  const words = page.getByTestId('count-pad').getByText(/^Hold: \d+ made$/);
  if (!(await words.isVisible())) return 1;
  const said = await words.innerText({ timeout: 1_500 }).catch(() => '');
  const made = Number(/\d+/.exec(said)?.[0] ?? 1);
  // The page went on meanwhile.
  if (made === 1) return 1;
  const pad = page.getByTestId('count-pad');
  if (!hurried.has(page)) {
    await pad.click({ delay: HELD_MS });
    return made;
  }
  await pad.scrollIntoViewIfNeeded({ timeout: 1_500 }).catch(() => undefined);
  const box = await pad.boundingBox({ timeout: 1_500 }).catch(() => null);
  if (!box) return 1;
  const at = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  await page.mouse.move(at.x, at.y);
  // Where the page went on meanwhile something else may stand there by now.
  const there = await page.evaluate(
    ({ x, y }) => document.elementFromPoint(x, y)?.closest('[data-testid=count-pad]') != null,
    at,
  );
  if (!there) return 1;
  await page.mouse.down();
  await page.clock.fastForward(HELD_MS);
  await page.mouse.up();
  return made;
}

/** @returns whether it was pressed; not where it is gone or shut meanwhile */
export type Press = (what: Locator) => Promise<boolean>;

/** Tab and arrow keys until it has the focus, then the key that presses it. */
export const byKeyboard: Press = async (what) => {
  const page = what.page();
  // The thing itself: once it is pressed, it may no longer be what was looked for.
  const thing = await what.elementHandle({ timeout: 1_500 }).catch(() => null);
  if (!thing) return false;
  const where = () =>
    thing.evaluate((el) => {
      const here = document.activeElement;
      if (!el.isConnected) return 'gone';
      if (here === el) return el.getAttribute('aria-checked') === 'true' ? 'chosen' : 'there';
      return el.closest('[role=radiogroup]')?.contains(here) ? 'in its group' : 'elsewhere';
    });
  for (let keys = 0; keys < 150; keys++) {
    const at = await where();
    if (at === 'gone') return false;
    // An arrow chooses what it comes to.
    if (at === 'chosen') return true;
    if (at === 'there') {
      await page.keyboard.press('Space');
      return true;
    }
    await page.keyboard.press(at === 'in its group' ? 'ArrowDown' : 'Tab');
  }
  throw new Error(`No key leads to ${what.toString()}`);
};

/** Press what was seen, unless it is gone or shut by the time the finger comes down. */
async function pressed(button: Locator): Promise<boolean> {
  return button.click({ timeout: 1_500 }).then(
    () => true,
    () => false,
  );
}

async function isReady(action: Locator): Promise<boolean> {
  return (
    (await action.count()) > 0 && (await action.isEnabled({ timeout: 1_500 }).catch(() => false))
  );
}

/** What a ruler says where everything is right: a blocked slave hardly lets the rod move, one that is free travels. */
const MEASURED: readonly (readonly [asked: RegExp, mm: string])[] = [
  [/Travel of the master’s rod/, '2'],
  [/Travel of the slave|Takes up at/, '60'],
  [/^Bite (before|after)$/, '40'],
  [/^Battery, ignition on$/, '12.6'],
];

/**
 * Do what is called for, as somebody at the vehicle who sees what is good, until the run is through.
 *
 * @param look what else is looked at before each move
 */
export async function runToTheEnd(
  page: Page,
  look: () => Promise<void> = () => Promise.resolve(),
): Promise<string[]> {
  const moves: string[] = [];
  const through = page.getByText('On to the proof', { exact: true });
  const proof = page.getByRole('heading', { name: /^(Brake|Clutch) (pedal|lever)$/ });
  const end = through.or(proof).first();
  while (!(await end.isVisible())) {
    for (const [asked, mm] of MEASURED) {
      const typed = page.getByRole('textbox', { name: asked });
      if (await typed.isVisible()) await typed.fill(mm, { timeout: 1_000 }).catch(() => undefined);
    }
    await look();
    const move = await nextMove(page, pressed, end);
    if (move !== null) moves.push(move);
    expect(moves.length, moves.slice(-8).join(' | ')).toBeLessThan(250);
  }
  // What was tapped stands on the phone first: who asks the workshop next shall find all of it.
  await expect(page.getByText(/^All with the workshop/).first()).toBeVisible();
  return moves;
}
