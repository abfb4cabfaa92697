import type { Job, VehicleNote } from '@brook/contract';
import type { Layout } from '@brook/core/vehicle/circuit';
import { useMemo } from 'react';
import { View } from 'react-native';
import { useVehicleNotes } from '../../../data/media';
import { clockTime, shortDate } from '../../../ui/dates';
import { Words } from '../../../ui/Words';
import { MEDIUM_WORDS } from '@brook/core/job/events';
import { mediaTitle } from './mediaWords';
import { NoteView } from './NoteView';

/** What earlier jobs photographed and said of a vehicle. */
export function useEarlierNotes({ id, vehicleId }: Pick<Job, 'id' | 'vehicleId'>) {
  const notes = useVehicleNotes(vehicleId);
  return useMemo(() => notes.filter((n) => n.jobId !== id), [notes, id]);
}

/** Notes of earlier jobs, those of the place in hand first; each with its job, who took it and when. */
export function EarlierNotes({
  layout,
  notes,
  elementId = null,
}: {
  readonly layout: Layout;
  readonly notes: readonly VehicleNote[];
  /** The place in hand. */
  readonly elementId?: string | null;
}) {
  if (notes.length === 0) return null;
  const here = notes.filter((n) => elementId !== null && n.elementId === elementId);
  const shown = [...here, ...notes.filter((n) => !here.includes(n))];
  return (
    <View>
      <Words strong heading={2}>
        From earlier jobs
      </Words>
      <View role="list" aria-label="Notes of earlier jobs">
        {shown.map((n) => (
          <NoteView
            key={`${n.jobId} ${n.id}`}
            title={mediaTitle(layout, n)}
            taken={`${n.person}, ${shortDate(n.at)}, ${clockTime(Date.parse(n.at))}, job ${n.jobNumber}`}
            medium={n.medium}
            source={n.arrived ? `/api/v1/media/${n.id}` : null}
            whereItIs={
              n.arrived
                ? null
                : `${MEDIUM_WORDS[n.medium]} not here yet: it is on the phone of ${n.person}.`
            }
          />
        ))}
      </View>
    </View>
  );
}
