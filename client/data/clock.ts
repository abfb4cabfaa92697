/** What this phone's clock lacks to the server's, ms, as it was last heard: kept, so that it holds without reception too. */
const KEY = 'brook.clock';
/** Answers that took longer say too little. */
const LONGEST_MS = 2_000;
/** What was heard well is not heard again for so long unless it is heard as well. */
const HOLDS_MS = 300_000;
/** Less than this is the doubt of the hearing itself. */
const LEAST_MS = 100;

interface ClockSample {
  readonly offsetMs: number;
  readonly tookMs: number;
  readonly atMs: number;
}

/**
 * Whether what was heard anew of the server's time replaces what is known.
 *
 * @param tookMs of question and answer together: the doubt is half of it
 */
export function betterHeard(known: ClockSample | null, fresh: ClockSample): boolean {
  if (fresh.tookMs > LONGEST_MS) return known === null;
  if (known === null || fresh.tookMs <= known.tookMs) return true;
  return (
    Math.abs(fresh.atMs - known.atMs) > HOLDS_MS ||
    Math.abs(fresh.offsetMs - known.offsetMs) > fresh.tookMs + known.tookMs
  );
}

let known: ClockSample | null = null;
let offsetMs = Number(globalThis.localStorage?.getItem(KEY) ?? 0) || 0;

/** An answer told the server's time. */
export function heardTime(serverMs: number, sentMs: number, gotMs: number): void {
  if (!Number.isFinite(serverMs) || serverMs <= 0) return;
  const fresh = {
    offsetMs: serverMs - (sentMs + gotMs) / 2,
    tookMs: Math.max(0, gotMs - sentMs),
    atMs: gotMs,
  };
  if (!betterHeard(known, fresh)) return;
  known = fresh;
  if (Math.abs(fresh.offsetMs - offsetMs) < LEAST_MS) return;
  offsetMs = Math.round(fresh.offsetMs);
  localStorage.setItem(KEY, String(offsetMs));
}

/** The present moment by the server's clock, as near as this phone can know it, ms since 1970. */
export const nowMs = (): number => Date.now() + offsetMs;
