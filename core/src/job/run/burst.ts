import type { RunState } from './state';

/** Taps closer together than this are no strokes: the quickest takes seconds [M]. */
const APART_MS = 600;
/** So many of them in a row are asked about [M]. */
const LEAST = 4;

/**
 * Strokes tapped by one phone faster than anybody can make them, as in a
 * pocket, that nobody has judged yet. Several said at once by one press are none:
 * those were meant.
 *
 * @returns their events, oldest first; empty where the last taps came as strokes come
 */
export function burstOf({ log }: Pick<RunState, 'log'>, deviceId: string): readonly string[] {
  const ids: string[] = [];
  let laterMs = Infinity;
  for (let i = log.length - 1; i >= 0; i--) {
    const event = log[i]!;
    if (event.deviceId !== deviceId || event.kind !== 'stroke' || (event.made ?? 1) > 1) break;
    if (ids.length > 0 && laterMs - event.atMs >= APART_MS) break;
    ids.unshift(event.id);
    laterMs = event.atMs;
  }
  return ids.length >= LEAST ? ids : [];
}
