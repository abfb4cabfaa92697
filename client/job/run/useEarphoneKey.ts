import { useEffect, useRef, useState } from 'react';

/** The key of an earphone counts, for as long as somebody wants it. */
export interface EarphoneKey {
  readonly on: boolean;
  readonly toggle: () => void;
}

/** Keys of earphones, as a browser hears them: one press is "play" or "pause", whichever it thinks is next. */
const KEYS = ['play', 'pause'] as const;

/** A second of silence: a browser gives the key to whoever plays something, and to nobody else. */
const SILENCE_HZ = 8_000;

/**
 * While it is on, silence is played over and over, and each press of the key
 * counts. It is asked for by a press: it takes the key from whatever music plays.
 *
 * @param onPress null where a press counts nothing now
 * @returns null where the browser hears no such key
 */
export function useEarphoneKey(onPress: (() => void) | null): EarphoneKey | null {
  const [on, setOn] = useState(false);
  const press = useRef(onPress);
  useEffect(() => {
    press.current = onPress;
  });
  useEffect(() => {
    if (!on) return;
    const { mediaSession } = navigator;
    const source = URL.createObjectURL(silence());
    const audio = new Audio(source);
    audio.loop = true;
    audio.play().catch(() => setOn(false));
    const heard = () => {
      press.current?.();
      // It goes on being the one that plays.
      audio.play().catch(() => setOn(false));
      mediaSession.playbackState = 'playing';
    };
    for (const key of KEYS) mediaSession.setActionHandler(key, heard);
    return () => {
      for (const key of KEYS) mediaSession.setActionHandler(key, null);
      audio.pause();
      URL.revokeObjectURL(source);
    };
  }, [on]);
  return 'mediaSession' in navigator ? { on, toggle: () => setOn(!on) } : null;
}

/** Silence as a WAV file: one channel of 8 bit, after Multimedia Programming Interface 1.0 (IBM, Microsoft, 1991), chapter 3. */
export function silence(): Blob {
  const head = new DataView(new ArrayBuffer(44));
  const text = (at: number, letters: string) =>
    [...letters].forEach((c, i) => head.setUint8(at + i, c.charCodeAt(0)));
  text(0, 'RIFF');
  head.setUint32(4, 36 + SILENCE_HZ, true);
  text(8, 'WAVEfmt ');
  head.setUint32(16, 16, true);
  head.setUint16(20, 1, true);
  head.setUint16(22, 1, true);
  head.setUint32(24, SILENCE_HZ, true);
  head.setUint32(28, SILENCE_HZ, true);
  head.setUint16(32, 1, true);
  head.setUint16(34, 8, true);
  text(36, 'data');
  head.setUint32(40, SILENCE_HZ, true);
  // Of 8 bit the middle is 128.
  return new Blob([head.buffer, new Uint8Array(SILENCE_HZ).fill(128)], { type: 'audio/wav' });
}
