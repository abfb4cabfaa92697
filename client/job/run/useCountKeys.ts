import type { NextStep } from '@brook/core/job/run';
import { useEffect, useMemo } from 'react';
import type { LiveRun } from '../../data/run';
import { countStroke } from './countStroke';
import { padLook } from './padLook';
import type { Beating } from './useBeat';
import { useEarphoneKey, type EarphoneKey } from './useEarphoneKey';

/**
 * Space or the key of an earphone counts a stroke where one is called for;
 * Shift and Space as many as a long press. While it is called they do what a
 * press on the large area does.
 *
 * @param openingId the opening at which strokes are counted here; null where none are
 */
export function useCountKeys(
  run: LiveRun,
  step: NextStep,
  openingId: string | null,
  beat: Beating,
): EarphoneKey | null {
  const count = useMemo(() => {
    if (openingId === null) return null;
    return (several: boolean) => {
      if (beat.cue) {
        beat.press?.onPress();
        return;
      }
      const { atOnce } = padLook(run.state.plan, run.state, step);
      countStroke(run, openingId, several && atOnce > 1 ? atOnce : 1);
    };
  }, [openingId, run, step, beat]);
  useEffect(() => {
    if (!count) return;
    const onKey = (e: KeyboardEvent) => {
      const onControl =
        e.target instanceof HTMLElement &&
        e.target.closest('[role=radio],[role=button],a,input') !== null &&
        !e.target.closest('[data-testid=count-pad],[data-testid=next-action]');
      if (e.code !== 'Space' || e.repeat || onControl) return;
      e.preventDefault();
      count(e.shiftKey);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [count]);
  return useEarphoneKey(useMemo(() => count && (() => count(false)), [count]));
}
