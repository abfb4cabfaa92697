/** What a worker says back; with its progress it may say what it has so far. */
export type WorkerAnswer<T, P = undefined> =
  | { readonly kind: 'progress'; readonly share: number; readonly soFar?: P }
  | { readonly kind: 'done'; readonly value: T }
  | { readonly kind: 'failed'; readonly sentence: string };

export interface WorkerCall<T> {
  readonly answer: Promise<T>;
  /** Stop at once: the worker ends and the answer never comes. */
  readonly cancel: () => void;
}

/**
 * Ask one thing of a worker of its own and end it afterwards.
 *
 * @param make starts the worker; its file stands where it is used, so that the bundler finds it
 * @param onProgress share of the work that is done, 0 to 1, and what there is so far
 */
export function askWorker<T, P = undefined>(
  make: () => Worker,
  question: unknown,
  onProgress: (share: number, soFar?: P) => void = () => undefined,
): WorkerCall<T> {
  const worker = make();
  const answer = new Promise<T>((resolve, reject) => {
    worker.onmessage = ({ data }: MessageEvent<WorkerAnswer<T, P>>) => {
      if (data.kind === 'progress') return onProgress(data.share, data.soFar);
      worker.terminate();
      if (data.kind === 'done') resolve(data.value);
      else reject(new Error(data.sentence));
    };
    worker.onerror = () => {
      worker.terminate();
      reject(new Error('The reckoning failed on this phone. Nothing was changed; try again.'));
    };
    worker.postMessage(question);
  });
  return { answer, cancel: () => worker.terminate() };
}
