import type { Job } from '@brook/contract';
import { refitOf, undoneIds, type Refit } from '@brook/core/job/log';
import { type JobEvent, type Logged } from '@brook/core/job/events';
import { refitName, type OpenItem } from '@brook/core/owed/openItems';
import { capital } from '@brook/core/base/text';
import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import type { LiveJob } from '../../../data/run';
import { MediaList } from '../media/MediaList';
import { clockTime } from '../../../ui/dates';
import { Button } from '../../../ui/Button';
import { Words } from '../../../ui/Words';
import { colour, SPACE } from '../../../ui/theme';

/** What came off and is not back, of an earlier job first; each is asked back by itself. What is back says who put it there. */
export function RefitList({
  job,
  log,
  say,
}: {
  readonly job: Pick<Job, 'id' | 'layout' | 'before'>;
  readonly log: readonly Logged<JobEvent>[];
  /** Left out where nothing changes any more. */
  readonly say?: LiveJob['say'];
}) {
  const own = refitOf(log);
  const undone = undoneIds(log);
  const said = new Set(
    log.flatMap((e) =>
      e.kind === 'back on' && e.openItemId && !undone.has(e.id) ? [e.openItemId] : [],
    ),
  );
  const earlier = job.before.filter((m) => m.kind === 'not back on');
  if (own.length + earlier.length === 0) return null;
  return (
    <View role="list" aria-label="What came off">
      {earlier.map((m) => (
        <Line
          key={m.id}
          name={capital(m.place ?? 'something')}
          off={offWords(m)}
          back={said.has(m.id) ? 'Back on' : null}
          onBack={say && (() => say({ kind: 'back on', eventId: null, openItemId: m.id }))}
        />
      ))}
      {own.map((off) => (
        <Line
          key={off.eventId}
          name={capital(refitName(job.layout, off))}
          off={`Off: ${off.person}, ${clockTime(off.atMs)}`}
          back={backWords(off)}
          onBack={say && (() => say({ kind: 'back on', eventId: off.eventId, openItemId: null }))}
          note={off.noteId && <MediaList job={job} log={log} only={[off.noteId]} />}
        />
      ))}
    </View>
  );
}

const offWords = ({ by, jobNumber }: OpenItem): string => `Off since job ${jobNumber}: ${by}`;
const backWords = ({ back }: Refit): string | null =>
  back && `Back on: ${back.person}, ${clockTime(back.atMs)}`;

function Line({
  name,
  off,
  back,
  onBack,
  note,
}: {
  readonly name: string;
  readonly off: string;
  readonly back: string | null;
  readonly onBack: (() => void) | undefined;
  /** What was photographed or said of it. */
  readonly note?: ReactNode;
}) {
  return (
    <View role="listitem" style={styles.line}>
      <View style={styles.text}>
        <Words strong>{name}</Words>
        <Words size="small" tone="softWords">
          {back ?? off}
        </Words>
        {note}
      </View>
      {back || !onBack ? null : (
        <Button label="It is back on" spoken={`${name}: back on`} onPress={onBack} />
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  line: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    gap: SPACE.medium,
    paddingVertical: SPACE.small,
    borderTopWidth: 1,
    borderTopColor: colour.hairline,
  },
  text: { flex: 1, minWidth: 140 },
});
