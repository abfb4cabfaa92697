import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chosen, numbersIn } from './numbers';

let dir: string;
beforeEach(() => (dir = mkdtempSync(join(tmpdir(), 'numbers-'))));
afterEach(() => rmSync(dir, { recursive: true }));

function placesIn(text: string) {
  const file = join(dir, 'flow.ts');
  writeFileSync(file, text);
  const read = readFileSync(file, 'utf8');
  return numbersIn(file).map((p) => [p.line, read.slice(p.from, p.to), p.becomes]);
}

test('numbers that compute something are changed by a tenth, small counts by one', () => {
  expect(placesIn('const a = 2.5;\nconst b = a * 1_000 + 3;\n')).toEqual([
    [1, '2.5', '2.75'],
    [2, '1_000', '1100'],
    [2, '3', '4'],
  ]);
});

test('places, comments, texts and names are left alone', () => {
  expect(
    placesIn("/** 4 bar */\n * 5 bar\nconst at2 = list[0] ?? 'DOT 4'; // 6\nx = 1;\n"),
  ).toEqual([]);
});

test('the same few are drawn at every run', () => {
  writeFileSync(join(dir, 'many.ts'), 'f(2);\n'.repeat(100));
  const all = numbersIn(join(dir, 'many.ts'));
  const drawn = chosen(all, 10).map((p) => p.line);
  expect(new Set(drawn).size).toBe(10);
  expect(drawn).not.toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10]);
  expect(chosen(all, 10).map((p) => p.line)).toEqual(drawn);
  expect(chosen(all, 1000)).toHaveLength(100);
});
