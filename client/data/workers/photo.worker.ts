import { readColour, type PhotoReading, type Picture, type Spot } from '@brook/core/fluid/photo';
import type { WorkerAnswer } from './ask';

/** Reads the colour of a fluid off a picture. */
self.onmessage = ({ data }: MessageEvent<{ picture: Picture; fluidAt: Spot; whiteAt: Spot }>) => {
  const answer: WorkerAnswer<PhotoReading> = {
    kind: 'done',
    value: readColour(data.picture, data.fluidAt, data.whiteAt),
  };
  self.postMessage(answer);
};
