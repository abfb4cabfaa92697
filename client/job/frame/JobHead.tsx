import type { Job } from '@brook/contract';
import { workTitle } from '@brook/core/bleed/scope';
import { StyleSheet, View } from 'react-native';
import { Link } from 'expo-router';
import { lowerFirst } from '@brook/core/base/text';
import { Caution, Stop } from '../../ui/Notice';
import { DriveMark } from '../../ui/DriveMark';
import { Words } from '../../ui/Words';
import { clockTime, shortDate } from '../../ui/dates';
import { colour, MIN_CONTENT, SPACE, TOUCH, WORD } from '../../ui/theme';

/** Which vehicle, which job, and whether it may move. */
export function JobHead({
  job,
  title,
}: {
  readonly job: Job;
  /** What is done here, where the step is one screenful: then the vehicle stands small above it. */
  readonly title?: string;
}) {
  if (title)
    return (
      <View>
        <View style={styles.short}>
          <JobsLink />
          <View style={styles.which}>
            <Words size="small" tone="softWords">
              {[job.vehicleName, job.vehicleTag].filter(Boolean).join(' · ')}
            </Words>
          </View>
          <View>
            <DriveMark state={job.drive.state} />
          </View>
        </View>
        <Words size="head" heading={1}>
          {title}
        </Words>
      </View>
    );
  return (
    <View style={styles.head}>
      <View style={styles.line}>
        <JobsLink />
        <Words size="small" tone="softWords">
          {`Job ${job.number} · ${shortDate(job.openedAt)}`}
        </Words>
      </View>
      <Words size="head" heading={1}>
        <Link href={`/vehicles/${job.vehicleId}`} style={styles.name}>
          {job.vehicleName}
        </Link>
      </Words>
      <Words size="small" tone="softWords">
        {[
          job.vehicleTag,
          lowerFirst(workTitle(job.planChoices.work)),
          job.fluid?.verdict.fill?.grade,
        ]
          .filter(Boolean)
          .join(' · ')}
      </Words>
      <DriveNotice job={job} />
    </View>
  );
}

/** The way back to the list. */
export function JobsLink() {
  return (
    <Link
      href="/"
      style={{ ...WORD.small, color: colour.softWords, minHeight: TOUCH, lineHeight: TOUCH }}
    >
      ‹ Jobs
    </Link>
  );
}

/** "Do not drive" or "Test drive only", with since when and why. */
export function DriveNotice({ job }: { readonly job: Pick<Job, 'drive'> }) {
  const { state, since, reason } = job.drive;
  if (state === 'free') return null;
  const from = since ? ` Since ${shortDate(since)}, ${clockTime(since)}.` : '';
  if (state === 'do not drive') return <Stop title="Do not drive">{`${reason ?? ''}${from}`}</Stop>;
  return <Caution title="Test drive only">{`${reason ?? ''}${from}`}</Caution>;
}

const styles = StyleSheet.create({
  head: { gap: SPACE.hair },
  short: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', columnGap: SPACE.medium },
  which: { flex: 1, minWidth: MIN_CONTENT },
  name: { display: 'flex', paddingVertical: SPACE.small },
  line: { flexDirection: 'row', justifyContent: 'space-between', alignItems: 'center' },
});
