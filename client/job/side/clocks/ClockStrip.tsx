import type { Job } from '@brook/contract';
import { CLOCK_WORDS } from '@brook/core/base/clock';
import { isClosed } from '@brook/core/job/stage';
import { runningClocks, type RunningClock } from '@brook/core/job/log';
import { useMemo } from 'react';
import { StyleSheet, View } from 'react-native';
import { useJob } from '../../../data/job';
import { useJobLog, type LiveJob } from '../../../data/run';
import { Numeral } from '../../../ui/Numeral';
import { Press } from '../../../ui/Press';
import { Words } from '../../../ui/Words';
import { colour, MIN_CONTENT, SPACE } from '../../../ui/theme';
import { useNow } from '../../../ui/useNow';
import { clockLeft } from '../../frame/clockLeft';
import { useUpNotices } from './useUpNotices';

/** The clocks of a job, on every screen of it: what is left, and what to do when one is up. */
export function ClockStrip({ id }: { readonly id: string }) {
  const job = useJob(id).data;
  return job && !isClosed(job.stage) ? <Clocks job={job} /> : null;
}

function Clocks({ job }: { readonly job: Job }) {
  const live = useJobLog(job);
  const { log } = live.job;
  const clocks = useMemo(() => runningClocks(log), [log]);
  const nowMs = useNow(clocks.length > 0);
  useUpNotices(job.vehicleName, clocks, nowMs);
  if (clocks.length === 0) return null;
  return (
    <View role="complementary" aria-label="Clocks that run">
      <View role="list" aria-label="Clocks">
        {clocks.map((clock) => (
          <Line key={clock.eventId} clock={clock} nowMs={nowMs} say={live.say} />
        ))}
      </View>
    </View>
  );
}

function Line({
  clock,
  nowMs,
  say,
}: {
  readonly clock: RunningClock;
  readonly nowMs: number;
  readonly say: LiveJob['say'];
}) {
  const { title, left, isUp } = clockLeft(clock, nowMs);
  return (
    <View role="listitem" style={[styles.line, isUp ? styles.up : null]}>
      <View style={styles.grow}>
        <View style={styles.time}>
          <Words strong>{title}</Words>
          <Numeral>{left}</Numeral>
        </View>
        {isUp ? (
          <Words size="small" accessibilityLiveRegion="polite">
            {CLOCK_WORDS[clock.clock].then}
          </Words>
        ) : null}
      </View>
      {/* Of a flow only what is read on the jar tells that somebody looked. */}
      {clock.ofRun ? null : (
        <Press
          role="button"
          aria-label={`${title}: ${isUp ? 'seen' : 'stop'}`}
          onPress={() => say({ kind: 'clock ended', eventId: clock.eventId })}
          style={styles.end}
          pressedStyle={{ backgroundColor: colour.well }}
        >
          <Words strong align="center">
            {isUp ? 'Seen' : 'Stop'}
          </Words>
        </Press>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  line: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.medium,
    paddingLeft: SPACE.medium,
    borderBottomWidth: 1,
    borderBottomColor: colour.hairline,
    backgroundColor: colour.ground,
  },
  up: { backgroundColor: colour.well, borderBottomColor: colour.words, borderBottomWidth: 3 },
  grow: { flex: 1, minWidth: MIN_CONTENT },
  time: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'baseline', columnGap: SPACE.small },
  end: {
    borderLeftWidth: 1,
    borderLeftColor: colour.hairline,
    paddingHorizontal: SPACE.large,
    alignSelf: 'stretch',
  },
});
