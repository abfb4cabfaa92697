import type { Sliced } from '@brook/core/base/slices';
import { setImmediate } from 'node:timers/promises';

/** Let whoever waits be served. */
export const serveOthers = (): Promise<void> => setImmediate();

/** Long work done slice by slice; between two of them whoever waits is served. */
export async function servingOthers<T>(work: Sliced<T>): Promise<T> {
  for (;;) {
    const { done, value } = work.next();
    if (done) return value;
    await serveOthers();
  }
}
