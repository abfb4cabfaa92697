import { paths, type Layout } from '../../vehicle/circuit';
import { dayEndsMs } from '../../base/clock';
import type { DriveState } from '../../job/stage';
import { slipsIn, undoneIds } from '../../job/log';
import { positionOf, type Logged, type VehicleEvent } from '../../job/events';
import { WHOLE_VEHICLE, type JobFacts, type JobSays } from './jobSays';
import { placeOf } from './writer';
import { mastersAt } from './controlsConcerned';
import { holds, type OpenItem } from './openItem';
import { reachedFrom } from './stripped';
import { groupOpenItems } from './words';

/** What is known of a vehicle: its jobs in the order in which they were taken in, and its own log. */
export interface VehicleFacts {
  readonly layout: Layout;
  readonly jobs: readonly JobSays[];
  readonly log: readonly Logged<VehicleEvent>[];
}

/** Everything that a vehicle owes, the oldest first. */
export function openItems({ layout, jobs, log }: VehicleFacts): OpenItem[] {
  const own = saidOutside(layout, log);
  const open = jobs.reduce<readonly OpenItem[]>(
    (before, job) => [
      ...joined(
        before.filter((m) => !settles(job, m, layout) && !own.settled(m)),
        job.moved ? job.open.flatMap(own.leftBehind) : job.open,
      ),
      ...job.afterClose,
    ],
    [],
  );
  return [
    ...open.filter((m) => !own.settled(m)),
    ...own.open.filter((m) => !jobs.some((j) => settles(j, m, layout))),
  ].sort((a, b) => positionOf(a) - positionOf(b));
}

/**
 * What is open still and what comes to it. What an earlier job left is said once,
 * by that job, and is over only for who knows of the later cause as well.
 */
export function joined(open: readonly OpenItem[], more: readonly OpenItem[]): OpenItem[] {
  const again = (m: OpenItem) =>
    m.where === null ? undefined : open.find((o) => o.kind === m.kind && o.where === m.where);
  return [
    ...open.map((o) => {
      const m = more.find((x) => again(x) === o);
      if (!m) return o;
      const graver = holds(m) && !holds(o) ? { weight: m.weight, because: m.because } : {};
      return { ...o, ...graver, ...(positionOf(m) > positionOf(o) ? { order: m.order } : {}) };
    }),
    ...more.filter((m) => !again(m)),
  ];
}

/** What is said of a vehicle outside any job: what it leaves open, and what of its jobs' it settles. */
function saidOutside(layout: Layout, log: readonly Logged<VehicleEvent>[]) {
  const undone = undoneIds(log);
  const slips = slipsIn(log);
  const papers = log.flatMap((e) =>
    (e.kind === 'cycle elsewhere' || e.kind === 'stripped elsewhere') && !undone.has(e.id)
      ? [e]
      : [],
  );
  const looked = new Set(
    log.flatMap((e) => (e.kind === 'looked at' && !undone.has(e.id) ? [e.openItemId] : [])),
  );
  return {
    open: [
      ...log.flatMap((e) =>
        // Bad news is taken back within the press, or by a look; not by an undo.
        e.kind === 'marked' && !slips.has(e.id) && !looked.has(e.id) ? [marked(e)] : [],
      ),
      ...papers.flatMap((e) =>
        e.kind === 'cycle elsewhere' && !e.bledAfter ? baseBleedOwed(layout, e) : [],
      ),
    ],
    leftBehind: (m: OpenItem): OpenItem[] =>
      looked.has(m.id)
        ? []
        : [
            {
              ...m,
              because: `${m.because}; its job was moved to another vehicle`,
              leftBehind: true,
            },
          ],
    settled: (m: OpenItem) =>
      papers.some(
        (p) =>
          (p.kind === 'cycle elsewhere'
            ? m.kind === 'tool cycle owed'
            : m.kind === 'wrong fluid' || m.kind === 'product not known') &&
          // A paper settles only what began before its date was past; by the server's clock, as phones' clocks decide nothing.
          positionOf(p) > positionOf(m) &&
          dayEndsMs(p.date) > (m.order?.receivedMs ?? Infinity),
      ),
  };
}

/** Whether a job settles an open item that was open before it, by what it did. */
export function settles(job: JobFacts, m: OpenItem, layout: Layout): boolean {
  const proves = sees(job, m, layout);
  const bled = (wanted: readonly string[]) =>
    allOf(wanted, layout).every(
      (id) => id in job.bled && (tookOver(job, m) || job.bled[id]! >= positionOf(m)),
    );
  switch (m.kind) {
    case 'control not proved':
    case 'control soft':
    case 'part off':
    case 'drive failed':
    case 'marked':
    case 'done after close':
      return proves;
    case 'air possible':
    case 'bleeder left':
    case 'seized':
    case 'snapped':
      return bled(m.where === null ? [] : [m.where]);
    case 'base bleed owed':
      return bled(behindNode(layout, m.where));
    case 'tool cycle owed':
      return tookOver(job, m) && m.where !== null && job.cycled.includes(m.where);
    case 'leak':
      return proves && job.mended.includes(m.id);
    case 'look again':
    case 'not back on':
      return job.mended.includes(m.id);
    case 'tightness':
      return job.mended.includes(m.id) || (m.where !== null && job.tightened.includes(m.where));
    case 'by feel':
      return (
        job.mended.includes(m.id) ||
        (m.where !== null && job.tightened.includes(m.where)) ||
        // Nobody is released whose joints were not found dry; what it left by feel itself is looked at after it.
        (proves && m.where !== null && !job.byFeel.includes(m.where))
      );
    case 'lamp lit':
      return job.released;
    case 'stop verdict':
      return job.released && job.fluidPasses && bled(m.where === null ? [] : [m.where]);
    case 'wrong fluid':
    case 'product not known':
      // Only by all rubber renewed: a later look that says clean is not the end of it.
      return (
        proves &&
        reachedFrom(layout, m).every(
          (r) => r in job.stripped && (tookOver(job, m) || job.stripped[r]! >= positionOf(m)),
        )
      );
    case 'wrong grade':
      return fedThrough(layout, m.where).every((id) => job.renewed.includes(id) && bled([id]));
    case 'old fluid':
      return allOf(m.where === null ? [] : [m.where], layout).every((id) =>
        job.renewed.includes(id),
      );
  }
}

/** These bleeders; those that the layout has no more, or none, stand for all that it has. */
function allOf(wanted: readonly string[], layout: Layout): readonly string[] {
  const known = layout.bleeders.map((b) => b.id);
  return wanted.length === 0 || wanted.some((id) => !known.includes(id)) ? known : wanted;
}

/** The bleeders that a reservoir feeds; a place that is none, or is not known, stands for all. */
export function fedThrough(layout: Layout, where: string | null): string[] {
  const fed = paths(layout).flatMap((p) => (p.chamber.fedBy === where ? [p.bleeder.id] : []));
  return fed.length > 0 ? fed : layout.bleeders.map((b) => b.id);
}

/** The bleeders that the fluid reaches through a node. */
export const behindNode = (layout: Layout, nodeId: string | null): string[] =>
  paths(layout).flatMap((p) => (p.points.some((x) => x.node.id === nodeId) ? [p.bleeder.id] : []));

/** Whether a job was taken in when an open item was there: then it took it over. */
const tookOver = (job: JobFacts, m: OpenItem): boolean => job.openedPosition > positionOf(m);

/**
 * Whether a job that was released proved every control that an open item is
 * about, and whoever answered had heard of it: it was taken in after it, or all
 * that was answered there and on the whole vehicle was answered after it.
 */
function sees(job: JobFacts, m: OpenItem, layout: Layout): boolean {
  if (!job.released) return false;
  const at = mastersAt(layout, m.where).map((x) => x.id);
  if (!at.every((id) => job.proves.includes(id))) return false;
  return (
    tookOver(job, m) ||
    [...at, WHOLE_VEHICLE].every((x) => (job.provedHeard[x] ?? 0) >= positionOf(m))
  );
}

const bySaying = (e: Logged<VehicleEvent>) => ({
  weight: 'holds' as const,
  sinceMs: e.atMs,
  order: e.order,
  by: e.person,
  jobId: null,
  jobNumber: null,
});

const marked = (e: Logged<Extract<VehicleEvent, { readonly kind: 'marked' }>>): OpenItem => ({
  id: e.id,
  kind: 'marked',
  where: null,
  place: null,
  because: e.reason,
  ...bySaying(e),
});

/** A paper that names the cycle alone leaves the bleed after it owed. */
const baseBleedOwed = (
  layout: Layout,
  e: Logged<Extract<VehicleEvent, { readonly kind: 'cycle elsewhere' }>>,
): OpenItem[] =>
  layout.nodes
    .filter((n) => n.kind === 'modulator')
    .map((n) => ({
      id: `${e.id} ${n.id}`,
      kind: 'base bleed owed' as const,
      where: n.id,
      place: placeOf(layout, n.id),
      because: `Cycled at ${e.workshop} on ${e.date}, paper ${e.paper}; it names no bleed after it`,
      ...bySaying(e),
    }));

/** Whether a vehicle may move. */
export interface DriveFinding {
  readonly state: DriveState;
  /** Since when, milliseconds since 1970; null where it is free. */
  readonly sinceMs: number | null;
  readonly reason: string | null;
}

/** Whether a vehicle may move, from what it owes. */
export function vehicleDrive(facts: VehicleFacts): DriveFinding {
  const open = openItems(facts).filter(holds);
  if (open.length === 0) return { state: 'free', sinceMs: null, reason: null };
  const driving = facts.jobs.at(-1)?.driving ?? null;
  if (driving && openItems(asIfReleased(facts)).filter(holds).length === 0)
    return {
      state: 'test drive only',
      sinceMs: driving.sinceMs,
      reason: 'Slow, in a safe place, nobody else on board.',
    };
  return { state: 'do not drive', sinceMs: open[0]!.sinceMs, reason: reasonFor(open) };
}

/** The same vehicle if its job in hand were released. */
export function asIfReleased({ layout, jobs, log }: VehicleFacts): VehicleFacts {
  return {
    layout,
    log,
    jobs: jobs.map((j, i) =>
      i === jobs.length - 1
        ? { ...j, released: true, open: j.driving?.open ?? j.open, driving: null }
        : j,
    ),
  };
}

/** What holds a vehicle, in one line. */
function reasonFor(open: readonly OpenItem[]): string {
  const groups = groupOpenItems(open);
  const first = groups[0]!;
  const { kind, because } = first.openItems[0];
  const said =
    kind === 'marked' || kind === 'stop verdict' ? because : `${first.title}: ${because}`;
  return groups.length === 1 ? `${said}.` : `${said}. And ${groups.length - 1} more.`;
}
