import { uniformIntDistribution, xoroshiro128plus } from 'pure-rand';

/** Normal numbers from a seed: two even ones make one (Box and Muller 1958). */
export function normals(seed: number): () => number {
  let even = xoroshiro128plus(seed);
  const next = () => {
    const [value, rest] = uniformIntDistribution(1, 0x7fffffff, even);
    even = rest;
    return value / 0x80000000;
  };
  return () => Math.sqrt(-2 * Math.log(next())) * Math.cos(2 * Math.PI * next());
}
