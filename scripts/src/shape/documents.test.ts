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
