import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from '../setup/paths';
import { shapeOf } from './figures';
import { measuresOf } from './measures';
import { PICTURE, pictureOf } from './picture';
import { arrowsBetween, arrowsUp, folderCircles, roomOf, TOP } from './rooms';
import { sourceOf, type Source } from './sources';

/** Files that import each other, by path. */
function files(of: Readonly<Record<string, readonly string[]>>): Source[] {
  const known = new Set(Object.keys(of));
  return Object.entries(of).map(([path, imports]) =>
    sourceOf(path, imports.map((i) => `import '${i}';`).join('\n'), known),
  );
}

test('what is imported is found by name, by folder, as a type, from an export and as a worker; a package is none of ours', () => {
  const known = new Set(['w/a/b.ts', 'w/a/index.ts', 'w/c.tsx', 'w/d/e.ts', 'w/work.ts']);
  const { imports, fanOut } = sourceOf(
    'w/d/e.ts',
    `import type { B } from '../a/b';
     export { c } from '../c';
     import { d } from '../a';
     import pkg from 'pkg';
     const later = () => import('../a/b');
     new Worker(new URL('../work', import.meta.url));`,
    known,
  );
  expect([...imports].sort()).toEqual(['w/a/b.ts', 'w/a/index.ts', 'w/c.tsx', 'w/work.ts']);
  expect(fanOut).toBe(5);
});

const ROOMS = ['low', 'job/frame', 'job/run'];

test('an arrow up is an import of a higher room, or of what stands in none', () => {
  const sources = files({
    'w/low/a.ts': ['../job/run/c', './b'],
    'w/low/b.ts': ['../top'],
    'w/job/frame/d.ts': ['../run/c'],
    'w/job/run/c.ts': ['../frame/d', '../../low/a'],
    'w/top.ts': ['./job/run/c'],
  });
  expect(arrowsUp(sources, ROOMS, 'w')).toEqual([
    { from: 'w/low/a.ts', to: 'w/job/run/c.ts' },
    { from: 'w/low/b.ts', to: 'w/top.ts' },
    { from: 'w/job/frame/d.ts', to: 'w/job/run/c.ts' },
  ]);
  expect(roomOf('w/lower/a.ts', ROOMS, 'w')).toBe(TOP);
  expect(arrowsBetween(sources, ROOMS, 'w').get('job/run')).toEqual(
    new Map([
      ['job/frame', 1],
      ['low', 1],
    ]),
  );
});

test('folders that import each other round about are one knot; those that only meet below are none', () => {
  const knot = files({
    'w/a/1.ts': ['../b/1'],
    'w/b/1.ts': ['../c/1'],
    'w/c/1.ts': ['../a/2'],
    'w/a/2.ts': [],
    'w/d/1.ts': ['../a/1', '../c/1'],
  });
  expect(folderCircles(knot)).toEqual([['w/a', 'w/b', 'w/c']]);
  const tree = files({ 'w/a/1.ts': ['../c/1'], 'w/b/1.ts': ['../c/1'], 'w/c/1.ts': [] });
  expect(folderCircles(tree)).toEqual([]);
});

test('a folder and one inside it are two', () => {
  const sources = files({ 'w/a/1.ts': ['./in/1'], 'w/a/in/1.ts': ['../2'], 'w/a/2.ts': [] });
  expect(folderCircles(sources)).toEqual([['w/a', 'w/a/in']]);
});

test('lines of a function, properties of a component, signs that silence the compiler', () => {
  const text = `
interface Many { readonly a: 1; readonly b: 2; readonly c: 3 }
function Page({ a }: Many) {
  const b = a!;
  return b as unknown as string;
}
const Line = ({ x }: { readonly x: number }) => x;
// ${'x'.repeat(120)}
`;
  expect(measuresOf([sourceOf('w/a.tsx', text, new Set())])).toEqual({
    longestFunction: { value: 4, where: 'w/a.tsx:3' },
    fanOut: { value: 0, where: '' },
    props: { value: 3, where: 'w/a.tsx:3' },
    wideLines: 1,
    nonNull: 1,
    asUnknownAs: 1,
  });
});

test('in the product no folders go in circles, no arrow goes up, and no workspace has too many rooms', () => {
  const held = shapeOf(ROOT).filter((f) => f.held);
  expect(held).toHaveLength(10);
  expect(held.filter((f) => f.value > f.limit)).toEqual([]);
});

test('the picture of the rooms is drawn from the imports as they are: npm run shape -- --draw', () => {
  expect(readFileSync(join(ROOT, PICTURE), 'utf8')).toBe(pictureOf(ROOT));
});
