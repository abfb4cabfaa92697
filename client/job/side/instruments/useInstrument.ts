import {
  instrumentState,
  type Instrument,
  type InstrumentState,
  type RawReading,
} from '@brook/core/fluid/instrument';
import { useCallback, useEffect, useRef, useState } from 'react';

export interface InstrumentLink {
  readonly link: 'off' | 'connecting' | 'on' | 'lost';
  readonly state: InstrumentState | null;
  readonly batteryPercent: number | null;
  /** What went wrong with the link, in one sentence. */
  readonly problem: string | null;
  readonly connect: (instrument: Instrument) => void;
  readonly disconnect: () => void;
}

/** Readings kept for judging whether they are steady. */
const KEPT = 20;

/** Follow an instrument from connecting to its last reading; only one at a time. */
export function useInstrument(): InstrumentLink {
  const [link, setLink] = useState<InstrumentLink['link']>('off');
  const [readings, setReadings] = useState<readonly RawReading[]>([]);
  const [problem, setProblem] = useState<string | null>(null);
  const [kind, setKind] = useState<Instrument['kind'] | null>(null);
  const current = useRef<Instrument | null>(null);

  const disconnect = useCallback(() => {
    current.current?.disconnect();
    current.current = null;
    setLink('off');
    setReadings([]);
  }, []);

  const connect = useCallback((instrument: Instrument) => {
    current.current?.disconnect();
    current.current = instrument;
    setKind(instrument.kind);
    setReadings([]);
    setProblem(null);
    setLink('connecting');
    void follow();

    async function follow() {
      const here = () => current.current === instrument;
      try {
        await instrument.connect();
        if (here()) setLink('on');
        while (here()) {
          const reading = await instrument.read();
          if (here()) setReadings((before) => [...before.slice(1 - KEPT), reading]);
        }
      } catch (error) {
        if (!here()) return;
        current.current = null;
        setLink('lost');
        setReadings([]);
        setProblem(
          error instanceof Error
            ? error.message
            : 'The instrument does not answer. Type the reading instead.',
        );
      }
    }
  }, []);

  useEffect(() => () => current.current?.disconnect(), []);
  return {
    link,
    state: kind && link === 'on' ? instrumentState(kind, readings) : null,
    batteryPercent: readings.at(-1)?.batteryPercent ?? null,
    problem,
    connect,
    disconnect,
  };
}
