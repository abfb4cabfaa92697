import { openSync, type Font } from 'fontkit';
import { createRequire } from 'node:module';

const files = createRequire(import.meta.url);
const noto = (script: string, subset: string, weight: number) =>
  `@fontsource/noto-sans${script}/files/noto-sans${script}-${subset}-${weight}-normal.woff`;
/** What the app's own letters lack: the rest of Latin, then one file for each other script. */
const OTHERS = [
  ['', 'latin-ext'],
  ['', 'vietnamese'],
  ['', 'greek'],
  ['', 'greek-ext'],
  ['', 'cyrillic'],
  ['', 'cyrillic-ext'],
  ['', 'devanagari'],
  ['-hebrew', 'hebrew'],
  ['-arabic', 'arabic'],
  ['-thai', 'thai'],
] as const;
const own = (family: string, file: string) => `@fontsource/${family}/files/${family}-${file}.woff`;

/** The faces that are written in; each is a row of files, the first that has a letter is taken. */
const FACES = {
  words: [
    own('atkinson-hyperlegible-next', 'latin-400-normal'),
    own('atkinson-hyperlegible-next', 'latin-ext-400-normal'),
    ...OTHERS.map(([script, subset]) => noto(script, subset, 400)),
  ],
  strong: [
    own('atkinson-hyperlegible-next', 'latin-700-normal'),
    own('atkinson-hyperlegible-next', 'latin-ext-700-normal'),
    ...OTHERS.map(([script, subset]) => noto(script, subset, 700)),
  ],
  numerals: [
    own('barlow-condensed', 'latin-600-normal'),
    own('barlow-condensed', 'latin-ext-600-normal'),
    ...OTHERS.map(([script, subset]) => noto(script, subset, 700)),
  ],
} as const;
export type Face = keyof typeof FACES;

/** Every font by the name under which a sheet registers it; it opens those alone that it writes in. */
export const FONT_FILES: readonly (readonly [name: string, path: string])[] = Object.entries(
  FACES,
).flatMap(([face, row]) => row.map((file, i) => [fontName(face, i), files.resolve(file)] as const));

/** A face's own letters go by its name. */
function fontName(face: string, i: number): string {
  return i === 0 ? face : `${face} ${i}`;
}

const opened = new Map<string, Font>();
function fontOf(path: string): Font {
  const known = opened.get(path);
  if (known) return known;
  const font = openSync(path) as Font;
  opened.set(path, font);
  return font;
}
const PATHS = new Map(FONT_FILES);

/** Joiners and marks of direction have no picture of their own. */
const UNSEEN = /[\u200b-\u200f\u202a-\u202e\u2060\u2066-\u2069\ufe0e\ufe0f\u00ad]/u;

/**
 * The font of a face that has every sign of a letter with its marks.
 *
 * @returns null where none has it
 */
export function fontFor(face: Face, letter: string): string | null {
  const signs = [...letter].filter((sign) => !UNSEEN.test(sign));
  for (let i = 0; i < FACES[face].length; i++) {
    const name = fontName(face, i);
    const font = fontOf(PATHS.get(name)!);
    if (signs.every((sign) => font.hasGlyphForCodePoint(sign.codePointAt(0)!))) return name;
  }
  return null;
}

const GRAPHEMES = new Intl.Segmenter('und', { granularity: 'grapheme' });
/** Letters with their marks, as a reader counts them (UAX #29). */
export const lettersIn = (words: string): string[] =>
  Array.from(GRAPHEMES.segment(words), (s) => s.segment);

/** What stands where letters are that no font here has. */
export const NOT_PRINTED = '(cannot be printed here)';

/** Words with every stretch that cannot be printed said to be so, instead of drawn as boxes. */
export function printable(face: Face, words: string): string {
  let said = '';
  let missing = false;
  for (const letter of lettersIn(words)) {
    const has = /^\s+$/u.test(letter) || fontFor(face, letter) !== null;
    if (has) said += letter;
    else if (!missing) said += NOT_PRINTED;
    // A blank between two that are missing says nothing by itself.
    missing = has ? missing && /^\s+$/u.test(letter) : true;
  }
  return said;
}
