import { askWorker, type WorkerAnswer } from './ask';

/** A worker that answers when it is told to. */
class FakeWorker {
  onmessage: ((event: { data: WorkerAnswer<number> }) => void) | null = null;
  onerror: (() => void) | null = null;
  readonly asked: unknown[] = [];
  ended = 0;
  postMessage(question: unknown) {
    this.asked.push(question);
  }
  terminate() {
    this.ended++;
  }
  say(data: WorkerAnswer<number>) {
    this.onmessage!({ data });
  }
}
const ask = (onProgress?: (share: number) => void) => {
  const worker = new FakeWorker();
  return {
    worker,
    asked: askWorker<number>(() => worker as unknown as Worker, { length: 3 }, onProgress),
  };
};

test('the question goes out, progress is told, the answer comes once and the worker ends', async () => {
  const shares: number[] = [];
  const { worker, asked } = ask((share) => shares.push(share));
  expect(worker.asked).toEqual([{ length: 3 }]);
  worker.say({ kind: 'progress', share: 0.5 });
  worker.say({ kind: 'done', value: 42 });
  await expect(asked.answer).resolves.toBe(42);
  expect(shares).toEqual([0.5]);
  expect(worker.ended).toBe(1);
});

test('a failure keeps its sentence, and one without words gets one', async () => {
  const told = ask();
  told.worker.say({ kind: 'failed', sentence: 'the road has no piece; give at least one.' });
  await expect(told.asked.answer).rejects.toThrow('the road has no piece; give at least one.');
  const broken = ask();
  broken.worker.onerror!();
  await expect(broken.asked.answer).rejects.toThrow(/Nothing was changed; try again/);
  expect(broken.worker.ended).toBe(1);
});

test('cancelled, the worker ends at once', () => {
  const { worker, asked } = ask();
  asked.cancel();
  expect(worker.ended).toBe(1);
});
