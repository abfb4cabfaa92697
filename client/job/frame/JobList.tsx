import type { JobSummary } from '@brook/contract';
import { isClosed, NEXT_WORDS } from '@brook/core/job/stage';
import { Link, router } from 'expo-router';
import { useDeferredValue, useEffect, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { JobClocks } from './JobClocks';
import { useJobList } from '../../data/jobList';
import { takeNewVersion } from '../../data/serviceWorker';
import { useSession } from '../../data/session';
import { ActionBar } from '../../ui/ActionBar';
import { DriveMark, spokenVehicle } from '../../ui/DriveMark';
import { EarlierButton } from '../../ui/EarlierButton';
import { Field } from '../../ui/Field';
import { Page, useWideScreen } from '../../ui/Page';
import { Press } from '../../ui/Press';
import { Failed, Loading, NothingFound } from '../../ui/States';
import { Words } from '../../ui/Words';
import { dayWords } from '../../ui/dayWords';
import { colour, SPACE } from '../../ui/theme';
import { usePageTitle } from '../../ui/usePageTitle';
import { ThisPhone } from './ThisPhone';

/** Below this many the list is looked through, not searched. */
const SEARCHED_FROM = 8;

/** Every job of the workshop, where each stands and what is next. */
export function JobList() {
  usePageTitle('Jobs');
  useEffect(() => void takeNewVersion(), []);
  const [query, setQuery] = useState('');
  const { data, error, isPending, hasNextPage, fetchNextPage, isFetchingNextPage, refetch } =
    useJobList(useDeferredValue(query));
  const session = useSession().data;
  const jobs = data?.pages.flatMap((p) => p.jobs) ?? [];
  const open = jobs.filter((j) => !isClosed(j.stage));
  const closed = jobs.filter((j) => isClosed(j.stage));
  const wide = useWideScreen();
  const done =
    closed.length > 0 || hasNextPage ? (
      <>
        {closed.length > 0 ? <Group title="Done" jobs={closed} /> : null}
        <EarlierButton
          label="Earlier jobs"
          more={hasNextPage}
          fetching={isFetchingNextPage}
          fetch={() => void fetchNextPage()}
        />
      </>
    ) : null;
  return (
    <Page
      action={<ActionBar label="Take a vehicle in" onPress={() => router.push('/new')} />}
      beside={done ? <ScrollView contentContainerStyle={styles.beside}>{done}</ScrollView> : null}
    >
      <View style={styles.top}>
        <View style={styles.title}>
          <Words size="small" tone="softWords">
            {session ? `${session.workshop.name} · ${session.user.name}` : ' '}
          </Words>
          <Words size="head" heading={1}>
            Jobs
          </Words>
        </View>
        <Menu />
      </View>
      {isPending ? <Loading what="the jobs" /> : null}
      {error ? <Failed error={error} again={() => void refetch()} /> : null}
      {query !== '' || hasNextPage || jobs.length >= SEARCHED_FROM ? (
        <Field
          label="Find a vehicle or job"
          value={query}
          onChange={setQuery}
          maxLength={60}
          autoCapitalize="none"
        />
      ) : null}
      {data && jobs.length === 0 && query !== '' ? <NothingFound /> : null}
      {data && jobs.length === 0 && query === '' ? (
        <Words>No job yet. Take a vehicle in: the plan comes by itself once the cap is read.</Words>
      ) : null}
      {open.length > 0 ? <Group title="In hand" jobs={open} /> : null}
      {wide ? null : done}
    </Page>
  );
}

function Group({ title, jobs }: { readonly title: string; readonly jobs: readonly JobSummary[] }) {
  return (
    <View>
      <Words strong heading={2}>
        {title}
      </Words>
      <View role="list" aria-label={title}>
        {jobs.map((job) => (
          <JobLine key={job.id} job={job} />
        ))}
      </View>
    </View>
  );
}

/** One job: the vehicle, whether it may move, what is next. */
function JobLine({ job }: { readonly job: JobSummary }) {
  return (
    <View role="listitem" style={styles.item}>
      <Link href={`/jobs/${job.id}`} asChild>
        <Press
          role="link"
          aria-label={`Job ${job.number}, ${spokenVehicle({ name: job.vehicleName, tag: job.vehicleTag, drive: job.vehicleDrive })}. ${NEXT_WORDS[job.stage]}`}
          style={styles.link}
          pressedStyle={{ backgroundColor: colour.well }}
        >
          <View style={styles.between}>
            <View style={styles.grow}>
              <Words strong>{job.vehicleName}</Words>
            </View>
            <Words size="small" tone="softWords">
              {dayWords(job.openedAt)}
            </Words>
          </View>
          <View style={styles.between}>
            <Words size="small" tone={isClosed(job.stage) ? 'softWords' : 'words'}>
              {NEXT_WORDS[job.stage]}
            </Words>
            <DriveMark state={job.vehicleDrive} owes={job.owes} />
          </View>
          <JobClocks clocks={job.clocks} />
        </Press>
      </Link>
    </View>
  );
}

/** The few things beside the way. */
function Menu() {
  const [more, setMore] = useState(false);
  return (
    <View style={styles.menu}>
      <MenuItem word="Vehicles" onPress={() => router.push('/vehicles')} />
      <MenuItem word="Shelf" onPress={() => router.push('/shelf')} />
      <MenuItem word="Calculators" onPress={() => router.push('/calculators')} />
      <MenuItem word="Rules" onPress={() => router.push('/rules')} />
      <MenuItem word="More" onPress={() => setMore(true)} />
      {more ? <ThisPhone onClose={() => setMore(false)} /> : null}
    </View>
  );
}

function MenuItem({ word, onPress }: { readonly word: string; readonly onPress: () => void }) {
  return (
    <Press role="button" onPress={onPress} style={styles.menuItem}>
      <Words size="small" strong>
        {word}
      </Words>
    </Press>
  );
}

const styles = StyleSheet.create({
  top: { gap: SPACE.hair },
  title: { gap: SPACE.hair },
  menu: {
    flexDirection: 'row',
    gap: SPACE.medium,
    borderBottomWidth: 1,
    borderBottomColor: colour.hairline,
  },
  menuItem: { paddingRight: SPACE.small },
  item: { borderTopWidth: 1, borderTopColor: colour.hairline },
  link: { paddingVertical: SPACE.medium, gap: SPACE.hair },
  between: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    alignItems: 'center',
    gap: SPACE.medium,
  },
  grow: { flex: 1 },
  beside: { padding: SPACE.wide, gap: SPACE.large },
});
