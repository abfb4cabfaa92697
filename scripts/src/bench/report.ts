import { percentile } from '../endurance/figures';

/** One benchmark's answer; `limit` is the figure that was asked for. */
export interface Measured {
  readonly name: string;
  readonly unit: 'ms' | 's' | 'ratio' | 'strokes' | 'presses';
  readonly limit: number;
  /** What it must not fall below, where that was asked for as well. */
  readonly least?: number;
  /** What each run gave, in `unit`. */
  readonly runs: readonly number[];
  /** The share of runs that must stay under the limit, where the median is not what was asked for. */
  readonly share?: number;
}

/** One JSON line: the median of the runs, or the value under which so many of them lie, with the least and the most of them. */
export function report({ name, unit, limit, least, runs, share }: Measured): void {
  const line = {
    name,
    value: rounded(share === undefined ? median(runs) : percentile(runs, share)),
    unit,
    ...(least === undefined ? {} : { least }),
    limit,
    runs: runs.length,
    min: rounded(Math.min(...runs)),
    max: rounded(Math.max(...runs)),
  };
  process.stdout.write(`${JSON.stringify(line)}\n`);
}

export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}

const rounded = (value: number): number => Number(value.toPrecision(4));
