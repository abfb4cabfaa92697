import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { roomFiles } from './roomTests';

let root: string;
beforeEach(() => (root = mkdtempSync(join(tmpdir(), 'room-'))));
afterEach(() => rmSync(root, { recursive: true }));

function write(path: string, text: string): void {
  mkdirSync(dirname(join(root, path)), { recursive: true });
  writeFileSync(join(root, path), text);
}

/** What became of each test below a folder, by its name. */
async function ran(folder: string): Promise<Record<string, string>> {
  const files = await roomFiles(root, folder);
  return Object.fromEntries(
    files.flatMap((file) =>
      file.tests().map(({ id, run }) => {
        try {
          run();
          return [id, 'passed'];
        } catch (error) {
          return [id, (error as Error).message.split('\n')[0]!];
        }
      }),
    ),
  );
}

test('tests of files below a folder, each by its full name, passed or failed', async () => {
  write('core/src/bowl/level.ts', 'export const levelMm = (ml: number) => ml / 4;');
  write(
    'core/src/bowl/level.test.ts',
    `import { levelMm } from './level';
     describe('a bowl', () => {
       test('falls', () => { expect(levelMm(8)).toBe(2); });
       describe.each([['wide', 1]])('that is %s', (_, n) => {
         it.each([1, 2])('holds %i', (m) => { expect(m).toBe(n); });
       });
     });
     test('after it', () => undefined);
     test('after it', () => undefined);`,
  );
  write('core/src/bowl/level.alone.ts', 'throw new Error("not a test");');
  write('core/src/other/line.test.ts', `test('elsewhere', () => undefined);`);
  expect(await ran('core/src/bowl')).toEqual({
    'core/src/bowl/level.test.ts: a bowl falls': 'passed',
    'core/src/bowl/level.test.ts: a bowl that is wide holds 1': 'passed',
    'core/src/bowl/level.test.ts: a bowl that is wide holds 2':
      'expect(received).toBe(expected) // Object.is equality',
    'core/src/bowl/level.test.ts: after it': 'passed',
    'core/src/bowl/level.test.ts: after it #2': 'passed',
  });
});

test('rooms are those of the copy, not those that are linked', async () => {
  write('core/src/fluid/index.ts', `export const boils = 'in the copy';`);
  write('contract/src/index.ts', `export const wire = 'here';`);
  write('node_modules/@brook/core/src/fluid/index.ts', `export const boils = 'elsewhere';`);
  write(
    'core/src/job/job.test.ts',
    `import { boils } from '@brook/core/fluid';
     import { wire } from '@brook/contract';
     test('both', () => expect([boils, wire]).toEqual(['in the copy', 'here']));`,
  );
  expect(await ran('core/src/job')).toEqual({ 'core/src/job/job.test.ts: both': 'passed' });
});

test('a package is the one that the importing room has, not one of the room that is tested', async () => {
  write('core/node_modules/gauge/index.js', `module.exports = 'of core';`);
  write('node_modules/gauge/index.js', `module.exports = 'of all';`);
  write('core/src/bowl/index.ts', `import gauge from 'gauge'; export const has = gauge;`);
  write(
    'contract/src/wire.test.ts',
    `import { has } from '@brook/core/bowl';
     import { sep } from 'node:path';
     import gauge from 'gauge';
     test('each', () => expect([has, gauge, typeof sep]).toEqual(['of core', 'of all', 'string']));`,
  );
  expect(await ran('contract/src')).toEqual({ 'contract/src/wire.test.ts: each': 'passed' });
});

test('nothing is remembered from one change to the next', async () => {
  write('core/src/job/count.ts', 'let n = 0; export const next = () => (n += 1);');
  write(
    'core/src/job/count.test.ts',
    `import { next } from './count'; test('first', () => { expect(next()).toBe(1); });`,
  );
  const [file] = await roomFiles(root, 'core/src/job');
  for (let i = 0; i < 2; i += 1) expect(() => file!.tests()[0]!.run()).not.toThrow();
  // Evaluated once and run twice, it does remember: it is the evaluating that forgets.
  const [once] = file!.tests();
  once!.run();
  expect(() => once!.run()).toThrow();
});
