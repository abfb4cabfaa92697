import { airLeft } from '@brook/core/air';
import type { Layout } from '@brook/core/circuit';
import { pedalSetup, type AirLeft, type Reading } from '@brook/core/pedal';
import type { WorkerAnswer } from './ask';

/** What the air is reckoned from. */
export interface AirQuestion {
  readonly layout: Layout;
  /** Where the workshop lies, m. */
  readonly altitudeM: number;
  readonly masterId: string;
  readonly now: readonly Reading[];
  /** Of this vehicle, bled; null without. */
  readonly baseline: readonly Reading[] | null;
}

/** Air behind each control that is asked about, with its uncertainty, in turn. */
self.onmessage = ({ data }: MessageEvent<readonly AirQuestion[]>) => {
  const say = (answer: WorkerAnswer<AirLeft[]>) => self.postMessage(answer);
  try {
    const value = data.map(({ layout, altitudeM, masterId, now, baseline }) =>
      airLeft(pedalSetup(layout, masterId, altitudeM), now, baseline),
    );
    say({ kind: 'done', value });
  } catch (error) {
    say({ kind: 'failed', sentence: `${(error as Error).message}.` });
  }
};
