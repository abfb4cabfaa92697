import { BRINGS_NOTHING, SETTLES_NOTHING, PROVES_NOTHING, nothing, deskEvent } from './kind';

/** What a job moved: what came out of which container, what left the vehicle. */
export interface FluidUsedEntry {
  readonly containers: readonly {
    readonly containerId: string;
    readonly pouredMl: number;
    readonly discardedMl: number;
    /** Left in it as counted, where more came out than the shelf knew of; records from before that lack it. */
    readonly countedLeftMl?: number | null;
  }[];
  readonly bledMl: number;
  readonly bledBy: 'strokes' | 'measured';
  readonly removedMl: number;
  readonly spilledMl: number;
  /** Whether what was discarded went into the waste drum. */
  readonly caught: boolean;
  /** Said where more went in than came out and stands in the reservoir. */
  readonly gap?: 'still inside' | null;
}

export interface FluidUsedHappening {
  readonly kind: 'fluid used';
  readonly used: FluidUsedEntry;
}

export const fluidUsed = deskEvent<FluidUsedHappening>({
  kind: 'fluid used',
  voids: nothing('what was poured is said by the events of the run'),
  opens: BRINGS_NOTHING,
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  keeps: 'fluidUsed',
});
