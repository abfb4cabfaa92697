import { existsSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { ROOT } from '../setup/paths';

const read = (path: string) => readFileSync(join(ROOT, path), 'utf8');
const DOCUMENTS = ['README.md', 'CONTRIBUTING.md', 'docs/architecture.md', 'docs/glossary.md'];

/** Files and folders of ours that a text names in code, and those that it links to. */
const named = (document: string): string[] => [
  ...[
    ...read(document).matchAll(
      /`((?:core|contract|server|client|demo|e2e|scripts|docs)\/[\w./[\]-]+)`/g,
    ),
  ].map((m) => m[1]!),
  ...[...read(document).matchAll(/\]\((?!https?:|#)([^)]+)\)/g)].map((m) =>
    join(dirname(document), m[1]!),
  ),
];

test.each(DOCUMENTS)('%s names only what is there', (document) => {
  const paths = named(document);
  expect(paths.length).toBeGreaterThan(document === 'docs/glossary.md' ? -1 : 5);
  expect(paths.filter((path) => !existsSync(join(ROOT, path)))).toEqual([]);
});

test('where it goes is said of twenty kinds of change and more', () => {
  const rows = read('CONTRIBUTING.md').match(/^\| (?!what changes|---).* \| .*`.*`.* \|$/gm) ?? [];
  expect(rows.length).toBeGreaterThanOrEqual(20);
});

test('the glossary has a word for a thing once, each with its mark', () => {
  const rows = read('docs/glossary.md')
    .split('\n')
    .filter((line) => /^\| (?!word|---)/.test(line));
  const words = rows.map((line) => line.split('|')[1]!.trim());
  expect(new Set(words).size).toBe(words.length);
  expect(rows.filter((line) => !/\| \[[CMS]\]/.test(line))).toEqual([]);
});

test('each section of the architecture is a screen long at the most, and each chapter stands in the list at its head', () => {
  const text = read('docs/architecture.md');
  const sections = text.split(/\n(?=#{2,3} )/);
  // A table or a paragraph of this many signs fills a laptop's screen.
  expect(sections.filter((section) => section.length > 1_500)).toEqual([]);
  const chapters = [...text.matchAll(/^## (.*)$/gm)].map((m) => m[1]!);
  expect(chapters.length).toBeGreaterThan(4);
  const anchor = (title: string) => title.toLowerCase().replaceAll(',', '').replaceAll(' ', '-');
  for (const title of chapters) expect(text).toContain(`- [${title}](#${anchor(title)})`);
});
