/** One figure of a day's endurance. */
export interface Figure {
  readonly name: string;
  readonly value: number;
  readonly unit: 'count' | 'ms' | 'ratio';
  readonly limit: number;
  /** How much was tried. */
  readonly tried: number;
}

/** One JSON line, in the manner of the bench. */
export function report(figure: Figure): void {
  process.stdout.write(
    `${JSON.stringify({ ...figure, value: Number(figure.value.toPrecision(4)) })}\n`,
  );
}

/** One JSON line for a part that could not be measured: which, and why. */
export function reportFailed(name: string, error: unknown): void {
  const failed = error instanceof Error ? error.message : String(error);
  process.stdout.write(`${JSON.stringify({ name, failed })}\n`);
}

/** A ratio is at least its limit; counts and times are at most theirs. */
export const isMet = ({ value, unit, limit }: Figure): boolean =>
  unit === 'ratio' ? value >= limit : value <= limit;

/** The value under which a share of the values lie: nearest rank. */
export function percentile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.max(0, Math.ceil(share * sorted.length) - 1)] ?? 0;
}
