/** Whether the workshop's server answers, and since when not: for a store that React listens to. */
let outSinceMs: number | null = null;
const listeners = new Set<() => void>();
const again = new Set<() => void>();

export const touch = {
  subscribe(listener: () => void): () => void {
    listeners.add(listener);
    return () => listeners.delete(listener);
  },
  outSinceMs: (): number | null => outSinceMs,
};

/** Do something when the server answers again. */
export function whenBack(act: () => void): () => void {
  again.add(act);
  return () => again.delete(act);
}

/** The server answered, whatever it said. */
export function heard(): void {
  if (outSinceMs === null) return;
  outSinceMs = null;
  for (const listener of listeners) listener();
  for (const act of again) act();
}

/** The server could not be reached. */
export function missed(): void {
  if (outSinceMs !== null) return;
  outSinceMs = Date.now();
  for (const listener of listeners) listener();
}
