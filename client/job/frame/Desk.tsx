import type { JobSummary } from '@brook/contract';
import { isClosed, NEXT_WORDS } from '@brook/core/job/stage';
import { Link, router } from 'expo-router';
import { useDeferredValue, useState, type ReactNode } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { JobClocks } from './JobClocks';
import { useJob } from '../../data/job';
import { useJobList } from '../../data/jobList';
import { useSession } from '../../data/session';
import { DriveMark, spokenVehicle } from '../../ui/DriveMark';
import { Field } from '../../ui/Field';
import { useWideScreen } from '../../ui/Page';
import { Press } from '../../ui/Press';
import { NothingFound } from '../../ui/States';
import { useShortcut } from '../../ui/shortcuts';
import { colour, SPACE, TOUCH, WORD } from '../../ui/theme';
import { Words } from '../../ui/Words';

/** On a wide screen the jobs stay at the left of whatever is open; on a phone there is room for one thing. */
export function Desk({
  current = null,
  children,
}: {
  /** The job that is open. */
  readonly current?: string | null;
  readonly children: ReactNode;
}) {
  if (!useWideScreen()) return children;
  return (
    <View style={styles.desk}>
      <JobsAside current={current} />
      <View style={styles.open}>{children}</View>
    </View>
  );
}

const FIND = 'desk-find';

function JobsAside({ current }: { readonly current: string | null }) {
  const [query, setQuery] = useState('');
  const { data } = useJobList(useDeferredValue(query));
  const workshop = useSession().data?.workshop.name;
  useShortcut('/', () => document.querySelector<HTMLElement>(`#${FIND}`)?.focus());
  const jobs = (data?.pages[0]?.jobs ?? []).filter(
    (j) => query !== '' || !isClosed(j.stage) || j.id === current,
  );
  return (
    <View role="navigation" aria-label="Jobs" style={styles.aside}>
      <View style={styles.head}>
        <Words size="small" tone="softWords">
          {workshop ?? ' '}
        </Words>
        <Link href="/" style={styles.title}>
          Jobs
        </Link>
        <Field
          id={FIND}
          label="Find a vehicle or job"
          shortcut="/"
          value={query}
          onChange={setQuery}
          maxLength={60}
          autoCapitalize="none"
        />
      </View>
      <ScrollView>
        {data && jobs.length === 0 && query !== '' ? <NothingFound /> : null}
        <View role="list" aria-label="Jobs in hand">
          {current && data && query === '' && !jobs.some((j) => j.id === current) ? (
            <OpenLine id={current} />
          ) : null}
          {jobs.map((job) => (
            <DeskLine key={job.id} job={job} here={job.id === current} />
          ))}
        </View>
      </ScrollView>
      <Press role="link" onPress={() => router.push('/new')} style={styles.foot}>
        <Words strong>Take a vehicle in</Words>
      </Press>
    </View>
  );
}

/** The job that is open, where it is too old for the list. */
function OpenLine({ id }: { readonly id: string }) {
  const { data } = useJob(id);
  return data ? <DeskLine job={data} here /> : null;
}

type Lined = Pick<
  JobSummary,
  'id' | 'number' | 'stage' | 'vehicleName' | 'vehicleTag' | 'vehicleDrive'
> &
  Partial<Pick<JobSummary, 'owes' | 'clocks'>>;

/** One job in a line or two; the one that is open is inked. */
function DeskLine({ job, here }: { readonly job: Lined; readonly here: boolean }) {
  const tone = here ? 'ground' : 'words';
  return (
    <View role="listitem" style={styles.item}>
      <Link href={`/jobs/${job.id}`} asChild>
        <Press
          role="link"
          aria-label={`Job ${job.number}, ${spokenVehicle({ name: job.vehicleName, tag: job.vehicleTag, drive: job.vehicleDrive })}. ${NEXT_WORDS[job.stage]}`}
          aria-current={here ? 'page' : undefined}
          style={here ? styles.here : styles.line}
          pressedStyle={here ? {} : { backgroundColor: colour.well }}
        >
          <Words strong tone={tone}>
            {job.vehicleName}
          </Words>
          <Words size="small" tone={tone}>
            {NEXT_WORDS[job.stage]}
          </Words>
          {/* Nor need its clocks be said twice. */}
          {here || !job.clocks ? null : <JobClocks clocks={job.clocks} />}
          {/* The job that is open says itself whether it may be driven. */}
          {here ? null : <DriveMark state={job.vehicleDrive} owes={job.owes ?? 0} />}
        </Press>
      </Link>
    </View>
  );
}

const LINE = { paddingVertical: SPACE.small, paddingHorizontal: SPACE.large };
const styles = StyleSheet.create({
  desk: { flex: 1, flexDirection: 'row', minHeight: 0, backgroundColor: colour.ground },
  open: { flex: 1, minWidth: 0 },
  aside: { width: 248, borderRightWidth: 1, borderRightColor: colour.hairline },
  head: { padding: SPACE.large, gap: SPACE.small },
  title: { ...WORD.head, color: colour.words, minHeight: TOUCH, lineHeight: TOUCH },
  item: { borderTopWidth: 1, borderTopColor: colour.hairline },
  line: LINE,
  here: { ...LINE, backgroundColor: colour.words },
  foot: { padding: SPACE.large, borderTopWidth: 1, borderTopColor: colour.edge },
});
