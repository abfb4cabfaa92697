import type { Job } from '@brook/contract';
import { foundWords } from '@brook/core/owed/openItems';
import { workTitle } from '@brook/core/bleed/scope';
import { lowerFirst } from '@brook/core/base/text';
import { View } from 'react-native';
import { useFolded } from '../../data/jobFold';
import { clockTime, shortDate } from '../../ui/dates';
import { Words } from '../../ui/Words';

/** How a vehicle was taken in: when, by whom, what for, what else was seen, and who was there to help. */
export function TakenIn({ job }: { readonly job: Job }) {
  const { takenIn } = useFolded(job);
  const { work } = job.planChoices;
  const { odometerKm = null, helper = null } = takenIn ?? {};
  return (
    <View>
      <Words size="small">{`Taken in by ${job.openedBy}, ${shortDate(job.openedAt)}, ${clockTime(job.openedAt)}`}</Words>
      <Words size="small">{`Why it was here: ${lowerFirst(workTitle(work))}`}</Words>
      {(work.found ?? []).map((f) => (
        <Words key={f.what} size="small" strong>{`Found: ${lowerFirst(foundWords(f))}`}</Words>
      ))}
      {odometerKm !== null ? (
        <Words size="small">{`Odometer: ${odometerKm.toLocaleString('en')} km`}</Words>
      ) : null}
      {helper !== null ? <Words size="small">{`Helped by ${helper}`}</Words> : null}
    </View>
  );
}
