import type { Job } from '@brook/contract';
import { undoneIds } from '@brook/core/job/log';
import { type JobEvent, type HappeningOf, type Logged, MEDIUM_WORDS } from '@brook/core/job/events';
import { useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import { dropMedia, useKeptMedia, useWaitingMedia, type WaitingMedia } from '../../../data/media';
import { useSession } from '../../../data/session';
import { clockTime, shortDate } from '../../../ui/dates';
import { Button } from '../../../ui/Button';
import { Words } from '../../../ui/Words';
import { mediaTitle } from './mediaWords';
import { NoteView } from './NoteView';

type Noted = Logged<JobEvent> & HappeningOf<'media note'>;

/** The photos and voice notes in effect of a log, oldest first. */
export function mediaNotes(log: readonly Logged<JobEvent>[]): readonly Noted[] {
  const undone = undoneIds(log);
  return log.filter((e): e is Noted => e.kind === 'media note' && !undone.has(e.id));
}

/** What was photographed and said of a job, each with who and when; what has not arrived says where it is. */
export function MediaList({
  job,
  log,
  only,
  onTakeBack,
}: {
  readonly job: Pick<Job, 'id' | 'layout'>;
  readonly log: readonly Logged<JobEvent>[];
  /** Those that are shown, by their events; all of them where it is left out. */
  readonly only?: readonly string[];
  /** Take one back; left out where nothing changes any more. */
  readonly onTakeBack?: (eventId: string) => void;
}) {
  const notes = useMemo(
    () => mediaNotes(log).filter((n) => only === undefined || only.includes(n.id)),
    [log, only],
  );
  const self = useSession().data?.user.name;
  const waiting = useWaitingMedia(job.id);
  const kept = useKeptMedia(
    job.id,
    notes.map((n) => n.id),
  );
  return (
    <View role="list" aria-label="Photos and voice notes">
      {notes.map((note) => (
        <Note
          key={note.id}
          title={mediaTitle(job.layout, note)}
          own={note.person === self}
          note={note}
          waiting={waiting.find((w) => w.id === note.id) ?? null}
          arrived={kept.has(note.id)}
          onTakeBack={
            onTakeBack &&
            (() => {
              onTakeBack(note.id);
              // What nobody takes would wait for ever; anything else goes on: what was kept stays.
              if (waiting.some((w) => w.id === note.id && w.refusal !== null))
                void dropMedia(note.id);
            })
          }
        />
      ))}
    </View>
  );
}

interface NoteProps {
  readonly title: string;
  /** Whether whoever is signed in took it. */
  readonly own: boolean;
  readonly note: Noted;
  readonly waiting: WaitingMedia | null;
  readonly arrived: boolean;
  readonly onTakeBack: (() => void) | undefined;
}

function Note({ title, own, note, waiting, arrived, onTakeBack }: NoteProps) {
  const here = useObjectUrl(waiting?.file ?? null);
  const source = here ?? (arrived ? `/api/v1/media/${note.id}` : null);
  const taken = `${note.person}, ${shortDate(new Date(note.atMs).toISOString())}, ${clockTime(note.atMs)}`;
  return (
    <NoteView
      title={title}
      taken={taken}
      medium={note.medium}
      source={source}
      whereItIs={waiting || !arrived ? whereItIs(note, waiting) : null}
    >
      {onTakeBack ? (
        <TakeBack
          person={own ? null : note.person}
          of={`${title}. ${taken}`}
          onPress={onTakeBack}
        />
      ) : null}
    </NoteView>
  );
}

/** Take one back; somebody else's only once it was said whose it is. */
function TakeBack({
  person,
  of,
  onPress,
}: {
  readonly person: string | null;
  readonly of: string;
  readonly onPress: () => void;
}) {
  const [asked, setAsked] = useState(false);
  if (person === null || !asked)
    return (
      <Button
        label="Take back"
        spoken={`Take back: ${of}`}
        onPress={person === null ? onPress : () => setAsked(true)}
      />
    );
  return (
    <>
      <Words size="small" strong accessibilityLiveRegion="polite">
        {`It is ${person}’s, not yours.`}
      </Words>
      <Button
        label={`Take back ${person}’s`}
        spoken={`Take back ${person}’s: ${of}`}
        onPress={onPress}
      />
      <Button label="Leave it" spoken={`Leave it: ${of}`} onPress={() => setAsked(false)} />
    </>
  );
}

function whereItIs({ medium, person }: Noted, waiting: WaitingMedia | null): string {
  if (waiting?.refusal) return `Not taken: ${waiting.refusal}`;
  if (waiting) return 'Kept on this phone; not with the workshop yet.';
  return `${MEDIUM_WORDS[medium]} not here yet: it is on the phone of ${person}.`;
}

/** An address for what is kept on this phone, as long as it is shown. */
function useObjectUrl(file: Blob | null): string | null {
  const url = useMemo(() => file && URL.createObjectURL(file), [file]);
  useEffect(() => () => (url ? URL.revokeObjectURL(url) : undefined), [url]);
  return url;
}
