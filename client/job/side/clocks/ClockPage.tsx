import { UndoAsked } from '../../frame/UndoAsked';
import { CLOCK_WORDS, CLOCKS, type ClockKind } from '@brook/core/base/clock';
import { runningClocks } from '@brook/core/job/log';
import { currentOpening } from '@brook/core/job/run';
import { StyleSheet, View } from 'react-native';
import { useJobLog } from '../../../data/run';
import type { StepProps } from '../../frame/step';
import { PageHead } from '../../frame/PageHead';
import { ActionBar } from '../../../ui/ActionBar';
import { Button } from '../../../ui/Button';
import { Page } from '../../../ui/Page';
import { Words } from '../../../ui/Words';
import { colour, SPACE } from '../../../ui/theme';
import { askForNotices } from './useUpNotices';

/** Set a clock: one tap each. It runs on every phone of the workshop, whether this one is locked, closed or gone. */
export function ClockPage({ job, band, pages }: Pick<StepProps, 'job' | 'band' | 'pages'>) {
  const live = useJobLog(job);
  const elementId = (live.job.run && currentOpening(live.job.run)?.bleeder.id) ?? null;
  const running = new Set(runningClocks(live.job.log).map((c) => c.clock));
  const start = (clock: ClockKind, minutes: number) => {
    askForNotices();
    live.say({ kind: 'clock started', clock, minutes, elementId });
    pages.closePage();
  };
  return (
    <Page
      band={band}
      action={
        <ActionBar
          label="Back to the step"
          onPress={pages.closePage}
          side={{ label: 'Undo', onPress: live.undo }}
        />
      }
    >
      <PageHead
        vehicle={[job.vehicleName, job.vehicleTag].filter(Boolean).join(' · ')}
        question="Which clock?"
      />
      <UndoAsked live={live} />
      <View role="list" aria-label="Clocks to start">
        {CLOCKS.map((clock) => {
          const { title, offers } = CLOCK_WORDS[clock];
          return (
            <View key={clock} role="listitem" style={styles.line}>
              <View style={styles.title}>
                <Words strong>{title}</Words>
                {running.has(clock) ? (
                  <Words size="small" tone="softWords">
                    runs
                  </Words>
                ) : null}
              </View>
              {offers.map((minutes) => (
                <Button
                  key={minutes}
                  label={minutesWords(minutes)}
                  spoken={`${title}: ${minutesWords(minutes)}`}
                  disabled={!live.ready}
                  onPress={() => start(clock, minutes)}
                />
              ))}
            </View>
          );
        })}
      </View>
    </Page>
  );
}

const minutesWords = (minutes: number): string =>
  minutes < 60 ? `${minutes} min` : `${minutes / 60} h`;

const styles = StyleSheet.create({
  line: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    gap: SPACE.small,
    paddingVertical: SPACE.small,
    borderTopWidth: 1,
    borderTopColor: colour.hairline,
  },
  title: { flex: 1, minWidth: 88 },
});
