import { UndoAsked } from '../../frame/UndoAsked';
import { bleederName } from '@brook/core/vehicle/circuit';
import { CAME_OFF } from '@brook/core/job/events';
import { currentOpening } from '@brook/core/job/run';
import { StyleSheet, View } from 'react-native';
import { useJobLog } from '../../../data/run';
import { Speaking } from '../media/Speaking';
import { useTakeMedia } from '../media/useTakeMedia';
import { canRecord } from '../media/voice';
import type { StepProps } from '../../frame/step';
import { PageHead } from '../../frame/PageHead';
import { ActionBar } from '../../../ui/ActionBar';
import { Button } from '../../../ui/Button';
import { Caution } from '../../../ui/Notice';
import { Page } from '../../../ui/Page';
import { Words } from '../../../ui/Words';
import { SPACE } from '../../../ui/theme';
import { RefitList } from './RefitList';

/** What comes off goes back on: one tap for each thing, and each is asked back before the vehicle may be driven. */
export function RefitPage({ job, band, pages }: Pick<StepProps, 'job' | 'band' | 'pages'>) {
  const live = useJobLog(job);
  const opening = live.job.run ? currentOpening(live.job.run) : null;
  const elementId = opening?.bleeder.id ?? null;
  const { photo, speak, recording, end, discard, busy, fault } = useTakeMedia(
    job,
    live,
    elementId,
    {
      onKept: (noteId) => live.say({ kind: 'came off', what: 'Another thing', elementId, noteId }),
    },
  );
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
            label="Back to the step"
            onPress={pages.closePage}
            side={{ label: 'Undo', onPress: live.undo }}
          />
        )
      }
    >
      <PageHead
        vehicle={[job.vehicleName, job.vehicleTag].filter(Boolean).join(' · ')}
        question="What came off?"
      />
      <UndoAsked live={live} />
      <Words tone="softWords">
        {`${opening ? `At the ${bleederName(opening.bleeder)}: one` : 'One'} tap for each thing taken off, unplugged, cut or dropped. It is asked back before anybody may drive; behind what fluid runs through it is bled again.`}
      </Words>
      <View style={styles.things}>
        {CAME_OFF.map((what) => (
          <View key={what} style={styles.thing}>
            <Button
              label={what}
              disabled={!live.ready}
              onPress={() => live.say({ kind: 'came off', what, elementId })}
            />
          </View>
        ))}
        {/* What has no name here is shown or said; it is asked back all the same. */}
        <View style={styles.thing}>
          <Button label="Photo of it" disabled={!live.ready || busy} onPress={photo} />
        </View>
        <View style={styles.thing}>
          <Button
            label="Say what it is"
            disabled={!live.ready || busy || !canRecord()}
            onPress={speak}
          />
        </View>
      </View>
      {recording ? <Speaking onFull={end} /> : null}
      {fault ? <Caution title={fault} /> : null}
      <RefitList job={job} log={live.job.log} say={live.say} />
    </Page>
  );
}

const styles = StyleSheet.create({
  things: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.small },
  thing: { flexGrow: 1, flexBasis: '40%' },
});
