import { currentOpening } from '@brook/core/job/run';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useJobLog } from '../../../data/run';
import type { StepProps } from '../../frame/step';
import { PageHead } from '../../frame/PageHead';
import { ActionBar } from '../../../ui/ActionBar';
import { Button } from '../../../ui/Button';
import { Caution } from '../../../ui/Notice';
import { Page } from '../../../ui/Page';
import { Words } from '../../../ui/Words';
import { EarlierNotes, useEarlierNotes } from './EarlierNotes';
import { MediaList, mediaNotes } from './MediaList';
import { NotePlace } from './NotePlace';
import { Speaking } from './Speaking';
import { useTakeMedia } from './useTakeMedia';
import { canRecord } from './voice';

/** Photos and voice notes of a job: taken with one press, kept on the phone until the workshop has them. */
export function MediaPage({ job, band, pages }: Pick<StepProps, 'job' | 'band' | 'pages'>) {
  const live = useJobLog(job);
  const { run } = live.job;
  const opening = run ? currentOpening(run) : null;
  // The place in hand, until another one is said.
  const [said, setSaid] = useState<{ readonly elementId: string | null } | null>(null);
  const elementId = said ? said.elementId : (opening?.bleeder.id ?? null);
  const earlier = useEarlierNotes(job);

  const { photo, speak, recording, end, discard, busy, fault } = useTakeMedia(job, live, elementId);
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
            side={{ label: 'Throw away', onPress: discard }}
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
      {recording ? <Speaking onFull={end} /> : null}
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
