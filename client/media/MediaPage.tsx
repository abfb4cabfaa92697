import { VOICE } from '@brook/contract';
import type { Medium } from '@brook/core/log';
import { currentStop } from '@brook/core/run';
import { useEffect, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { v4 as uuid } from 'uuid';
import { keepMedia } from '../data/media';
import { useJobLog } from '../data/run';
import { useSession } from '../data/session';
import type { StepProps } from '../jobs/step';
import { PageHead } from '../plan/PageHead';
import { ActionBar } from '../ui/ActionBar';
import { Button } from '../ui/Button';
import { Caution } from '../ui/Notice';
import { Numeral } from '../ui/Numeral';
import { Page } from '../ui/Page';
import { Words } from '../ui/Words';
import { EarlierNotes, useEarlierNotes } from './EarlierNotes';
import { MediaList, mediaNotes } from './MediaList';
import { NotePlace } from './NotePlace';
import { takePhoto } from './photo';
import { canRecord, record, type Recording } from './voice';

/** Photos and voice notes of a job: taken with one press, kept on the phone until the workshop has them. */
export function MediaPage({ job, band, pages }: Pick<StepProps, 'job' | 'band' | 'pages'>) {
  const live = useJobLog(job);
  const person = useSession().data?.user;
  const [fault, setFault] = useState<string | null>(null);
  const [recording, setRecording] = useState<Recording | null>(null);
  const [busy, setBusy] = useState(false);
  const { run } = live.job;
  const stop = run ? currentStop(run) : null;
  // The place in hand, until another one is said.
  const [said, setSaid] = useState<{ readonly elementId: string | null } | null>(null);
  const elementId = said ? said.elementId : (stop?.bleeder.id ?? null);
  const earlier = useEarlierNotes(job);
  useEffect(() => () => recording?.discard(), [recording]);

  const keep = async (medium: Medium, file: Blob) => {
    if (!person) return;
    const id = uuid();
    const by = { id: person.id, name: person.name };
    // First the file: an event that tells of one is never without it.
    await keepMedia({ id, jobId: job.id, medium, by, file }).catch(() => {
      throw new Error('This phone has no room for it. Free some storage, then take it again.');
    });
    live.say({ kind: 'media note', medium, elementId }, id);
  };
  const attempt = (work: () => Promise<void>) => {
    setFault(null);
    setBusy(true);
    work()
      .catch((error: unknown) => setFault(error instanceof Error ? error.message : String(error)))
      .finally(() => setBusy(false));
  };
  const photo = () =>
    attempt(async () => {
      const taken = await takePhoto();
      if (taken) await keep('photo', taken);
    });
  const speak = () => attempt(async () => setRecording(await record()));
  const end = () =>
    attempt(async () => {
      const spoken = await recording!.keep();
      setRecording(null);
      await keep('voice', spoken);
    });
  const notes = mediaNotes(live.job.log);
  return (
    <Page
      band={band}
      action={
        recording ? (
          <ActionBar
            label="Stop and keep"
            busy={busy}
            onPress={end}
            side={{ label: 'Throw away', onPress: () => setRecording(null) }}
          />
        ) : (
          <ActionBar
            label="Take a photo"
            busy={busy || !live.ready}
            onPress={photo}
            side={{ label: 'Speak', onPress: speak, disabled: busy || !live.ready || !canRecord() }}
          />
        )
      }
    >
      <PageHead
        vehicle={[job.vehicleName, job.vehicleTag].filter(Boolean).join(' · ')}
        question="Photos and voice"
      />
      <View style={styles.back}>
        <Button label="Back to the step" onPress={pages.closePage} />
      </View>
      {recording ? <Spoken onFull={end} /> : null}
      {fault ? <Caution title={fault} /> : null}
      {canRecord() ? null : (
        <Caution title="Voice needs an encrypted address">
          A browser lets nobody listen here. Photos work. To do, at the server: npm run certificate,
          then npm start with --cert and --key.
        </Caution>
      )}
      {run ? (
        <NotePlace
          plan={run.plan}
          elementId={elementId}
          noted={[...notes, ...earlier].flatMap((n) => n.elementId ?? [])}
          onPlace={(id) => setSaid({ elementId: id })}
        />
      ) : null}
      {notes.length === 0 && !recording ? (
        <Words tone="softWords">
          Nothing yet. What comes off, what looks wrong, how it sat before: one press, and it is on
          the record with your name and the time.
        </Words>
      ) : null}
      <MediaList
        job={job}
        log={live.job.log}
        onTakeBack={(eventId) => live.say({ kind: 'undone', eventId })}
      />
      <EarlierNotes layout={job.layout} notes={earlier} elementId={elementId} />
    </Page>
  );
}

const styles = StyleSheet.create({ back: { alignSelf: 'flex-start' } });

/** How long somebody has spoken; a note that is full ends by itself. */
function Spoken({ onFull }: { readonly onFull: () => void }) {
  const [seconds, setSeconds] = useState(0);
  const full = useRef(onFull);
  useEffect(() => {
    full.current = onFull;
  });
  useEffect(() => {
    const from = performance.now();
    const timer = setInterval(() => {
      const spoken = Math.floor((performance.now() - from) / 1000);
      setSeconds(spoken);
      if (spoken < VOICE.mostS) return;
      clearInterval(timer);
      full.current();
    }, 250);
    return () => clearInterval(timer);
  }, []);
  const clock = `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
  return (
    <View role="timer">
      <Numeral size="large">{clock}</Numeral>
      <Words>{`Listening. It ends by itself after ${VOICE.mostS / 60} minutes.`}</Words>
    </View>
  );
}
