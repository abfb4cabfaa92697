import { SAID_KINDS } from '@brook/contract';
import { history, mulberry32 } from '@brook/core/testing/witness';
import type { Figure } from './figures';

/** How many histories of each sort; the first seed of them. */
export interface Histories {
  readonly random: number;
  readonly honest: number;
  readonly from: number;
}

/** How often every kind must occur, for each history: 200 times in 20,000. */
const KIND_SHARE = 0.01;

/**
 * Random histories of vehicles, each in the order in which a server would get
 * it: how many the product calls free, or sends on a drive, where the witness
 * objects, and how many honest ones it does not release. What occurred is
 * printed, so that it cannot pass empty.
 */
export function gate({ random, honest, from }: Histories): Figure[] {
  const seeds = (count: number) => Array.from({ length: count }, (_, i) => from + i);
  const kinds = new Map<string, number>([...SAID_KINDS].map((kind) => [kind, 0]));
  let [asked, released, differ] = [0, 0, 0];
  for (const seed of seeds(random)) {
    const told = history(mulberry32(seed), true);
    if (told.asked > 0) asked += 1;
    if (told.released > 0) released += 1;
    for (const [kind, n] of told.kinds) kinds.set(kind, (kinds.get(kind) ?? 0) + n);
    if (told.differ === null) continue;
    differ += 1;
    process.stdout.write(`${JSON.stringify({ seed, differ: told.differ })}\n`);
  }
  let held = 0;
  for (const seed of seeds(honest)) {
    const { released: free, differ: objection } = history(mulberry32(seed), false);
    if (free === 1 && objection === null) continue;
    held += 1;
    process.stdout.write(`${JSON.stringify({ seed, honest: objection ?? 'not released' })}\n`);
  }
  const rarest = [...kinds].sort(([, a], [, b]) => a - b);
  process.stdout.write(
    `${JSON.stringify({ asked, released, kinds: Object.fromEntries(rarest) })}\n`,
  );
  const rare = rarest.filter(([, n]) => n < random * KIND_SHARE).length;
  return [
    { name: 'gate.histories', value: differ, unit: 'count', limit: 0, tried: random },
    { name: 'gate.honest', value: held, unit: 'count', limit: 0, tried: honest },
    { name: 'gate.kinds.rare', value: rare, unit: 'count', limit: 0, tried: kinds.size },
    // As shares, so that a shorter run asks for as much.
    { name: 'gate.asked', value: asked / random, unit: 'ratio', limit: 0.2, tried: random },
    { name: 'gate.released', value: released / random, unit: 'ratio', limit: 0.1, tried: random },
  ];
}
