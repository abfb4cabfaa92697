import {
  beatTells,
  brokenCue,
  callOf,
  cueOf,
  SHAPE_WORDS,
  tempoOf,
  type Cue,
} from '@brook/core/bleed/call';
import { calledAt } from '@brook/core/job/run';
import type { PlanOpening } from '@brook/core/bleed/stages';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { LiveRun } from '../../data/run';
import { deviceId } from '../../data/device';
import { countStroke, takeCount } from './countStroke';
import { hush, sayCue } from '../../ui/sayCue';

/** The app calls each turn at a pace: it beats time and counts for somebody who is alone; of two people one says "shut". */
export interface Beating {
  /** What is called now; null while nobody asked for it. */
  readonly cue: Cue | null;
  /** Why the stroke has its shape. */
  readonly why: string | null;
  /** What a press on the large area does while it is called, in the words of whoever presses. */
  readonly press: { readonly label: string; readonly onPress: () => void } | null;
  /** Begin, or stop; null where this method is not called, or nothing is to be counted. */
  readonly toggle: (() => void) | null;
  readonly begin: string;
  /** Whether it goes on by itself, for somebody who is alone: then it is the usual way to count. */
  readonly byItself: boolean;
  /** The one action while it is called. */
  readonly bar: { readonly label: string; readonly onPress: () => void } | null;
  /** The order of the round was broken: it is called at once, until it is shut. Null where nothing is called. */
  readonly broke: (() => void) | null;
}

/**
 * Beats go on as long as strokes are called for. A call to top up, a look that
 * is due, a page that is put away: each stops them, and nothing is counted that
 * nobody was called to make. Of two people nobody is told to let go before
 * "shut" was said.
 *
 * @param strokes whether strokes are called for now
 */
export function useBeat(run: LiveRun, opening: PlanOpening | null, strokes: boolean): Beating {
  const tempo = useMemo(
    () => (opening ? tempoOf(opening.method, opening.shape, opening.secondsPerStroke) : null),
    [opening],
  );
  const may = strokes && run.counts && tempo !== null;
  const byItself = tempo?.byItself === true;
  const [beat, setBeat] = useState<number | null>(null);
  const [broken, setBroken] = useState(false);
  // What stops it is not begun again by itself.
  const [before, setBefore] = useState(may);
  if (before !== may) {
    setBefore(may);
    if (!may) {
      setBeat(null);
      setBroken(false);
    }
  }
  const { plan } = run.state;
  const cue = useMemo(() => {
    if (!may || !opening) return null;
    // Time is beaten for the stroke alone; pumps are called where a person calls the end of them.
    const called = { ...calledAt({ plan }, opening), ...(byItself ? { pumps: 0 } : {}) };
    if (broken) return brokenCue(opening.method, called);
    return beat === null ? null : cueOf(opening.method, tempo.beats[beat]!.phase, called);
  }, [may, beat, broken, opening, tempo, plan, byItself]);
  // Whatever arrives meanwhile must not make a beat longer.
  const live = useRef(run);
  useEffect(() => {
    live.current = run;
  });
  const go = useCallback(
    (from: number, to: number) => {
      if (!opening || !tempo) return;
      for (let at = from; at !== to; at = (at + 1) % tempo.beats.length) {
        const next = (at + 1) % tempo.beats.length;
        const told = beatTells(opening.method, tempo.beats[at]!.phase, tempo.beats[next]!.phase);
        if (told !== 'stroke') continue;
        if (byItself) live.current.say({ kind: 'stroke', openingId: opening.id });
        else countStroke(live.current, opening.id);
      }
      setBeat(to);
    },
    [opening, tempo, byItself],
  );
  // "At the end" is held until somebody says that it is shut.
  const held = !byItself && beat !== null && tempo?.beats[beat]?.phase === 'at the end';
  useEffect(() => {
    if (!cue) return;
    sayCue(cue);
    if (broken || held || beat === null || !tempo) return;
    const timer = setTimeout(
      () => go(beat, (beat + 1) % tempo.beats.length),
      tempo.beats[beat]!.seconds * 1000,
    );
    return () => clearTimeout(timer);
  }, [cue, beat, broken, held, tempo, go]);
  const calling = cue !== null;
  useEffect(() => {
    if (!calling) return;
    const away = () => {
      if (document.hidden) setBeat(null);
    };
    document.addEventListener('visibilitychange', away);
    return () => {
      document.removeEventListener('visibilitychange', away);
      hush();
    };
  }, [calling]);
  const toggle = useCallback(() => {
    if (beat !== null) {
      setBeat(null);
      return;
    }
    // Which way was used is on the record.
    const { counting } = live.current.state;
    if (byItself && (counting?.way !== 'tempo' || counting.deviceId !== deviceId()))
      takeCount(live.current, 'tempo');
    setBeat(0);
  }, [beat, byItself]);
  const broke = useCallback(() => {
    setBeat(null);
    setBroken(true);
  }, []);
  const atWork = beat === null ? null : tempo?.beats[beat]?.phase;
  // Sooner than the clock thought: whoever holds the wrench saw it.
  const isShut = atWork === 'sinking' || held;
  const hearShut = useCallback(() => {
    if (beat !== null && tempo)
      go(
        beat,
        tempo.beats.findIndex((b) => b.phase === 'shut'),
      );
  }, [beat, tempo, go]);
  const dismiss = useCallback(() => setBroken(false), []);
  return {
    cue,
    why: cue && opening ? SHAPE_WORDS[opening.shape].why : null,
    press: !cue
      ? null
      : broken
        ? { label: 'It is shut', onPress: dismiss }
        : byItself
          ? { label: 'Stop the beat', onPress: toggle }
          : isShut
            ? { label: '“Shut”', onPress: hearShut }
            : null,
    toggle: may ? toggle : null,
    byItself,
    begin: byItself ? 'Beat time for me, and count' : 'Call it for us',
    bar: !cue
      ? null
      : broken
        ? { label: 'It is shut', onPress: dismiss }
        : { label: byItself ? 'Stop the beat' : 'Stop the call', onPress: toggle },
    broke: may && opening && callOf(opening.method) ? broke : null,
  };
}
