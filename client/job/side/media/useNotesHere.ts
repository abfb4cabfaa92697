import type { Job, VehicleNote } from '@brook/contract';
import { useMemo } from 'react';
import type { LiveJob } from '../../../data/run';
import { useEarlierNotes } from './EarlierNotes';
import { mediaNotes } from './MediaList';

/** Where notes stand on the brook of a job, its own and those of earlier ones, and which of these are of the place in hand. */
export function useNotesHere(
  job: Pick<Job, 'id' | 'vehicleId'>,
  live: LiveJob,
  elementId: string | null,
): { readonly noted: readonly string[]; readonly earlierHere: readonly VehicleNote[] } {
  const earlier = useEarlierNotes(job);
  // The log is another one at every stroke; where its notes stand is not.
  const own = mediaNotes(live.job.log)
    .flatMap((n) => n.elementId ?? [])
    .join(' ');
  const noted = useMemo(
    () => [...own.split(' ').filter(Boolean), ...earlier.flatMap((n) => n.elementId ?? [])],
    [own, earlier],
  );
  const earlierHere = useMemo(
    () => earlier.filter((n) => elementId !== null && n.elementId === elementId),
    [earlier, elementId],
  );
  return { noted, earlierHere };
}
