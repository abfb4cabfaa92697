import { chambersOf, partElements, type Layout, circuitOf } from '../../vehicle/circuit';
import type { Grade } from '../../fluid/verdict';
import type { WorkDone } from './work';
import {
  fullOf,
  pocketsOf,
  scaled,
  volumeMl,
  volumesMl,
  type Content,
  type Inside,
} from '../../fluid/inside';

/** What is known of a vehicle before its job begins. */
export interface InsideFacts {
  readonly layout: Layout;
  readonly work: WorkDone;
  /** Elements that may hold air, by the scope of the work. */
  readonly air: ReadonlySet<string>;
  /** What the last job left inside, where one is on record. */
  readonly before: Inside | null;
  /** What is in the system as somebody said, where no record tells. */
  readonly inSystem: Grade | null;
  /** Masters that are full when their lines are joined, because they are or will be bled on the bench. */
  readonly benched: readonly string[];
  /** Of those, the ones that lie on the bench with their line and slave: all of it is full. */
  readonly benchedSets: readonly string[];
}

/**
 * What is inside a vehicle when its job begins: what the last job left, or old
 * fluid of no known age; a new part empty, an old one that was off unknown; a
 * new or dry system empty everywhere; a benched master full of new fluid; a
 * reservoir at MAX unless a record says otherwise.
 */
export function insideAtStart(facts: InsideFacts): Inside {
  const { layout, work, air, before, benched, benchedSets } = facts;
  const dry = new Set(work.purpose === 'new or dry' ? inHand(layout, work) : []);
  const sets = new Set(
    benchedSets.length > 0
      ? inHand(layout, { masterIds: benchedSets }).filter(
          (id) => !layout.reservoirs.some((b) => b.id === id),
        )
      : [],
  );
  const off = new Map(
    work.parts.flatMap((p) =>
      partElements(layout, p.partId).flatMap((e) =>
        [e, pocketsOf(e)].map((id) => [id, p.newPart !== false] as const),
      ),
    ),
  );
  const newMasters = new Set([
    ...(work.purpose === 'new or dry' ? work.masterIds : []),
    ...(work.master ? [work.master.masterId] : []),
  ]);
  const chambers = new Map(chambersOf(layout).map((c) => [c.chamber.id, c.master.id]));
  const ofVehicle = fitted(layout, before, facts.inSystem);
  return Object.fromEntries([...volumesMl(layout)].map(([id, ml]) => [id, contentOf(id, ml)]));

  function contentOf(id: string, ml: number): Content {
    const was = ofVehicle[id]!;
    const mayHoldAir = air.has(id) || was.mayHoldAir;
    const none = { old: [], newMl: 0, emptyMl: 0, unknownMl: 0, mayHoldAir };
    if (sets.has(id)) return { ...none, newMl: ml };
    const masterId = chambers.get(id);
    if (masterId !== undefined && newMasters.has(masterId))
      return benched.includes(masterId) ? { ...none, newMl: ml } : { ...none, emptyMl: ml };
    if (dry.has(id) || off.get(id) === true) return { ...none, emptyMl: ml };
    if (off.get(id) === false) return { ...none, unknownMl: ml };
    return { ...was, mayHoldAir };
  }
}

/** Everything of the masters in hand, their reservoirs among it. */
function inHand(layout: Layout, work: Pick<WorkDone, 'masterIds'>): string[] {
  return chambersOf(layout)
    .filter(({ master }) => work.masterIds.includes(master.id))
    .flatMap(({ chamber }) => [
      chamber.fedBy,
      ...[...circuitOf(layout, chamber)].flatMap((id) => [id, pocketsOf(id)]),
    ]);
}

/** What a record says, for the layout as it is now: a part of another size is taken pro rata, one that the record does not know is unknown. */
function fitted(layout: Layout, before: Inside | null, inSystem: Grade | null): Inside {
  const unnamed = { grade: inSystem, filledAtMs: null };
  return Object.fromEntries(
    [...volumesMl(layout)].map(([id, ml]): [string, Content] => {
      const was = before?.[id];
      // A reservoir is looked into: what no record knows of it stands at MAX.
      if (!before || (!was && layout.reservoirs.some((b) => b.id === id)))
        return [id, fullOf(unnamed, ml)];
      const wasMl = was ? volumeMl(was) : 0;
      return [
        id,
        wasMl > 0
          ? scaled(was!, ml / wasMl)
          : { old: [], newMl: 0, emptyMl: 0, unknownMl: ml, mayHoldAir: true },
      ];
    }),
  );
}
