import { vapourMargin, type VapourAnswer, type VapourRequest } from '@brook/core/fluid/vapour';
import type { WorkerAnswer } from './ask';

/** What is reckoned: each request in turn, with progress between them. */
self.onmessage = ({ data }: MessageEvent<readonly VapourRequest[]>) => {
  const say = (answer: WorkerAnswer<VapourAnswer[]>) => self.postMessage(answer);
  try {
    const answers = data.map((request, i) => {
      const answer = vapourMargin(request);
      say({ kind: 'progress', share: (i + 1) / data.length });
      return answer;
    });
    say({ kind: 'done', value: answers });
  } catch (error) {
    say({ kind: 'failed', sentence: `${(error as Error).message}.` });
  }
};
