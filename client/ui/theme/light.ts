import { ROLES, type Light, type Role } from './roles';

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

/** Roles in the colours that the system was told to use. */
const OWN_COLOURS: Readonly<Record<Role, string>> = {
  ground: 'Canvas',
  well: 'Canvas',
  words: 'CanvasText',
  softWords: 'CanvasText',
  hairline: 'CanvasText',
  edge: 'ButtonBorder',
  action: 'Highlight',
  actionPressed: 'Highlight',
  onAction: 'HighlightText',
  stop: 'CanvasText',
  fluidEdge: 'CanvasText',
  veil: 'Canvas',
};

/** Black on white. */
const ON_PAPER: Readonly<Record<Role, string>> = {
  ground: '#fff',
  well: '#fff',
  words: '#000',
  softWords: '#000',
  hairline: '#999',
  edge: '#000',
  action: '#fff',
  actionPressed: '#fff',
  onAction: '#000',
  stop: '#000',
  fluidEdge: '#000',
  veil: '#fff',
};

/** On paper nothing is pressed and nothing scrolls: what can only be pressed goes, all else stands at its full height. */
const PAPER_SHEET = [
  '[role=navigation],[role=complementary],[role=textbox],[role=button]:not([data-printed]),button:not([data-printed]),input,textarea,[data-screen]{display:none!important}',
  'html,body,#root{height:auto!important;overflow:visible!important}',
  '#root div{overflow:visible!important;max-height:none!important;transform:none!important}',
  '[role=row],[role=listitem]{break-inside:avoid}',
].join('');

const variablesOf = (roles: Readonly<Record<Role, string>>): string =>
  Object.entries(roles)
    .map(([role, value]) => `--${role}:${value};`)
    .join('');

/** Put the roles of both lights into the page. Called once, before the first paint. */
export function installTheme(): void {
  const sheet = document.createElement('style');
  const variables = (light: Light) => variablesOf(ROLES[light]);
  sheet.textContent = [
    `:root{color-scheme:light;${variables('sun')}}`,
    `@media (prefers-color-scheme: dark){:root:not([data-light]){color-scheme:dark;${variables('pit')}}}`,
    `:root[data-light=pit]{color-scheme:dark;${variables('pit')}}`,
    'body{background:var(--ground);color:var(--words)}',
    // Where a person has chosen their own colours, every role is one of them, and nothing is mixed.
    `@media (forced-colors: active){:root:root{forced-color-adjust:none;${variablesOf(OWN_COLOURS)}}}`,
    `@media print{:root:root{color-scheme:light;${variablesOf(ON_PAPER)}}${PAPER_SHEET}}`,
    ':focus-visible{outline:3px solid var(--words)!important;outline-offset:2px}',
  ].join('\n');
  document.head.append(sheet);
  const chosen = chosenLight();
  if (chosen) document.documentElement.dataset.light = chosen;
}
