import type { Cue } from '@brook/core/bleed/call';

let audio: AudioContext | null = null;

/** Two tones, so that whoever looks elsewhere hears whose turn it is: lower for the wrench, higher for pedal or lever. */
const TONE_HZ: Readonly<Record<Cue['turn'], number>> = { control: 660, wrench: 440 };
const TONE_S = 0.12;
const SHAKE_MS: Readonly<Record<Cue['turn'], number[]>> = { control: [60], wrench: [40, 40, 40] };

/** Say a cue aloud, as far as this phone can: a tone, the word where the browser speaks, a shake. The big word stands there in any case. */
export function sayCue({ turn, word }: Cue): void {
  tone(TONE_HZ[turn]);
  navigator.vibrate?.(SHAKE_MS[turn]);
  if (!('speechSynthesis' in window)) return;
  // What is still being said is late by now.
  window.speechSynthesis.cancel();
  window.speechSynthesis.speak(new SpeechSynthesisUtterance(word));
}

/** Nothing more is said. */
export function hush(): void {
  if ('speechSynthesis' in window) window.speechSynthesis.cancel();
}

function tone(hz: number): void {
  if (!('AudioContext' in window)) return;
  audio ??= new AudioContext();
  const [sound, volume] = [audio.createOscillator(), audio.createGain()];
  sound.frequency.value = hz;
  volume.gain.setValueAtTime(0.2, audio.currentTime);
  volume.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + TONE_S);
  sound.connect(volume).connect(audio.destination);
  sound.start();
  sound.stop(audio.currentTime + TONE_S);
}
