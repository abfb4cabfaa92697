import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { leaveDataFolder, takeDataFolder } from './dataLock';

let dir: string;
beforeEach(() => {
  dir = mkdtempSync(join(tmpdir(), 'brook-lock-'));
});
afterEach(() => rmSync(dir, { recursive: true }));

test('the first one takes the folder, the second one is told where the first serves', () => {
  expect(takeDataFolder(dir, 'http://127.0.0.1:1')).toBeNull();
  expect(takeDataFolder(dir, 'http://127.0.0.1:2')).toBe('http://127.0.0.1:1');
});

test('a folder that is not there yet is made', () => {
  expect(takeDataFolder(join(dir, 'deeper', 'still'), 'http://127.0.0.1:1')).toBeNull();
  expect(existsSync(join(dir, 'deeper', 'still', 'in-use'))).toBe(true);
});

test('what a killed process left behind is taken over', () => {
  const gone = spawnSync(process.execPath, ['-e', '']).pid;
  writeFileSync(join(dir, 'in-use'), `${gone}\nhttp://127.0.0.1:1\n`);
  expect(takeDataFolder(dir, 'http://127.0.0.1:2')).toBeNull();
  expect(readFileSync(join(dir, 'in-use'), 'utf8')).toContain('http://127.0.0.1:2');
});

test('a lock that cannot be read counts as left behind', () => {
  writeFileSync(join(dir, 'in-use'), 'nonsense');
  expect(takeDataFolder(dir, 'http://127.0.0.1:2')).toBeNull();
});

test('leaving gives the folder free, and only one’s own', () => {
  takeDataFolder(dir, 'http://127.0.0.1:1');
  leaveDataFolder(dir);
  expect(existsSync(join(dir, 'in-use'))).toBe(false);
  writeFileSync(join(dir, 'in-use'), '1\nhttp://127.0.0.1:1\n');
  leaveDataFolder(dir);
  expect(existsSync(join(dir, 'in-use'))).toBe(true);
});
