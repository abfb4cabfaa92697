import type { Job } from '@brook/contract';
import { wrenchCue, type Cue } from '@brook/core/bleed/call';
import {
  calledAt,
  helpedOpening,
  phaseAt,
  type NextStep,
  type RunState,
} from '@brook/core/job/run';
import { useEffect } from 'react';
import { useHelper, type HelperState } from '../../data/helper';
import { sayCue } from '../../ui/sayCue';

/** A helper's phone that counts, as the wrench hand is told of it. */
export interface Helped {
  readonly name: string;
  /** What the wrench does now; null while the phones are out of step. */
  readonly cue: Cue | null;
  /** Why they are, in a sentence; null while they are in step. */
  readonly outOfStep: string | null;
}

/** What stands on the wrench hand's screen while a helper's phone counts; null where none does, none is called, or nobody knows yet. */
export function helpedLook(
  state: RunState,
  step: NextStep,
  heard: HelperState | null,
): Helped | null {
  const opening = helpedOpening(step);
  const { counting } = state;
  if (!heard || !opening || counting?.way !== 'helper') return null;
  const { news, inTouch } = heard;
  const ours = news?.deviceId === counting.deviceId ? news : null;
  const name = ours?.name ?? 'The helper';
  const outOfStep = !inTouch
    ? 'This phone has no line to the workshop'
    : !ours
      ? 'The helper’s phone is out of the run'
      : ours.inStep
        ? null
        : `${name}’s phone does not answer`;
  const cue =
    ours && outOfStep === null
      ? wrenchCue(phaseAt(ours, opening.id), calledAt(state, opening))
      : null;
  return { name, cue, outOfStep };
}

/** The same, and each new call of it heard and felt. */
export function useHelped(
  job: Pick<Job, 'id'>,
  state: RunState | null,
  step: NextStep | null,
): Helped | null {
  const heard = useHelper(job.id);
  const helped = state && step ? helpedLook(state, step, heard) : null;
  const { word, turn } = helped?.cue ?? {};
  const lost = helped?.outOfStep ?? null;
  useEffect(() => {
    if (word && turn) sayCue({ word, turn, say: '' });
  }, [word, turn]);
  useEffect(() => {
    if (lost !== null) sayCue({ word: 'Stop', turn: 'wrench', say: lost });
  }, [lost]);
  return helped;
}
