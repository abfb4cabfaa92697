import { VOICE } from '@brook/contract';
import toWav from 'audiobuffer-to-wav';

/** A voice note while it is spoken. */
export interface Recording {
  /** End it. @returns the note as WAV */
  readonly keep: () => Promise<Blob>;
  /** Throw it away, and let go of the microphone. */
  readonly discard: () => void;
}

/** Whether this page may listen at all: a browser allows it only at an encrypted address. */
export const canRecord = (): boolean =>
  navigator.mediaDevices !== undefined && typeof MediaRecorder !== 'undefined';

/** @throws Error with a sentence where nobody lets it listen */
export async function record(): Promise<Recording> {
  const stream = await navigator.mediaDevices.getUserMedia({ audio: true }).catch(() => {
    throw new Error(
      'This phone lets nobody listen. Allow the microphone for this page, then try again.',
    );
  });
  const recorder = new MediaRecorder(stream);
  const parts: Blob[] = [];
  recorder.addEventListener('dataavailable', ({ data }) => parts.push(data));
  const letGo = () => {
    for (const track of stream.getTracks()) track.stop();
  };
  recorder.start();
  return {
    keep: async () => {
      const ended = new Promise((done) => recorder.addEventListener('stop', done));
      recorder.stop();
      await ended;
      letGo();
      return wavOf(new Blob(parts));
    },
    discard: () => {
      if (recorder.state !== 'inactive') recorder.stop();
      letGo();
    },
  };
}

/** Whatever a browser records, as the one form that is kept: every browser plays it. */
async function wavOf(recorded: Blob): Promise<Blob> {
  const { sampleRateHz, mostS } = VOICE;
  // Unpacking goes to the rate of whatever it is unpacked for.
  const heard = await new OfflineAudioContext(1, 1, sampleRateHz).decodeAudioData(
    await recorded.arrayBuffer(),
  );
  const length = Math.min(heard.length, mostS * sampleRateHz);
  const mixed = new OfflineAudioContext(1, length, sampleRateHz);
  const source = new AudioBufferSourceNode(mixed, { buffer: heard });
  source.connect(mixed.destination);
  source.start();
  return new Blob([toWav(await mixed.startRendering())], { type: 'audio/wav' });
}
