import { chambersOf, paths, type Layout, type Master, circuitOf } from '../../vehicle/circuit';
import { passes, type JobState } from '../../job/log';
import { isBadAnswer } from '../../job/events';
import { plansOf } from '../../job/run';
import { complains, findScope, type WorkDone } from '../../bleed/scope';
import { openedAt } from './openedByHand';
import { holds, type OpenItem } from './openItem';

/** Parts that a job names as changed, compares or took off: nobody knows that they are fitted until it is released. */
export function partsInHand(job: JobState): string[] {
  // What is still to be done is off from the moment at which the run opens anything.
  const opened = (job.run?.openedAtMs ?? null) !== null;
  const works = job.run ? plansOf(job.run).map((p) => p.work) : job.said ? [job.said.work] : [];
  return [
    ...new Set([
      ...works.flatMap((w) => [
        ...w.parts.filter((p) => !p.notYet || opened).map((p) => p.partId),
        ...(w.master && (!w.master.notYet || opened) ? [w.master.masterId] : []),
      ]),
      ...(job.run?.log ?? []).flatMap((e) => (e.kind === 'taken off' ? [e.elementId] : [])),
    ]),
  ];
}

/** Whose control works that place: a master by its id, else the one whose circuit it lies in; all of them where nobody can say. */
export function mastersAt(layout: Layout, where: string | null): Master[] {
  const path = paths(layout).find((p) => p.bleeder.id === where);
  if (path) return [path.master];
  const named = layout.masters.filter(
    (m) =>
      m.id === where || m.chambers.some((c) => where !== null && circuitOf(layout, c).has(where)),
  );
  return named.length > 0 ? named : [...layout.masters];
}

/**
 * The masters whose controls a job proves, in the layout's order: those whose
 * circuits it opens or says to be open, those that it was brought for, and
 * those with an open item from before. Each is proved by itself.
 */
export function controlsConcerned(
  job: JobState,
  layout: Layout,
  before: readonly OpenItem[],
): Master[] {
  const ids = new Set<string>([
    ...(job.run
      ? plansOf(job.run).flatMap((p) => [
          ...p.openings.map((s) => masterOf(p.layout, s.chamberId)),
          ...p.scope.drewAir,
          ...broughtFor(p.work),
        ])
      : job.said
        ? [...openedBySaying(layout, job.said.work), ...broughtFor(job.said.work)]
        : []),
    ...partsInHand(job).flatMap((id) => mastersAt(layout, id).map((m) => m.id)),
    // What was found wrong at a control that nobody asked about is proved too, said or measured.
    ...job.proof.answers.flatMap((a) => (a.masterId !== null && !passes(a) ? [a.masterId] : [])),
    ...foundWrong(job),
    ...openedAt(job).flatMap((e) => mastersAt(layout, e.elementId).map((m) => m.id)),
    ...before.filter(holds).flatMap((m) => mastersAt(layout, m.where).map((x) => x.id)),
  ]);
  return layout.masters.filter((m) => ids.has(m.id));
}

/** Controls at which something was measured or said that does not pass, and was not taken back. */
function foundWrong({ log, undone, run }: JobState): string[] {
  const plans = run ? plansOf(run) : [];
  return log.flatMap((e) =>
    !undone.has(e.id) && 'masterId' in e && e.masterId && isBadAnswer(e, plans) ? [e.masterId] : [],
  );
}

const masterOf = (layout: Layout, chamberId: string): string =>
  chambersOf(layout).find((c) => c.chamber.id === chamberId)!.master.id;

/** A complaint, or a look, is about the controls in hand whatever is opened. */
const broughtFor = (work: WorkDone): readonly string[] =>
  complains(work) || work.purpose === 'look and prove' ? work.masterIds : [];

function openedBySaying(layout: Layout, work: WorkDone): string[] {
  const { bleeders, drewAir } = findScope(layout, work);
  const airy = new Set(
    bleeders.filter((b) => b.open && b.why.code === 'air').map((b) => b.bleederId),
  );
  return [
    ...drewAir,
    ...paths(layout).flatMap((p) => (airy.has(p.bleeder.id) ? [p.master.id] : [])),
  ];
}
