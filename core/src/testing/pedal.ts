import { uniformIntDistribution, xoroshiro128plus } from 'pure-rand';

/** Normal numbers of the tests' own, so that the product's are not held against themselves: the sum of twelve even ones less six. */
export function normalNoise(seed: number): () => number {
  let rng = xoroshiro128plus(seed);
  return () => {
    let sum = -6;
    for (let i = 0; i < 12; i++) {
      const [value, rest] = uniformIntDistribution(0, 1_000_000, rng);
      rng = rest;
      sum += value / 1_000_000;
    }
    return sum;
  };
}
