import { airLeft } from '@brook/core/control/air';
import type { Layout } from '@brook/core/vehicle/circuit';
import { pedalSetup, type AirLeft, type Reading } from '@brook/core/control/pedal';
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

/** Air behind the control that is asked about, with its uncertainty. */
self.onmessage = ({ data }: MessageEvent<AirQuestion>) => {
  const say = (answer: WorkerAnswer<AirLeft>) => self.postMessage(answer);
  const { layout, altitudeM, masterId, now, baseline } = data;
  try {
    say({ kind: 'done', value: airLeft(pedalSetup(layout, masterId, altitudeM), now, baseline) });
  } catch (error) {
    say({ kind: 'failed', sentence: `${(error as Error).message}.` });
  }
};
