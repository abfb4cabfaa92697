import { paths, type Layout } from '../../vehicle/circuit';
import { renewsToo, type OwedWork, type WorkDone } from '../../bleed/scope';
import { settledBy } from '../../job/events';
import { holds, type OpenItem } from './openItem';
import { reachedFrom } from './stripped';
import { behindNode, fedThrough } from './vehicle';

/** Kinds that are settled by what the fluid looks like at a bleeder, and those by bleeding it. */
const OLD = settledBy('colour');
const AIR = settledBy('shut').filter((kind) => !OLD.includes(kind));
/** Kinds that are settled by new rubber alone. */
const RUBBER = settledBy('stripped elsewhere');

/** What of a vehicle's open items the next plan must open. */
export function owedWork(layout: Layout, openItems: readonly OpenItem[]): OwedWork {
  const at = (of: readonly OpenItem['kind'][]) => [
    ...new Set(openItems.flatMap((m) => (of.includes(m.kind) ? bleedersOf(m, layout) : []))),
  ];
  const rubberAt = layout.reservoirs.flatMap((r) =>
    openItems.some((m) => RUBBER.includes(m.kind) && reachedFrom(layout, m).includes(r.id))
      ? [r.id]
      : [],
  );
  return {
    airAt: at(AIR),
    oldAt: at(OLD),
    modulatorIds: [
      ...new Set(
        openItems.flatMap((m) => (m.kind === 'tool cycle owed' && m.where ? [m.where] : [])),
      ),
    ],
    ...(rubberAt.length > 0 ? { rubberAt } : {}),
  };
}

/** Whether there is anything to bleed for among these open items. */
export function owesBleed(layout: Layout, openItems: readonly OpenItem[]): boolean {
  const { airAt, modulatorIds } = owedWork(layout, openItems);
  return airAt.length > 0 || modulatorIds.length > 0;
}

/** Whether a look and a proof settle something here: a mark, a mended leak; not where it owes a bleed, a flush or new rubber. */
export function lookSettles(openItems: readonly Pick<OpenItem, 'kind' | 'weight'>[]): boolean {
  const held = openItems.filter(holds).map((m) => m.kind);
  const more = [...AIR, ...OLD, 'tool cycle owed', ...RUBBER];
  return held.length > 0 && !held.some((kind) => more.includes(kind));
}

/** A place that the layout has no more stands for every bleeder that it has. */
function bleedersOf(m: OpenItem, layout: Layout): readonly string[] {
  const known = layout.bleeders.map((b) => b.id);
  if (m.kind === 'base bleed owed') return behindNode(layout, m.where);
  if (m.kind === 'wrong grade') return fedThrough(layout, m.where);
  return m.where !== null && known.includes(m.where) ? [m.where] : known;
}

/**
 * What a plan is made for: what was said of the work, with everything that the
 * vehicle owes; and with its old fluid where that is due, unless somebody
 * decided to leave it.
 *
 * @param due whether the fluid was judged as due at this visit
 */
export function workTakenOver(
  layout: Layout,
  work: WorkDone,
  {
    before,
    due,
    leaveOldFluid,
  }: {
    readonly before: readonly OpenItem[];
    readonly due: boolean;
    readonly leaveOldFluid: boolean;
  },
): WorkDone {
  const { owed: _, ...said } = work;
  const owed = owedWork(layout, before);
  // What was asked for is done, whatever is decided about fluid that is only due.
  const takesFlush =
    renewsToo(work) ||
    (due && !leaveOldFluid && (work.purpose === 'after work' || work.purpose === 'soft pedal'));
  const inHand = paths(layout).flatMap((p) =>
    work.masterIds.includes(p.master.id) ? [p.bleeder.id] : [],
  );
  const oldAt = leaveOldFluid ? [] : owed.oldAt;
  const all = { ...owed, oldAt: takesFlush ? [...new Set([...oldAt, ...inHand])] : oldAt };
  if (owed.rubberAt) return stripped(layout, said, all);
  return all.airAt.length + all.oldAt.length + all.modulatorIds.length === 0
    ? said
    : { ...said, owed: all };
}

/**
 * What is stripped for new rubber comes together dry, whatever was said of the
 * work; what is in hand besides and was not reached is bled or renewed as was said.
 */
function stripped(layout: Layout, work: WorkDone, owed: OwedWork): WorkDone {
  const at = owed.rubberAt ?? [];
  const reached = layout.masters.filter((m) => m.chambers.some((c) => at.includes(c.fedBy)));
  const beside = paths(layout).flatMap((p) =>
    work.masterIds.includes(p.master.id) && !reached.includes(p.master) ? [p.bleeder.id] : [],
  );
  const opens = work.purpose === 'soft pedal' || work.purpose === 'new or dry';
  const renews = work.purpose === 'routine flush';
  return {
    ...work,
    purpose: 'new or dry',
    masterIds: reached.map((m) => m.id),
    owed: {
      ...owed,
      airAt: [...new Set([...owed.airAt, ...(opens ? beside : [])])],
      oldAt: [...new Set([...owed.oldAt, ...(renews ? beside : [])])],
    },
  };
}
