import { existsSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { folderFault, LEAST_FREE_MB, roomFault, sentenceFor } from './dataFolder';

let dir: string;
beforeEach(() => {
  dir = mkdtempSync(join(tmpdir(), 'brook-folder-'));
});
afterEach(() => rmSync(dir, { recursive: true }));

test('a folder that can be written is made, and nothing stays in it', () => {
  const deeper = join(dir, 'deeper', 'still');
  expect(folderFault(deeper)).toBeNull();
  expect(readdirSync(deeper)).toEqual([]);
});

test('a file where the folder should be, or above it, is one sentence, and stays', () => {
  const file = join(dir, 'a-file');
  writeFileSync(file, 'mine');
  for (const at of [file, join(file, 'under')])
    expect(folderFault(at)).toBe(sentenceFor(at, 'ENOTDIR'));
  expect(existsSync(file)).toBe(true);
});

test('a folder that the system lets nobody make, root neither, is one sentence', () => {
  expect(folderFault('/sys/brook-data')).toMatch(/^The data folder .* --data\.$/);
});

test.each([
  ['EROFS', /can only be read/],
  ['EACCES', /may not be written by this user/],
  ['EPERM', /may not be written by this user/],
  ['ENOSPC', /is full/],
  ['EIO', /cannot be used \(EIO\)/],
])('%s is said in words', (code, words) => {
  const sentence = sentenceFor('/data', code);
  expect(sentence).toMatch(words);
  expect(sentence).toMatch(/\/data.*Nothing was changed.*--data\.$/);
});

test('a disk that is nearly full is told before anything is written', () => {
  expect(roomFault('/data', LEAST_FREE_MB)).toBeNull();
  expect(roomFault('/data', LEAST_FREE_MB - 0.5)).toMatch(/has 249 MB left, and 250 MB are needed/);
});
