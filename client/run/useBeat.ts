import {
  callOf,
  closedCue,
  hoseCue,
  tempoOf,
  type ClosedPhase,
  type Cue,
  type HosePhase,
} from '@brook/core/call';
import type { PlanStop } from '@brook/core/stages';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { LiveRun } from '../data/run';
import { deviceId } from '../data/device';
import { takeCount } from './countStroke';
import { hush, sayCue } from './sayCue';

/** The app beats time for somebody who is alone, and counts by itself. */
export interface Beating {
  /** What is called now; null while nobody asked for a beat. */
  readonly cue: Cue | null;
  /** Begin, or stop; null where this method has no beat of its own, or nothing is to be counted. */
  readonly toggle: (() => void) | null;
}

/**
 * Beats go on as long as strokes are called for. A call to top up, a look that
 * is due, a page that is put away: each stops them, and nothing is counted that
 * nobody was called to make.
 *
 * @param strokes whether strokes are called for now
 */
export function useBeat(run: LiveRun, stop: PlanStop | null, strokes: boolean): Beating {
  const tempo = useMemo(
    () => (stop ? tempoOf(stop.method, stop.shape, stop.secondsPerStroke) : null),
    [stop],
  );
  const may = strokes && run.counts && tempo?.byItself === true;
  const [beat, setBeat] = useState<number | null>(null);
  // What stops it is not begun again by itself.
  const [before, setBefore] = useState(may);
  if (before !== may) {
    setBefore(may);
    if (!may) setBeat(null);
  }
  const cue = useMemo(() => {
    if (!may || beat === null || !stop) return null;
    const { phase } = tempo.beats[beat]!;
    const called = {
      control: stop.control,
      bleeder: stop.bleeder,
      shape: stop.shape,
      // Time is beaten for the stroke alone.
      pumps: 0,
    };
    return callOf(stop.method) === 'open hose'
      ? hoseCue(phase as HosePhase, called)
      : closedCue(phase as ClosedPhase, called);
  }, [may, beat, stop, tempo]);
  // Whatever arrives meanwhile must not make a beat longer.
  const live = useRef(run);
  useEffect(() => {
    live.current = run;
  });
  const stopId = stop?.id;
  useEffect(() => {
    if (!cue || beat === null || !tempo || stopId === undefined) return;
    sayCue(cue);
    const timer = setTimeout(() => {
      const last = beat === tempo.beats.length - 1;
      if (last) live.current.say({ kind: 'stroke', stopId });
      setBeat(last ? 0 : beat + 1);
    }, tempo.beats[beat]!.seconds * 1000);
    return () => clearTimeout(timer);
  }, [cue, beat, tempo, stopId]);
  const beating = cue !== null;
  useEffect(() => {
    if (!beating) return;
    const away = () => {
      if (document.hidden) setBeat(null);
    };
    document.addEventListener('visibilitychange', away);
    return () => {
      document.removeEventListener('visibilitychange', away);
      hush();
    };
  }, [beating]);
  const toggle = useCallback(() => {
    if (beat !== null) {
      setBeat(null);
      return;
    }
    // Which way was used is on the record.
    const { counting } = live.current.state;
    if (counting?.way !== 'tempo' || counting.deviceId !== deviceId())
      takeCount(live.current, 'tempo');
    setBeat(0);
  }, [beat]);
  return { cue, toggle: may ? toggle : null };
}
