import { isFile, isJudged, limitOf, testsOf } from './tests';

test('a folder or one file of it may be named, with or without markup', () => {
  for (const file of ['core/src/job/gate/gate.ts', 'client/ui/Words.tsx'])
    expect(isFile(file)).toBe(true);
  for (const folder of ['core/src/job/gate', 'client/ui', 'core/src/tsx'])
    expect(isFile(folder)).toBe(false);
});

test('in core a room is judged by its own tests, elsewhere a folder by those beside it', () => {
  expect(testsOf('core/src/job/gate')).toBe('core/src/job');
  expect(testsOf('core/src/owed/openItems/vehicle.ts')).toBe('core/src/owed');
  expect(testsOf('client/ui')).toBe('client/ui');
  expect(testsOf('client/ui/Words.tsx')).toBe('client/ui');
});

test('where a vehicle is let go or held more must be noticed, in the folder and in each file of it', () => {
  for (const path of ['core/src/job/gate', 'core/src/owed/openItems/vehicle.ts'])
    expect(limitOf(path)).toBe(90);
  // Beside it, and one whose name only begins alike.
  for (const path of ['core/src/job/run', 'core/src/job/gateway', 'core/src/job'])
    expect(limitOf(path)).toBe(85);
});

test('rooms whose tests want a database or a browser are not judged', () => {
  for (const path of ['core/src/job/gate', 'contract/src/apiDriver', 'client/ui/Words.tsx'])
    expect(isJudged(path)).toBe(true);
  for (const path of [
    'server/src/journal',
    'scripts/src/mutants',
    'e2e/tests',
    'core',
    'clientele/x',
  ])
    expect(isJudged(path)).toBe(false);
});
