import {
  chambersOf,
  paths,
  partElements,
  type Layout,
  type Path,
  behind,
  circuitOf,
  climbsFrom,
  jointBefore,
} from '../../vehicle/circuit';
import { isSoft } from './asks';
import type { MasterChanged, WorkDone } from './work';

/** Why an element may hold air. */
export type AirCause =
  | 'opened'
  | 'behind what was opened'
  | 'climbed from the open joint'
  | 'drew air at its outlet'
  | 'master changed'
  | 'modulator opened'
  | 'air in the modulator'
  | 'new or dry'
  | 'soft pedal'
  | 'left from before';

/** Why a bleeder must be opened, or may stay shut. */
export type BleederWhy =
  | { readonly code: 'flush' | 'old fluid from before' }
  | { readonly code: 'air'; readonly cause: AirCause; readonly elementId: string }
  | {
      readonly code:
        | 'behind a capped joint'
        | 'not in hand'
        | 'master changed with care'
        | 'only looked at';
    };

export interface BleederFinding {
  readonly bleederId: string;
  readonly open: boolean;
  readonly why: BleederWhy;
}

/** A condition that a person was asked for and that does not hold. */
export type Unmet =
  | keyof Omit<MasterChanged, 'masterId' | 'linesOver' | 'notYet'>
  | 'cappedAtOnce'
  | 'keptFull';

/** What follows from what was done. */
export interface ScopeFinding {
  /** Elements that may hold air, with the cause. */
  readonly air: ReadonlyMap<string, AirCause>;
  /** Every bleeder of the layout. */
  readonly bleeders: readonly BleederFinding[];
  /** Conditions that would have kept the scope smaller. */
  readonly unmet: readonly { readonly partId: string; readonly condition: Unmet }[];
  /** Masters whose outlet drew air, those not in hand at first included. */
  readonly drewAir: readonly string[];
  /** Whether air may be inside a modulator, beyond the reach of a stroke. */
  readonly airInModulator: boolean;
  /** Masters that must be bled on the bench, unless they are primed in place: new or dry ones, or changed ones that were not. */
  readonly bench: readonly string[];
}

const CARE: readonly Exclude<Unmet, 'cappedAtOnce' | 'keptFull' | 'bench'>[] = [
  'linesStayedFull',
  'linesAboveWheels',
  'nothingElseOpened',
  'modulatorLostNothing',
  'heldDown',
];

/** How far a level that was read by eye may be off, standing level, mm [M]: within that of an outlet it counts as uncovered. */
export const BY_EYE_MM = 5;

/**
 * Work out which parts may hold air, which bleeders must be opened and which
 * may stay shut, by reachability and height.
 *
 * @param layout a layout without faults
 */
export function findScope(layout: Layout, work: WorkDone): ScopeFinding {
  const air = new Map<string, AirCause>();
  const unmet: { partId: string; condition: Unmet }[] = [];
  const mark = (ids: Iterable<string>, cause: AirCause): void => {
    for (const id of ids) if (!air.has(id)) air.set(id, cause);
  };
  const chambers = chambersOf(layout);
  const inHand = chambers.filter(({ master }) => work.masterIds.includes(master.id));

  if (work.purpose === 'new or dry')
    for (const { chamber } of inHand) mark(circuitOf(layout, chamber), 'new or dry');
  const drewAir = chambers.filter(({ chamber }) =>
    work.lowest.some(
      (l) =>
        l.reservoirId === chamber.fedBy && l.belowMaxMm + BY_EYE_MM >= chamber.outlet.belowMaxMm,
    ),
  );
  for (const { chamber } of drewAir) mark(circuitOf(layout, chamber), 'drew air at its outlet');

  const masterDone =
    work.master &&
    (inHand.find(({ master }) => master.id === work.master!.masterId)?.master ?? null);
  const careless = work.master ? missingCare(work.master) : [];
  if (work.master && masterDone) {
    for (const condition of careless) unmet.push({ partId: masterDone.id, condition });
    if (careless.length > 0)
      for (const chamber of masterDone.chambers) mark(circuitOf(layout, chamber), 'master changed');
  }
  for (const n of layout.nodes.filter((x) => x.kind === 'modulator')) {
    if (work.owed?.modulatorIds.includes(n.id))
      mark(circuitThrough(layout, n.id), 'air in the modulator');
    if (work.modulatorOpened) mark(circuitThrough(layout, n.id), 'modulator opened');
    if (work.airInModulator) mark(circuitThrough(layout, n.id), 'air in the modulator');
  }
  for (const part of work.parts) {
    const chamber = chambers.find(({ chamber: c }) =>
      circuitOf(layout, c).has(part.partId),
    )?.chamber;
    const elements = partElements(layout, part.partId);
    mark(elements, 'opened');
    mark(behind(layout, elements[0]!), 'behind what was opened');
    if (!part.cappedAtOnce) {
      unmet.push({ partId: part.partId, condition: 'cappedAtOnce' });
      mark(climbsFrom(layout, jointBefore(layout, elements[0]!)), 'climbed from the open joint');
    }
    // Nobody saw the level: the outlet may have drawn air.
    if (!part.keptFull && chamber && !work.lowest.some((l) => l.reservoirId === chamber.fedBy)) {
      unmet.push({ partId: part.partId, condition: 'keptFull' });
      // Nor can anybody say at which outlet of that reservoir it stopped: every one of them.
      for (const c of chambers.filter((x) => x.chamber.fedBy === chamber.fedBy)) {
        mark(circuitOf(layout, c.chamber), 'drew air at its outlet');
        if (!drewAir.includes(c)) drewAir.push(c);
      }
    }
    if (layout.nodes.some((n) => n.id === part.partId && n.kind === 'modulator'))
      mark(circuitThrough(layout, part.partId), 'modulator opened');
  }
  const owedAir = work.owed?.airAt ?? [];
  for (const b of layout.bleeders) if (owedAir.includes(b.id)) mark([b.at], 'left from before');
  // Last, so that a cause that is known is not hidden by a guess.
  if (isSoft(work))
    for (const { chamber } of inHand) mark(circuitOf(layout, chamber), 'soft pedal');
  const bleeders = paths(layout).map((path): BleederFinding => {
    const bleederId = path.bleeder.id;
    const airy = airOn(path, air);
    if (airy) return { bleederId, open: true, why: { code: 'air', ...airy } };
    if (work.owed?.oldAt.includes(bleederId))
      return { bleederId, open: true, why: { code: 'old fluid from before' } };
    if (!work.masterIds.includes(path.master.id))
      return { bleederId, open: false, why: { code: 'not in hand' } };
    if (work.purpose === 'routine flush') return { bleederId, open: true, why: { code: 'flush' } };
    if (work.purpose === 'look and prove')
      return { bleederId, open: false, why: { code: 'only looked at' } };
    return {
      bleederId,
      open: false,
      why: {
        code:
          work.master && work.parts.length === 0
            ? 'master changed with care'
            : 'behind a capped joint',
      },
    };
  });
  return {
    air,
    bleeders,
    unmet,
    drewAir: [...new Set(drewAir.map(({ master }) => master.id))],
    airInModulator: layout.nodes.some(
      (n) => n.kind === 'modulator' && mayBeInside(work, air.get(n.id)),
    ),
    bench:
      work.purpose === 'new or dry'
        ? work.masterIds
        : work.master?.bench === 'not done' && work.master.notYet !== false
          ? [work.master.masterId]
          : [],
  };
}

/** What is lacking so that a changed master would leave the wheels shut. */
function missingCare(master: MasterChanged): Unmet[] {
  // What is still to be done will be done with care; how the lines lie is known before.
  if (master.notYet) return master.linesAboveWheels ? [] : ['linesAboveWheels'];
  return [
    ...CARE.filter((c) => !master[c]),
    ...(master.bench === 'clean' ? [] : ['bench' as const]),
  ];
}

/** Whether air in a modulator may be beyond the reach of a stroke: where it ran empty, not where a bubble passed. */
function mayBeInside(work: WorkDone, cause: AirCause | undefined): boolean {
  if (cause === 'master changed') return !work.master!.modulatorLostNothing;
  return cause !== undefined && cause !== 'climbed from the open joint' && cause !== 'soft pedal';
}

/** The first element on a bleeder's way that may hold air; a cause that is known goes before the guess that it is soft somewhere. */
function airOn(
  path: Path,
  air: ReadonlyMap<string, AirCause>,
): { cause: AirCause; elementId: string } | null {
  const airy = [
    path.chamber.id,
    ...path.points.flatMap((p, i) => [p.node.id, path.stretches[i]?.id ?? '']),
  ].flatMap((elementId) => {
    const cause = air.get(elementId);
    return cause ? [{ cause, elementId }] : [];
  });
  return airy.find((a) => a.cause !== 'soft pedal') ?? airy[0] ?? null;
}

function circuitThrough(layout: Layout, nodeId: string): ReadonlySet<string> {
  const chamber = chambersOf(layout).find(({ chamber: c }) =>
    circuitOf(layout, c).has(nodeId),
  )?.chamber;
  return chamber ? circuitOf(layout, chamber) : behind(layout, nodeId);
}

/** Ids of the bleeders that a finding opens. */
export function openedBy(finding: Pick<ScopeFinding, 'bleeders'>): string[] {
  return finding.bleeders.filter((b) => b.open).map((b) => b.bleederId);
}
