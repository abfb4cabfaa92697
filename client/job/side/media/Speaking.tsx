import { VOICE } from '@brook/contract';
import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import { Numeral } from '../../../ui/Numeral';
import { Words } from '../../../ui/Words';

/** How long somebody has spoken; a note that is full ends by itself. */
export function Speaking({ onFull }: { readonly onFull: () => void }) {
  const [seconds, setSeconds] = useState(0);
  const full = useRef(onFull);
  useEffect(() => {
    full.current = onFull;
  });
  useEffect(() => {
    const from = performance.now();
    const timer = setInterval(() => {
      const spoken = Math.floor((performance.now() - from) / 1000);
      setSeconds(spoken);
      if (spoken < VOICE.mostS) return;
      clearInterval(timer);
      full.current();
    }, 250);
    return () => clearInterval(timer);
  }, []);
  const clock = `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
  return (
    <View role="timer">
      <Numeral size="large">{clock}</Numeral>
      <Words>{`Listening. It ends by itself after ${VOICE.mostS / 60} minutes.`}</Words>
    </View>
  );
}
