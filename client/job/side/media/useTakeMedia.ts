import type { Job } from '@brook/contract';
import type { HappeningOf, Medium } from '@brook/core/job/events';
import { useEffect, useState } from 'react';
import { v4 as uuid } from '@lukeed/uuid/secure';
import { keepMedia } from '../../../data/media';
import type { LiveJob } from '../../../data/run';
import { useSession } from '../../../data/session';
import { takePhoto } from './photo';
import { record, type Recording } from './voice';

/** Taking a photo, or speaking: kept on this phone first, then told of. */
export interface TakeMedia {
  readonly photo: () => void;
  readonly speak: () => void;
  /** While somebody speaks; null otherwise. */
  readonly recording: Recording | null;
  /** Stop and keep what was spoken. */
  readonly end: () => void;
  readonly discard: () => void;
  readonly busy: boolean;
  /** Why the last one could not be taken, in a sentence. */
  readonly fault: string | null;
}

/**
 * @param elementId the place it sticks to; null where it is of the whole vehicle
 * @param proof the item of the proof that it shows
 * @param onKept told of each by the id of its event
 */
export function useTakeMedia(
  job: Pick<Job, 'id'>,
  live: Pick<LiveJob, 'say'>,
  elementId: string | null,
  {
    proof,
    onKept,
  }: Pick<HappeningOf<'media note'>, 'proof'> & { readonly onKept?: (noteId: string) => void } = {},
): TakeMedia {
  const person = useSession().data?.user;
  const [fault, setFault] = useState<string | null>(null);
  const [recording, setRecording] = useState<Recording | null>(null);
  const [busy, setBusy] = useState(false);
  useEffect(() => () => recording?.discard(), [recording]);

  const keep = async (medium: Medium, file: Blob) => {
    if (!person) return;
    const id = uuid();
    const by = { id: person.id, name: person.name };
    // First the file: an event that tells of one is never without it.
    await keepMedia({ id, jobId: job.id, medium, by, file }).catch(() => {
      throw new Error('This phone has no room for it. Free some storage, then take it again.');
    });
    live.say({ kind: 'media note', medium, elementId, ...(proof ? { proof } : {}) }, id);
    onKept?.(id);
  };
  const attempt = (work: () => Promise<void>) => {
    setFault(null);
    setBusy(true);
    work()
      .catch((error: unknown) => setFault(error instanceof Error ? error.message : String(error)))
      .finally(() => setBusy(false));
  };
  return {
    photo: () =>
      attempt(async () => {
        const taken = await takePhoto();
        if (taken) await keep('photo', taken);
      }),
    speak: () => attempt(async () => setRecording(await record())),
    recording,
    end: () =>
      attempt(async () => {
        const spoken = await recording!.keep();
        setRecording(null);
        await keep('voice', spoken);
      }),
    discard: () => setRecording(null),
    busy,
    fault,
  };
}
