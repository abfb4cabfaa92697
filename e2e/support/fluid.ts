import type { Page } from '@playwright/test';

type Part = 'cap' | 'look' | 'measure' | 'fill';

/** In which part of the fluid step a question stands. */
const PART_OF: readonly (readonly [question: RegExp, part: Part])[] = [
  [/on the cap|ABS or|in the system now|seals are|its maker asks|whom do you/i, 'cap'],
  [/reservoir\?$/, 'look'],
  [/where was it taken|it behaves/i, 'measure'],
  [/goes in|new fluid|label say|dyed/i, 'fill'],
];

/** One of the parts of the fluid step, whatever is still open in the one before. */
export const toPart = (page: Page, part: Part): Promise<void> =>
  page
    .getByRole('navigation', { name: 'Parts of the fluid step' })
    .getByRole('button', { name: new RegExp(`^${part}:`) })
    .click();

/** Answer questions by what is seen, each in its part of the fluid step: question to answer, one tap each. */
export async function answer(page: Page, answers: Record<string, string | RegExp>): Promise<void> {
  for (const [question, word] of Object.entries(answers)) {
    const part = PART_OF.find(([asked]) => asked.test(question))?.[1];
    if (part && new URL(page.url()).pathname.startsWith('/jobs/')) await toPart(page, part);
    if (question.startsWith('Any odd colour'))
      await page.getByRole('button', { name: 'Odd colour, reservoir' }).click();
    const group = page
      .getByRole('radiogroup', { name: question })
      .or(page.getByRole('group', { name: question }));
    const option = (role: 'radio' | 'checkbox') =>
      group.getByRole(role, { name: word, exact: typeof word === 'string' });
    await option('radio').or(option('checkbox')).click();
  }
}

/** Sound fluid in a DOT 4 system, up to the choice of what goes in. */
export const LOOKED = {
  'Which grade on the cap?': 'DOT 4',
  'Colour in the reservoir?': 'amber',
  'How clear is it, reservoir?': 'clear',
  'Does it feel or smell like something else, reservoir?': 'No',
} as const;

/** The same with DOT 4 chosen and its colour seen. */
export const SOUND = {
  ...LOOKED,
  'Which fluid goes in?': 'DOT 4',
  'Colour of the new fluid?': 'clear',
} as const;

/** Every reason behind a verdict, in the sheet that it opens. */
export const why = (page: Page, verdict: string): Promise<void> =>
  page.getByRole('button', { name: `${verdict}. Why?` }).click();

/** Something behind a "More". */
export const unfold = (page: Page, title: string): Promise<void> =>
  page.getByRole('button', { name: title, exact: true }).click();

/** Each container that was poured from and the jar, looked at and tapped. */
export async function confirmFluid(page: Page): Promise<void> {
  const right = page.getByRole('group', { name: 'Fluid used' }).getByRole('checkbox');
  for (let i = 0; i < (await right.count()); i++)
    if ((await right.nth(i).getAttribute('aria-checked')) !== 'true') await right.nth(i).click();
}
