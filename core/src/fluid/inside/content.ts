import {
  chambersOf,
  nodeVolumeMl,
  tubeVolumeMl,
  type Layout,
  type MasterChamber,
} from '../../vehicle/circuit';
import type { Grade } from '../verdict';

/** One fill: which grade, and when it went in; null where nobody knows. */
export interface Lot {
  readonly grade: Grade | null;
  readonly filledAtMs: number | null;
}

export interface Portion {
  readonly lot: Lot;
  readonly ml: number;
}

/** What one element holds; the four sums together are its volume. */
export interface Content {
  /** Fluid from before the job in hand, by the fill that it came from. */
  readonly old: readonly Portion[];
  /** Fluid of the job in hand, mL. */
  readonly newMl: number;
  /** Air, mL. */
  readonly emptyMl: number;
  /** Of which nobody can say whether it is fluid or air, mL. It is reckoned as empty: the larger fill. */
  readonly unknownMl: number;
  /** Whether bubbles may stand in what counts as fluid. */
  readonly mayHoldAir: boolean;
}

/**
 * What is inside a vehicle: by element id, reservoirs among them (there what is
 * empty is above the level), and the closed pockets of each modulator under
 * `pocketsOf`.
 */
export type Inside = Readonly<Record<string, Content>>;

/** Under which key the closed pockets of a modulator stand: no stroke reaches them. */
export const pocketsOf = (modulatorId: string): string => `${modulatorId}/pockets`;

/** What a chamber of a master holds at its full stroke, mL: bore area × stroke. */
export function chamberVolumeMl(c: Pick<MasterChamber, 'boreMm' | 'fullStrokeMm'>): number {
  return tubeVolumeMl(c.boreMm, c.fullStrokeMm);
}

/** Volume of everything that can hold fluid, mL, by element id. */
export function volumesMl(layout: Layout): ReadonlyMap<string, number> {
  const volumes = new Map<string, number>();
  for (const b of layout.reservoirs) volumes.set(b.id, b.maxMl);
  for (const { chamber } of chambersOf(layout)) volumes.set(chamber.id, chamberVolumeMl(chamber));
  for (const s of layout.stretches) volumes.set(s.id, tubeVolumeMl(s.insideMm, s.lengthMm));
  for (const n of layout.nodes) {
    if (nodeVolumeMl(n) > 0) volumes.set(n.id, nodeVolumeMl(n));
    if (n.kind === 'modulator' && n.pocketsMl > 0) volumes.set(pocketsOf(n.id), n.pocketsMl);
  }
  return volumes;
}

/** Old fluid of some content, mL. */
export const oldMl = ({ old }: Pick<Content, 'old'>): number =>
  old.reduce((sum, p) => sum + p.ml, 0);

/** What must be filled before fluid passes, mL: empty, or nobody knows. */
export const toFillMl = ({ emptyMl, unknownMl }: Content): number => emptyMl + unknownMl;

/** New share of the fluid in some content, 0 to 1; 0 where it holds none. */
export function newShareOf(c: Content): number {
  return c.newMl > 0 ? c.newMl / (c.newMl + oldMl(c)) : 0;
}

/** All that some content takes up, mL. */
export const volumeMl = (c: Content): number => oldMl(c) + c.newMl + toFillMl(c);

/** Nothing but fluid of one fill. */
export const fullOf = (lot: Lot, ml: number): Content => ({
  old: [{ lot, ml }],
  newMl: 0,
  emptyMl: 0,
  unknownMl: 0,
  mayHoldAir: false,
});

/** The same content in a part of another size. */
export function scaled(content: Content, factor: number): Content {
  return {
    ...content,
    old: portions(content.old, factor),
    newMl: content.newMl * factor,
    emptyMl: content.emptyMl * factor,
    unknownMl: content.unknownMl * factor,
  };
}

/** The same fills, each so many times as much. */
export const portions = (of: readonly Portion[], factor: number): Portion[] =>
  of.map(({ lot, ml }) => ({ lot, ml: ml * factor }));

/** Less than this of one fill in one part is nothing that anybody could find, mL [M]. */
const TRACE_ML = 0.01;

/** Portions of the same fill together, traces left out of the list and put to the largest. */
export function merged(of: readonly Portion[]): Portion[] {
  const sums = new Map<string, Portion>();
  for (const { lot, ml } of of) {
    const key = `${lot.grade}/${lot.filledAtMs}`;
    sums.set(key, { lot, ml: (sums.get(key)?.ml ?? 0) + ml });
  }
  const all = [...sums.values()].sort((a, b) => b.ml - a.ml);
  const kept = all.filter((p, i) => i === 0 || p.ml >= TRACE_ML);
  const traceMl = all.slice(kept.length).reduce((sum, p) => sum + p.ml, 0);
  return kept.map((p, i) => (i === 0 ? { ...p, ml: p.ml + traceMl } : p)).filter((p) => p.ml > 0);
}
