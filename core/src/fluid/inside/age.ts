import { chambersOf, isActuator, type Layout, circuitOf } from '../../vehicle/circuit';
import { figure, MODEL, type Figure } from '../../base/figure';
import { merged, oldMl, type Content, type Inside, type Lot, type Portion } from './content';

/** A part counts as changed since a fill when so much of its fluid is of that fill or a later one [M]: a flush leaves a few per cent along the walls. */
export const CHANGED_SHARE = 0.8;

/** The fill since which one part counts as changed; null where nobody knows of one. */
export function changedBy(content: Content): KnownLot | null {
  const inAll = oldMl(content);
  if (inAll === 0) return null;
  const known = content.old.flatMap(({ lot, ml }) =>
    lot.filledAtMs === null ? [] : [{ lot: { grade: lot.grade, filledAtMs: lot.filledAtMs }, ml }],
  );
  let ml = 0;
  for (const fill of known.sort((a, b) => b.lot.filledAtMs - a.lot.filledAtMs)) {
    ml += fill.ml;
    if (ml >= CHANGED_SHARE * inAll) return fill.lot;
  }
  return null;
}

/** A fill of which the date is known. */
export interface KnownLot extends Lot {
  readonly filledAtMs: number;
}

/** The fluid of one part at the end of a line. */
export interface PartAge {
  readonly elementId: string;
  readonly name: string;
  /** Null where nobody knows. */
  readonly since: KnownLot | null;
}

/**
 * How old the fluid is where it gets hot: at every part that the pressure works
 * on, of the brakes where there are any. The oldest first, unknown before all.
 *
 * @param inside as a job left it: with nothing new in it
 */
export function partAges(layout: Layout, inside: Inside): PartAge[] {
  const masters = chambersOf(layout);
  const brakes = masters.filter(({ master }) => master.system === 'brakes');
  const inQuestion = new Set(
    (brakes.length > 0 ? brakes : masters).flatMap(({ chamber }) => [
      ...circuitOf(layout, chamber),
    ]),
  );
  return layout.nodes
    .filter((n) => isActuator(n) && inQuestion.has(n.id) && inside[n.id] !== undefined)
    .map((n) => ({ elementId: n.id, name: n.name, since: changedBy(inside[n.id]!) }))
    .sort((a, b) => (a.since?.filledAtMs ?? NEVER) - (b.since?.filledAtMs ?? NEVER));
}

/** The part whose fluid is the oldest; null where no content is on record. */
export function oldestPart(layout: Layout, inside: Inside | null): PartAge | null {
  return inside ? (partAges(layout, inside)[0] ?? null) : null;
}

/** Before every date. */
const NEVER = Number.MIN_SAFE_INTEGER;

/** One fill as far as it is still inside. */
export interface FillInside extends Portion {
  /** Of all fluid between the reservoirs and the bleeders, %. */
  readonly share: Figure;
}

/** All fluid between the reservoirs and the bleeders by fill, the most first. */
export function fillsInside(layout: Layout, inside: Inside): FillInside[] {
  const reservoirs = new Set(layout.reservoirs.map((b) => b.id));
  const fills = merged(
    Object.entries(inside).flatMap(([id, c]) => (reservoirs.has(id) ? [] : c.old)),
  );
  const inAll = figure({
    label: 'Fluid in lines and parts',
    value: fills.reduce((sum, f) => sum + f.ml, 0),
    unit: 'mL',
    rule: 'what every stretch and part holds by the layout, less what is empty; the reservoirs are not in it',
    source: MODEL,
  });
  return fills.map((fill) => ({
    ...fill,
    share: figure({
      label: 'Share of the fluid inside',
      value: (100 * fill.ml) / inAll.value,
      unit: '%',
      rule: 'what the simulation of each job left of this fill in lines and parts ÷ all fluid there',
      source: MODEL,
      from: [
        figure({
          label: 'Of this fill',
          value: fill.ml,
          unit: 'mL',
          rule: 'new fluid of its job, less what later ones washed out, pro rata in each part',
          source: MODEL,
        }),
        inAll,
      ],
    }),
  }));
}
