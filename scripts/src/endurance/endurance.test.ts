import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Field } from './field';
import { isMet, percentile, type Figure } from './figures';
import { mulberry32 } from '@brook/core/testing/witness';
import { fuzz } from './fuzz';
import { killDatabase, killServer } from './kills';
import { load } from './load';
import { twoPhones } from './phones';
import { lostOrDoubled, type Tapper } from './tapper';
import { tenancy } from './tenancy';

// The short form of npm run endurance: the counts alone, no times, all on one field.
const dir = mkdtempSync(join(tmpdir(), 'brook-endurance-'));
let field: Field;
beforeAll(async () => {
  process.env.LOG_LEVEL = 'error';
  field = await Field.open({ dir, runs: 2, servers: 2, durable: true });
}, 60_000);
afterAll(async () => {
  await field.close();
  rmSync(dir, { recursive: true, force: true });
});
const value = async (figure: Promise<Figure>) => (await figure).value;

test('two phones over two servers end with one log', async () => {
  const [phones] = await twoPhones(field, 2);
  expect(phones).toMatchObject({ name: 'twoPhones', value: 0 });
  expect(phones!.tried).toBeGreaterThan(5);
});

test('many people at once get no error', async () => {
  expect(await value(load(field, 8, 1))).toBe(0);
});

test('no answer tells that another’s id exists', async () => {
  expect(await value(tenancy(field))).toBe(0);
});

test('nothing acknowledged is lost or doubled when server and database are ended in the middle', async () => {
  expect(await value(killServer(field, 1))).toBe(0);
  expect(await value(killDatabase(field, 1))).toBe(0);
}, 60_000);

test('no request brings about a fault of ours', async () => {
  expect(await value(fuzz(field, 200))).toBe(0);
}, 60_000);

describe('what is counted', () => {
  const tapper = (id: string, acknowledged: string[]) =>
    ({ job: { id }, acknowledged }) as unknown as Tapper;
  const log = (ids: string) => new Map([['j', [...ids].map((id) => ({ id }))]]);

  test.each([
    ['all there in their order', ['a', 'b'], 'xab', 0],
    ['others between them', ['a', 'b'], 'axb', 0],
    ['one is lost', ['a', 'b', 'c'], 'ac', 1],
    ['one is doubled', ['a', 'b'], 'aba', 2],
    ['two changed places', ['a', 'b'], 'ba', 1],
  ])('%s', (_, acknowledged, ids, faults) => {
    expect(lostOrDoubled([tapper('j', acknowledged)], log(ids))).toBe(faults);
  });

  test.each([
    ['count', 0, true],
    ['count', 1, false],
    ['ms', 0, true],
    ['ratio', 0.25, true],
    ['ratio', 0.24, false],
  ] as const)('a %s of %d: met is %s', (unit, value, met) => {
    const limit = unit === 'ratio' ? 0.25 : 0;
    expect(isMet({ name: 'x', value, unit, limit, tried: 1 })).toBe(met);
  });

  test('the 95th of a hundred, by nearest rank', () => {
    const hundred = Array.from({ length: 100 }, (_, i) => 100 - i);
    expect(percentile(hundred, 0.95)).toBe(95);
    expect(percentile([7], 0.95)).toBe(7);
  });

  test('numbers that look random are the same each time and fill what they should', () => {
    const draw = (seed: number) => Array.from({ length: 1000 }, mulberry32(seed));
    expect(draw(1)).toEqual(draw(1));
    expect(draw(1)).not.toEqual(draw(2));
    const mean = draw(5).reduce((a, b) => a + b) / 1000;
    expect(Math.abs(mean - 0.5)).toBeLessThan(0.05);
    expect(Math.min(...draw(5))).toBeGreaterThanOrEqual(0);
    expect(Math.max(...draw(5))).toBeLessThan(1);
  });
});
