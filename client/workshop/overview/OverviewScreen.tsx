import type { Overview } from '@brook/contract';
import { groupOpenItems, isQuiet, owesCount, type OpenItem } from '@brook/core/owed/openItems';
import { trendWords } from '@brook/core/control/pedal';
import { capital, lowerFirst } from '@brook/core/base/text';
import { router, type Href } from 'expo-router';
import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { useOverview } from '../../data/overview';
import { JobsLink } from '../../job/frame/JobHead';
import { ActionBar } from '../../ui/ActionBar';
import { dayWords } from '../../ui/dayWords';
import { DriveMark } from '../../ui/DriveMark';
import { More } from '../../ui/More';
import { Caution } from '../../ui/Notice';
import { Page } from '../../ui/Page';
import { Press } from '../../ui/Press';
import { FailedPage, Loading } from '../../ui/States';
import { colour, SPACE } from '../../ui/theme';
import { usePageTitle } from '../../ui/usePageTitle';
import { Words } from '../../ui/Words';

/** From here the drum is handed over before it is full, as a share. */
const NEARLY_FULL = 0.9;

/** What stands open, for a Friday: which vehicles may not move and why, what is looked at again, what was let go, and the drum; each leads to its record. */
export function OverviewScreen() {
  usePageTitle('What stands open');
  const { data, error, isPending, refetch } = useOverview();
  if (isPending) return <Loading what="what stands open" />;
  if (!data)
    return <FailedPage what="What stands open" error={error} again={() => void refetch()} />;
  const again = owing(data, (m) => !isQuiet(m));
  const byFeel = owing(data, isQuiet);
  return (
    <Page action={<ActionBar label="To the jobs" onPress={() => router.replace('/')} />}>
      <View>
        <JobsLink />
        <Words size="head" heading={1}>
          What stands open
        </Words>
        <Words>{inOneLine(data)}</Words>
      </View>
      <Part title="Not to be driven" empty="Nothing is held." count={data.held.length}>
        {data.held.map((v) => (
          <Line
            key={v.vehicleId}
            name={`${v.vehicleName} · ${v.vehicleTag}`}
            lines={[
              ...titles(v.openItems),
              v.drive.since === null ? null : `Since ${dayWords(v.drive.since)}`,
            ]}
            href={`/vehicles/${v.vehicleId}`}
            mark={v.drive.state}
          />
        ))}
      </Part>
      <Part title="Look at again" empty="Nothing else is owed." count={again.length}>
        {again.map((v) => (
          <Line
            key={v.vehicleId}
            name={`${v.vehicleName} · ${v.vehicleTag}`}
            lines={v.openItems.map(
              (m) => `${capital(m.place ?? 'vehicle')}: ${m.because} (${whence(m)})`,
            )}
            href={`/vehicles/${v.vehicleId}`}
          />
        ))}
      </Part>
      {byFeel.length > 0 ? (
        <More
          title="Tightened by feel"
          about={`${byFeel.length} ${byFeel.length === 1 ? 'vehicle' : 'vehicles'}, looked at when ${byFeel.length === 1 ? 'it is' : 'they are'} next in`}
        >
          <View role="list" aria-label="Tightened by feel">
            {byFeel.map((v) => (
              <Line
                key={v.vehicleId}
                name={`${v.vehicleName} · ${v.vehicleTag}`}
                lines={groupOpenItems(v.openItems).map(
                  (g) => `${g.title} (${whence(g.openItems[0])})`,
                )}
                href={`/vehicles/${v.vehicleId}`}
              />
            ))}
          </View>
        </More>
      ) : null}
      <Part
        title="Getting worse, by measure"
        empty="No pedal or lever gets worse that was measured three times."
        count={data.worse.length}
      >
        {data.worse.map((w) => (
          <Line
            key={`${w.vehicleId} ${w.control}`}
            name={`${w.vehicleName} · ${w.vehicleTag}`}
            lines={[
              `${capital(w.control)}: air, ${lowerFirst(trendWords(w.trend))}`,
              `${w.measures} measures since ${dayWords(w.since)}. A model`,
            ]}
            href={`/vehicles/${w.vehicleId}/history`}
          />
        ))}
      </Part>
      <Part title="Let go by a lead" empty="No paper was let go." count={data.letGo.length}>
        {data.letGo.map((o) => (
          <Line
            key={`${o.jobId} ${o.what}`}
            name={`Job ${o.jobNumber}, ${o.vehicleName} · ${o.vehicleTag}`}
            lines={[`${o.what}: ${o.why}`, `${o.by}, ${dayWords(o.at)}`]}
            href={`/jobs/${o.jobId}`}
          />
        ))}
      </Part>
      <Drum {...data.waste} />
    </Page>
  );
}

/** Vehicles with what of their open items is to be shown, where there is any. */
const owing = ({ lookAgain }: Overview, shown: (m: OpenItem) => boolean) =>
  lookAgain
    .map((v) => ({ ...v, openItems: v.openItems.filter(shown) }))
    .filter((v) => v.openItems.length > 0);

/** @example "Una, job 48" */
const whence = ({ by, jobNumber }: OpenItem): string =>
  jobNumber === null ? by : `${by}, job ${jobNumber}`;

/** The whole of it before anybody scrolls. */
const inOneLine = ({ held, lookAgain, worse, letGo, waste }: Overview): string =>
  `${held.length} not to be driven, ${lookAgain.filter((v) => owesCount(v.openItems) > 0).length} to look at again, ${worse.length} getting worse, ${letGo.length} let go. Drum: ${drumWords(waste)}.`;

const drumWords = ({ wasteMl, drumMl }: Overview['waste']): string =>
  `${(wasteMl / 1000).toFixed(1)} of ${(drumMl / 1000).toFixed(0)} L`;

const titles = (openItems: readonly OpenItem[]): string[] =>
  groupOpenItems(openItems).map((g) => `${g.title}. ${g.clearsWhen}`);

function Drum(waste: Overview['waste']) {
  const { wasteMl, drumMl } = waste;
  return (
    <Part title="Waste drum" empty="" count={1}>
      <Line
        name={drumWords(waste)}
        lines={['What went in, and when it was handed over']}
        href="/shelf"
      />
      {wasteMl >= NEARLY_FULL * drumMl ? (
        <Caution title="Nearly full">Hand it over before the next flush.</Caution>
      ) : null}
    </Part>
  );
}

function Part({
  title,
  empty,
  count,
  children,
}: {
  readonly title: string;
  readonly empty: string;
  readonly count: number;
  readonly children: ReactNode;
}) {
  return (
    <View>
      <Words strong heading={2}>
        {title}
      </Words>
      {count === 0 ? <Words tone="softWords">{empty}</Words> : null}
      <View role="list" aria-label={title}>
        {children}
      </View>
    </View>
  );
}

function Line({
  name,
  lines,
  href,
  mark,
}: {
  readonly name: string;
  readonly lines: readonly (string | null)[];
  readonly href: Href;
  readonly mark?: Overview['held'][number]['drive']['state'];
}) {
  return (
    <View role="listitem" style={styles.item}>
      <Press
        role="link"
        aria-label={name}
        onPress={() => router.push(href)}
        style={styles.line}
        pressedStyle={{ backgroundColor: colour.well }}
      >
        <View style={styles.head}>
          <View style={styles.grow}>
            <Words strong>{name}</Words>
          </View>
          {mark ? <DriveMark state={mark} /> : null}
        </View>
        {lines.map((line) =>
          line === null ? null : (
            <Words key={line} size="small" tone="softWords">
              {line}
            </Words>
          ),
        )}
      </Press>
    </View>
  );
}

const styles = StyleSheet.create({
  item: { borderTopWidth: 1, borderTopColor: colour.hairline },
  line: { paddingVertical: SPACE.small, gap: SPACE.hair },
  head: { flexDirection: 'row', alignItems: 'center', gap: SPACE.medium },
  grow: { flex: 1 },
});
