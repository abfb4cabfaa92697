import { paths, type Layout } from '../../vehicle/circuit';
import { dayEndsMs } from '../../base/clock';
import type { DriveState } from '../../job/stage';
import { undoneIds } from '../../job/log';
import { type VehicleEvent, type Logged } from '../../job/events';
import type { JobSays } from './jobSays';
import { placeOf } from './writer';
import { mastersAt } from './controlsConcerned';
import { holds, type OpenItem } from './openItem';
import { groupOpenItems } from './words';

/** What is known of a vehicle: its jobs in the order in which they were taken in, and its own log. */
export interface VehicleFacts {
  readonly layout: Layout;
  readonly jobs: readonly JobSays[];
  readonly log: readonly Logged<VehicleEvent>[];
}

/** Everything that a vehicle owes, the oldest first. */
export function openItems({ layout, jobs, log }: VehicleFacts): OpenItem[] {
  const byJobs = jobs.reduce<readonly OpenItem[]>(
    (open, job) => [...open.filter((m) => !settles(job, m, layout)), ...job.open],
    [],
  );
  const undone = undoneIds(log);
  const said = log.filter((e) => !undone.has(e.id));
  const papers = said.flatMap((e) => (e.kind === 'cycle elsewhere' ? [e] : []));
  const cycledElsewhere = (m: OpenItem) =>
    m.kind === 'tool cycle owed' &&
    // A paper settles only what began before its date was past.
    papers.some((p) => p.atMs >= m.sinceMs && dayEndsMs(p.date) > m.sinceMs);
  return [
    ...byJobs.filter((m) => !cycledElsewhere(m)),
    ...jobs.flatMap((j, i) => afterClose(j, jobs.slice(i + 1))),
    ...said.flatMap((e): OpenItem[] => {
      if (e.kind === 'marked') return notSeen(marked(e), jobs);
      if (e.kind !== 'cycle elsewhere' || e.bledAfter) return [];
      return baseBleedOwed(layout, e).filter((m) => !jobs.some((j) => settles(j, m, layout)));
    }),
  ].sort((a, b) => a.sinceMs - b.sinceMs);
}

/** Whether a job settles an open item that was open before it, by what it did. */
export function settles(job: JobSays, m: OpenItem, layout: Layout): boolean {
  const proves = mastersAt(layout, m.where).every((x) => job.proves.includes(x.id));
  switch (m.kind) {
    case 'control not proved':
    case 'control soft':
    case 'part off':
    case 'drive failed':
      return job.released && proves;
    case 'air possible':
    case 'bleeder left':
    case 'seized':
    case 'snapped':
      return bledAll(job.bled, m.where === null ? [] : [m.where], layout);
    case 'base bleed owed':
      return job.openedAtMs >= m.sinceMs && bledAll(job.bled, behindNode(layout, m.where), layout);
    case 'tool cycle owed':
      return m.where !== null && job.cycled.includes(m.where);
    case 'leak':
      return job.released && proves && job.mended.includes(m.id);
    case 'look again':
    case 'not back on':
      return job.mended.includes(m.id);
    case 'tightness':
      return (
        job.mended.includes(m.id) || (m.where !== null && (job.tightened ?? []).includes(m.where))
      );
    case 'by feel':
      return (
        job.mended.includes(m.id) ||
        (m.where !== null && (job.tightened ?? []).includes(m.where)) ||
        // Nobody is released whose joints were not found dry; what it left by feel itself is looked at after it.
        (job.released && proves && m.where !== null && !(job.byFeel ?? []).includes(m.where))
      );
    case 'lamp lit':
      return job.released;
    case 'stop verdict':
      return (
        job.released &&
        job.fluidPasses &&
        bledAll(job.bled, m.where === null ? [] : [m.where], layout)
      );
    case 'marked':
    case 'done after close':
      return sees(job, m.sinceMs) && proves;
    case 'old fluid':
      return bledAll(job.renewed, m.where === null ? [] : [m.where], layout);
  }
}

/** Whether these bleeders were bled; those that the layout has no more stand for all that it has. */
function bledAll(bled: readonly string[], wanted: readonly string[], layout: Layout): boolean {
  const known = layout.bleeders.map((b) => b.id);
  const all = wanted.length === 0 || wanted.some((id) => !known.includes(id)) ? known : wanted;
  return all.every((id) => bled.includes(id));
}

/** The bleeders that the fluid reaches through a node. */
export const behindNode = (layout: Layout, nodeId: string | null): string[] =>
  paths(layout).flatMap((p) => (p.points.some((x) => x.node.id === nodeId) ? [p.bleeder.id] : []));

/** Whether whoever released a job has seen what was so at a moment: it was taken in after that, or every control was judged after it. */
const sees = (job: JobSays, atMs: number): boolean =>
  job.released &&
  (job.openedAtMs >= atMs || (job.provedSinceMs !== null && job.provedSinceMs >= atMs));

const notSeen = (m: OpenItem, jobs: readonly JobSays[]): OpenItem[] =>
  jobs.some((j) => sees(j, m.sinceMs)) ? [] : [m];

/** What was done after a job was closed holds until a later job was taken in after it and released. */
function afterClose({ jobId, afterClose: done }: JobSays, later: readonly JobSays[]): OpenItem[] {
  if (!done) return [];
  const openItem: OpenItem = {
    id: `${jobId} done after close`,
    kind: 'done after close',
    weight: 'holds',
    where: null,
    place: null,
    because: done.reason,
    sinceMs: done.atMs,
    by: done.person,
    jobId,
    jobNumber: null,
  };
  return notSeen(openItem, later);
}

const bySaying = (e: Logged<VehicleEvent>) => ({
  weight: 'holds' as const,
  sinceMs: e.atMs,
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
  const [first] = groups;
  const { kind, because } = first!.openItems[0];
  const said =
    kind === 'marked' || kind === 'stop verdict' ? because : `${first!.title}: ${because}`;
  return groups.length === 1 ? `${said}.` : `${said}. And ${groups.length - 1} more.`;
}
