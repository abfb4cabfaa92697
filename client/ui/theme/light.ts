import { ROLES, type Light } from './roles';

const KEY = 'brook.light';

/** The light that was chosen, or null when the phone decides. */
export function chosenLight(): Light | null {
  const kept = localStorage.getItem(KEY);
  return kept === 'sun' || kept === 'pit' ? kept : null;
}

/** The light that is shown now. */
export function presentLight(): Light {
  return (
    chosenLight() ?? (window.matchMedia('(prefers-color-scheme: dark)').matches ? 'pit' : 'sun')
  );
}

/** Choose sunlight or the dark pit; kept on this phone. */
export function chooseLight(light: Light): void {
  localStorage.setItem(KEY, light);
  document.documentElement.dataset.light = light;
}

/** Put the roles of both lights into the page. Called once, before the first paint. */
export function installTheme(): void {
  const sheet = document.createElement('style');
  const variables = (light: Light) =>
    Object.entries(ROLES[light])
      .map(([role, value]) => `--${role}:${value};`)
      .join('');
  sheet.textContent = [
    `:root{color-scheme:light;${variables('sun')}}`,
    `@media (prefers-color-scheme: dark){:root:not([data-light]){color-scheme:dark;${variables('pit')}}}`,
    `:root[data-light=pit]{color-scheme:dark;${variables('pit')}}`,
    'body{background:var(--ground);color:var(--words)}',
    ':focus-visible{outline:3px solid var(--words)!important;outline-offset:2px}',
  ].join('\n');
  document.head.append(sheet);
  const chosen = chosenLight();
  if (chosen) document.documentElement.dataset.light = chosen;
}
