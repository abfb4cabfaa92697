import type { Page } from '@playwright/test';

/** Answer questions of the fluid step by what is seen: question to answer, one tap each. */
export async function answer(page: Page, answers: Record<string, string | RegExp>): Promise<void> {
  for (const [question, word] of Object.entries(answers)) {
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
  'Read the cap: which grade?': 'DOT 4',
  'Colour in the reservoir?': 'amber',
  'How clear is it, reservoir?': 'clear',
  'Does it feel or smell like something else, reservoir?': 'None of these',
} as const;

/** The same with DOT 4 chosen and its colour seen. */
export const SOUND = {
  ...LOOKED,
  'Which fluid goes in?': 'DOT 4',
  'Colour of the new fluid?': 'clear',
} as const;

/** Something behind a "More". */
export const unfold = (page: Page, title: string): Promise<void> =>
  page.getByRole('button', { name: title, exact: true }).click();

/** Each container that was poured from and the jar, looked at and tapped. */
export async function confirmFluid(page: Page): Promise<void> {
  const right = page.getByRole('group', { name: 'Fluid used' }).getByRole('checkbox');
  for (let i = 0; i < (await right.count()); i++)
    if ((await right.nth(i).getAttribute('aria-checked')) !== 'true') await right.nth(i).click();
}
