import { history } from './histories';
import { mulberry32 } from './mulberry32';

const told = (seeds: readonly number[], harm: boolean) =>
  seeds.map((seed) => ({ seed, ...history(mulberry32(seed), harm) }));
const seeds = (from: number, count: number) => Array.from({ length: count }, (_, i) => from + i);

test('over random histories the product is never free, nor sent on its drive, where the witness objects', () => {
  const all = told(seeds(1, 40), true);
  expect(all.flatMap((h) => (h.differ ? [`seed ${h.seed}: ${h.differ}`] : []))).toEqual([]);
  // Not empty: some ask for a release, and some get one.
  expect(all.filter((h) => h.asked > 0).length).toBeGreaterThan(15);
  expect(all.filter((h) => h.released > 0).length).toBeGreaterThan(5);
});

test('a job that is done well is released, and the witness has nothing against it', () => {
  for (const { seed, released, differ } of told(seeds(1, 5), false))
    expect([seed, released, differ]).toEqual([seed, 1, null]);
});
