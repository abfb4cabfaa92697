import { isClosed } from '@brook/core/job/stage';
import type { LivePhone } from '@brook/contract';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { StyleSheet, View } from 'react-native';
import { nowMs } from '../../data/clock';
import { deviceId } from '../../data/device';
import { useJob } from '../../data/job';
import { keptForOthers, useWaiting } from '../../data/keptHere';
import { useWaitingMedia } from '../../data/media';
import { useLive } from '../../data/live';
import { inJob } from '../../data/serviceWorker';
import { useSession } from '../../data/session';
import { touch } from '../../data/touch';
import { Words } from '../../ui/Words';
import { DriveMark } from '../../ui/DriveMark';
import { colour, MIN_CONTENT, SPACE } from '../../ui/theme';
import { linkWords } from './linkWords';

/** Where what was tapped stands: on this phone, with the workshop, or on another phone that nobody heard of since. Always to be seen on a job. */
export function LinkStrip({ id }: { readonly id: string }) {
  const job = useJob(id).data;
  const stage = job?.stage;
  const { inTouch, full, phones } = useLive(id, stage !== undefined);
  const waiting = useWaiting(id);
  const media = useWaitingMedia(id);
  const self = useSession().data?.user.id;
  useEffect(inJob, []);
  const outSinceMs = useSyncExternalStore(touch.subscribe, touch.outSinceMs, touch.outSinceMs);
  const now = useSlowNow();
  if (stage === undefined) return null;
  const said = linkWords({
    open: !isClosed(stage),
    waiting: waiting.length,
    media: media.map((m) => m.medium),
    waitsFor: self ? keptForOthers(waiting, media, self) : [],
    inTouch,
    full,
    outSinceMs,
    others: others(phones),
    nowMs: now,
  });
  if (!said) return null;
  const { words, calm } = said;
  return (
    <View role="status" style={[styles.strip, calm ? null : styles.loud]}>
      <View style={styles.words}>
        <Words size="small" strong={!calm} tone={calm ? 'softWords' : 'words'}>
          {words}
        </Words>
      </View>
      {/* While strokes are counted nothing else on the screen says it. */}
      {job && stage === 'run' ? <DriveMark state={job.vehicleDrive} /> : null}
    </View>
  );
}

const others = (phones: readonly LivePhone[]): readonly LivePhone[] =>
  phones.filter((p) => p.deviceId !== deviceId());

/** The present moment, anew every ten seconds. */
function useSlowNow(): number {
  const [now, setNow] = useState(nowMs);
  useEffect(() => {
    const timer = setInterval(() => setNow(nowMs()), 10_000);
    return () => clearInterval(timer);
  }, []);
  return now;
}

const styles = StyleSheet.create({
  strip: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    columnGap: SPACE.small,
    paddingHorizontal: SPACE.medium,
    borderBottomWidth: 1,
    borderBottomColor: colour.hairline,
    backgroundColor: colour.ground,
  },
  words: { flexGrow: 1, flexShrink: 1, minWidth: MIN_CONTENT },
  loud: { backgroundColor: colour.well, borderBottomColor: colour.edge },
});
