import { atBleeder, opened } from '../standing';
import { bleederName } from '../../vehicle/circuit';
import { openingFault, openingNamed } from './faults';
import { BRINGS_NOTHING, SETTLES_NOTHING, PROVES_NOTHING, runEvent, TAKES_BACK } from './kind';

/** A steady flow was let run, so long at the most until somebody looks, or was stopped. What it gave is read on the jar. */
export interface FlowSetHappening {
  readonly kind: 'flow set';
  readonly openingId: string;
  /** Null where it was stopped. */
  readonly lookAfterS: number | null;
}

export const flowSet = runEvent<FlowSetHappening>({
  kind: 'flow set',
  voids: 'all',
  opens: BRINGS_NOTHING,
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  undo: TAKES_BACK,
  // What a flow gives is not known until somebody looks.
  fold: (run, { id, openingId, lookAfterS, atMs }) =>
    atBleeder(opened(run, atMs), openingId, (b) =>
      lookAfterS === null
        ? { ...b, flow: null }
        : {
            ...b,
            flow: { eventId: id, sinceMs: atMs, dueMs: atMs + lookAfterS * 1000 },
            flowUnread: true,
          },
    ),
  fault: ({ openingId }, { plans }) => {
    const opening = openingNamed(plans, openingId);
    return opening && (!opening.fromReservoir || opening.mostMlS === null)
      ? `Nothing flows by itself at ${bleederName(opening.bleeder)}; count the ${opening.counted} there.`
      : openingFault(plans, openingId);
  },
  words: ({ lookAfterS, openingId }, { at }) =>
    `${lookAfterS === null ? 'the flow stopped' : 'let run by the clock'}, ${at(openingId)}`,
});
