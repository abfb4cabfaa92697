/** Long work in slices: who does it may serve others between them. */
export type Sliced<T> = Generator<undefined, T, undefined>;

/** All slices one after the other. */
export function inOneGo<T>(work: Sliced<T>): T {
  for (;;) {
    const { done, value } = work.next();
    if (done) return value;
  }
}

/**
 * Go through a list, in slices.
 *
 * @param sliceLength entries of one slice, at least 1
 */
export function* reduceSliced<E, T>(
  list: readonly E[],
  step: (soFar: T, entry: E) => T,
  first: T,
  sliceLength: number,
): Sliced<T> {
  let soFar = first;
  for (const [i, entry] of list.entries()) {
    soFar = step(soFar, entry);
    if ((i + 1) % sliceLength === 0) yield;
  }
  return soFar;
}
