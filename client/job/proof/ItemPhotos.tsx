import type { Job } from '@brook/contract';
import type { HappeningOf } from '@brook/core/job/events';
import { View } from 'react-native';
import type { LiveRun } from '../../data/run';
import { MediaList } from '../side/media/MediaList';
import { useTakeMedia } from '../side/media/useTakeMedia';
import { Button } from '../../ui/Button';
import { Caution } from '../../ui/Notice';
import { SPACE } from '../../ui/theme';

/** What one thing of the proof looked like: a photo in one press, kept as long as it still shows what is there. */
export function ItemPhotos({
  job,
  run,
  item,
  armed,
}: {
  readonly job: Job;
  readonly run: LiveRun;
  readonly item: NonNullable<HappeningOf<'media note'>['proof']>;
  readonly armed: boolean;
}) {
  const { photo, busy, fault } = useTakeMedia(job, run, null, { proof: item });
  const here = run.job.proof.photos.filter(
    (p) => p.masterId === item.masterId && p.item === item.item,
  );
  return (
    <View style={{ gap: SPACE.small, alignItems: 'flex-start' }}>
      {fault ? <Caution title={fault} /> : null}
      {here.length > 0 ? (
        <MediaList
          job={job}
          log={run.job.log}
          only={here.map((p) => p.eventId)}
          onTakeBack={(eventId) => run.say({ kind: 'undone', eventId })}
        />
      ) : null}
      <Button
        small
        label={here.length > 0 ? 'Another photo of it' : 'Photo of it'}
        disabled={busy || !armed}
        onPress={photo}
      />
    </View>
  );
}
