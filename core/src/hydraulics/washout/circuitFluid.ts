import { chambersOf, highestOutletMl, nodeVolumeMl, type Layout } from '../../vehicle/circuit';
import {
  chamberVolumeMl,
  oldMl as oldIn,
  pocketsOf,
  portions,
  toFillMl,
  volumesMl,
  type Content,
  type Inside,
  type Portion,
} from '../../fluid/inside';
import { NOMINAL, type Assumptions } from './assumptions';
import { LaminarSegment, type LaminarSnapshot } from './laminarSegment';
import { MixedCavity } from './mixedCavity';
import { lineSegments } from './segments';
import { streamtubes, type Streamtubes } from './streamtubes';

/** A part of the chain that fluid passes, with the ids of the elements that it stands for. */
type ChainPart =
  | { readonly kind: 'cavity'; readonly ids: readonly string[]; readonly cavity: MixedCavity }
  | { readonly kind: 'line'; readonly ids: readonly string[]; readonly line: LaminarSegment };

interface Reservoir {
  levelMl: number;
  /** Where it may stand at the lowest, if every stroke since the last fill was a full one. */
  leastMl: number;
  newShare: number;
  readonly maxMl: number;
  readonly airDrawnMl: number;
}

/** A moment of the fluid, for going back to it. */
export interface CircuitSnapshot {
  readonly bledNewMl: number;
  readonly reservoirs: readonly (readonly [levelMl: number, leastMl: number, newShare: number])[];
  readonly parts: readonly (readonly [newShare: number, emptyMl: number] | LaminarSnapshot)[];
}

const TUBES: Streamtubes = streamtubes();
const STEP_ML = 6;
/** Less than this moves nothing, mL: what rounding leaves, and what would divide by nothing. */
const TINY_ML = 1e-9;

/**
 * The fluid in one layout as it is drawn bleeder by bleeder: the reservoir in
 * batches, master chamber, modulator and caliper mixed, lines laminar, shared
 * stretches as the earlier bleeders left them. What is empty on a way is filled
 * first, and only then does fluid come at the bleeder. It changes as it is used;
 * make a new one for each calculation.
 *
 * Model [M]: bends and pulsed strokes mix, so the line figures are an upper
 * bound; the reservoir mixes at once when it is topped up.
 */
export class CircuitFluid {
  private readonly reservoirs = new Map<string, Reservoir>();
  private readonly chains = new Map<string, { reservoir: Reservoir; parts: ChainPart[] }>();
  private readonly parts: ChainPart[] = [];
  private bled = 0;

  /**
   * @param layout a layout without faults
   * @param start what is inside at the beginning; every reservoir at MAX and old fluid everywhere when left out
   * @param assumed what the model takes for granted where nobody knows
   */
  constructor(
    private readonly layout: Layout,
    private readonly start: Inside | null = null,
    private readonly assumed: Assumptions = NOMINAL,
  ) {
    for (const b of layout.reservoirs) {
      const held = start?.[b.id];
      const levelMl = held ? b.maxMl - toFillMl(held) : b.maxMl;
      this.reservoirs.set(b.id, {
        levelMl,
        leastMl: levelMl,
        newShare: held && levelMl > 0 ? held.newMl / levelMl : 0,
        maxMl: b.maxMl,
        airDrawnMl: highestOutletMl(layout, b.id),
      });
    }
    this.buildChains(layout);
    if (start) for (const part of this.parts) beginWith(part, start);
  }

  /** Draw the old fluid off a reservoir with a syringe, down to what cannot be drawn. @returns mL removed */
  emptyReservoir(reservoirId: string): number {
    const reservoir = this.reservoir(reservoirId);
    const removed = Math.max(0, reservoir.levelMl - reservoir.airDrawnMl * this.assumed.restFactor);
    reservoir.levelMl -= removed;
    reservoir.leastMl = reservoir.levelMl;
    return removed;
  }

  /**
   * Pour new fluid into a reservoir, stir it and draw off as much again: m mL leave
   * rest²/(rest + m) of the old, mixed.
   */
  rinseReservoir(reservoirId: string, ml: number): void {
    const reservoir = this.reservoir(reservoirId);
    reservoir.newShare = (reservoir.newShare * reservoir.levelMl + ml) / (reservoir.levelMl + ml);
  }

  /** Pour new fluid into a reservoir up to a level. @returns mL poured, never below 0 */
  fillReservoir(reservoirId: string, toMl: number): number {
    const reservoir = this.reservoir(reservoirId);
    const pouredMl = Math.max(0, toMl - reservoir.levelMl);
    if (pouredMl > 0) {
      reservoir.newShare =
        (reservoir.newShare * reservoir.levelMl + pouredMl) / (reservoir.levelMl + pouredMl);
      reservoir.levelMl += pouredMl;
    }
    reservoir.leastMl = reservoir.levelMl;
    return pouredMl;
  }

  levelMl(reservoirId: string): number {
    return this.reservoir(reservoirId).levelMl;
  }

  /** Where a reservoir may stand at the lowest, if every stroke since it was filled was a full one, mL. */
  leastLevelMl(reservoirId: string): number {
    return this.reservoir(reservoirId).leastMl;
  }

  /** What is still empty on the way to a bleeder, mL. */
  emptyOnWayMl(bleederId: string): number {
    return this.chains.get(bleederId)!.parts.reduce((sum, p) => sum + emptyIn(p), 0);
  }

  /** A part came off and went back, or was renewed: it is empty. */
  comesOff(elementId: string): void {
    const ml = volumesMl(this.layout).get(elementId) ?? 0;
    const part = this.parts.find((p) => p.ids.includes(elementId));
    if (part && ml > 0) (part.kind === 'cavity' ? part.cavity : part.line).drain(ml);
  }

  /**
   * Move a volume out of the reservoir towards one bleeder: it fills what is empty on
   * the way, and the rest leaves there.
   *
   * @param atMostMl what it may have been at the most, for the lowest level; the volume itself when left out
   * @returns new share at the outlet at the end, 0 to 1; 0 while something on the way is empty
   * @throws RangeError for an unknown bleeder or when the reservoir would run below the level at which air is drawn
   */
  bleed(bleederId: string, volumeMl: number, atMostMl: number = volumeMl): number {
    const chain = this.chains.get(bleederId);
    if (!chain) throw new RangeError(`there is no bleeder "${bleederId}" in this layout`);
    const { reservoir, parts } = chain;
    if (!(volumeMl <= reservoir.levelMl - reservoir.airDrawnMl + 1e-9)) {
      throw new RangeError(`${volumeMl} mL is more than the reservoir can give; top up first`);
    }
    this.push(parts, reservoir.newShare, volumeMl);
    reservoir.levelMl -= volumeMl;
    reservoir.leastMl -= atMostMl;
    return this.outletNewShare(bleederId);
  }

  /**
   * Push new fluid in at one bleeder, from below: it fills what is empty on the
   * way, and the rest comes up into the reservoir. Model [M]: what it passes mixes,
   * each part on its way a cavity, for nobody follows streams that turn round.
   *
   * @returns what came up, mL
   */
  pushUp(bleederId: string, volumeMl: number): number {
    const { reservoir, parts } = this.chains.get(bleederId)!;
    const upwards = [...parts].reverse();
    let left = volumeMl;
    for (const part of upwards) {
      const takes = Math.min(emptyIn(part), left);
      if (takes > 0) fillPart(part, takes, 1);
      left -= takes;
    }
    if (left < TINY_ML) return 0;
    let share = 1;
    for (const part of upwards) share = passMixed(part, left, share);
    reservoir.newShare =
      (reservoir.newShare * reservoir.levelMl + share * left) / (reservoir.levelMl + left);
    reservoir.levelMl += left;
    reservoir.leastMl += left;
    return left;
  }

  /** Draw a reservoir off to a level. @returns mL removed, never below 0 */
  drawTo(reservoirId: string, toMl: number): number {
    const reservoir = this.reservoir(reservoirId);
    const removed = Math.max(0, reservoir.levelMl - toMl);
    reservoir.levelMl -= removed;
    reservoir.leastMl = reservoir.levelMl;
    return removed;
  }

  /** Fluid was seen to come at one bleeder: nothing on its way is empty. */
  fillWay(bleederId: string): void {
    const { reservoir, parts } = this.chains.get(bleederId)!;
    for (const part of parts)
      if (emptyIn(part) > 0) fillPart(part, emptyIn(part), reservoir.newShare);
  }

  /** A reservoir was looked into. */
  levelSeen(reservoirId: string, levelMl: number): void {
    const reservoir = this.reservoir(reservoirId);
    reservoir.levelMl = levelMl;
    reservoir.leastMl = levelMl;
  }

  /** Bleed a volume at one bleeder as if the reservoir held nothing but new fluid and never fell. @returns new share at the outlet at the end, 0 to 1 */
  bleedNew(bleederId: string, volumeMl: number): number {
    this.push(this.chains.get(bleederId)!.parts, 1, volumeMl);
    return this.outletNewShare(bleederId);
  }

  /** New share of what would leave the bleeder now, 0 to 1. */
  outletNewShare(bleederId: string): number {
    if (this.emptyOnWayMl(bleederId) > 0) return 0;
    const last = this.chains.get(bleederId)!.parts.at(-1)!;
    if (last.kind === 'cavity') return last.cavity.newShare;
    return last.line.outShares.reduce((sum, share, i) => sum + share * TUBES.flowShare[i]!, 0);
  }

  /** Old fluid that stays on the way from the master to one bleeder, mL. */
  oldOnPathMl(bleederId: string): number {
    return this.chains.get(bleederId)!.parts.reduce((sum, p) => sum + oldMl(p), 0);
  }

  /** Old fluid that stays between reservoir and bleeders, each part counted once, mL; closed pockets are not in it. */
  oldInLinesMl(): number {
    return this.parts.reduce((sum, p) => sum + oldMl(p), 0);
  }

  /** New fluid between reservoir and bleeders, in the reservoirs, and bled so far, mL: for the balance. */
  newFluidMl(): { lines: number; reservoirs: number; bled: number } {
    let reservoirs = 0;
    for (const b of this.reservoirs.values()) reservoirs += b.newShare * b.levelMl;
    return { lines: this.parts.reduce((sum, p) => sum + newMl(p), 0), reservoirs, bled: this.bled };
  }

  /**
   * What is inside now, by element. What is left of the old fluid of a part is
   * of the fills that it held at the beginning, pro rata; old fluid that came
   * into a part that held none is of the fills of the whole [M].
   */
  inside(): Inside {
    const volumes = volumesMl(this.layout);
    const started = (id: string): Content | undefined => this.start?.[id];
    const all = Object.values(this.start ?? {}).flatMap((c) => c.old);
    const old = (id: string, ml: number): Portion[] => {
      const of = started(id)?.old ?? [];
      const held = of.length > 0 ? of : all;
      const heldMl = oldIn({ old: held });
      if (ml <= 0) return [];
      return heldMl > 0
        ? portions(held, ml / heldMl)
        : [{ lot: { grade: null, filledAtMs: null }, ml }];
    };
    const content = (id: string, newShare: number, emptyMl: number): Content => {
      const heldMl = volumes.get(id)! - emptyMl;
      const unknownMl = Math.min(emptyMl, started(id)?.unknownMl ?? 0);
      return {
        old: old(id, (1 - newShare) * heldMl),
        newMl: newShare * heldMl,
        emptyMl: emptyMl - unknownMl,
        unknownMl,
        mayHoldAir: started(id)?.mayHoldAir ?? false,
      };
    };
    const now: Record<string, Content> = {};
    for (const [id, b] of this.reservoirs) now[id] = content(id, b.newShare, b.maxMl - b.levelMl);
    for (const part of this.parts) {
      const partMl = volumeOf(part);
      const emptyShare = emptyIn(part) / partMl;
      const heldMl = partMl - emptyIn(part);
      for (const id of part.ids)
        now[id] = content(id, heldMl > 0 ? newMl(part) / heldMl : 0, emptyShare * volumes.get(id)!);
    }
    // No stroke reaches the closed pockets.
    for (const n of this.layout.nodes) {
      const id = pocketsOf(n.id);
      if (volumes.has(id)) now[id] = started(id) ?? content(id, 0, 0);
    }
    return now;
  }

  /** What it takes to come back to this moment. */
  snapshot(): CircuitSnapshot {
    return {
      bledNewMl: this.bled,
      reservoirs: [...this.reservoirs.values()].map(
        (b) => [b.levelMl, b.leastMl, b.newShare] as const,
      ),
      parts: this.parts.map((p) =>
        p.kind === 'cavity' ? [p.cavity.newShare, p.cavity.emptyMl] : p.line.snapshot(),
      ),
    };
  }

  /** Go back to an earlier moment of this same fluid. */
  rollback(to: CircuitSnapshot): void {
    this.bled = to.bledNewMl;
    [...this.reservoirs.values()].forEach(
      (b, i) => ([b.levelMl, b.leastMl, b.newShare] = to.reservoirs[i]!),
    );
    this.parts.forEach((p, i) => {
      const was = to.parts[i]!;
      if (p.kind === 'cavity')
        [p.cavity.newShare, p.cavity.emptyMl] = was as readonly [number, number];
      else p.line.rollback(was as LaminarSnapshot);
    });
  }

  /** The same fluid once more, to go on from here without changing this one. */
  copy(): CircuitFluid {
    const copy = new CircuitFluid(this.layout, this.start, this.assumed);
    copy.rollback(this.snapshot());
    copy.parts.forEach((part, i) => {
      const was = this.parts[i]!;
      if (part.kind === 'line' && was.kind === 'line') part.line.become(was.line);
    });
    return copy;
  }

  /** How many parts the ways to two bleeders share; 0 when only the reservoir is common, null when not even that. */
  sharedParts(bleederId: string, otherId: string): number | null {
    const [a, b] = [this.chains.get(bleederId)!, this.chains.get(otherId)!];
    if (a.reservoir !== b.reservoir) return null;
    let shared = 0;
    while (shared < a.parts.length && a.parts[shared] === b.parts[shared]) shared++;
    return shared;
  }

  private push(parts: readonly ChainPart[], inShare: number, volumeMl: number): void {
    const steps = Math.max(1, Math.ceil(volumeMl / STEP_ML));
    const stepMl = volumeMl / steps;
    for (let step = 0; step < steps; step++) {
      let left = stepMl;
      for (let i = parts.findIndex((p) => emptyIn(p) > 0); i >= 0 && left > 0; ) {
        const takes = Math.min(left, emptyIn(parts[i]!));
        fillPart(
          parts[i]!,
          takes,
          i === 0 || takes < TINY_ML ? inShare : passChain(parts.slice(0, i), inShare, takes),
        );
        left -= takes;
        i = parts.findIndex((p) => emptyIn(p) > 0);
      }
      if (left > TINY_ML) this.bled += left * passChain(parts, inShare, left);
    }
  }

  private reservoir(id: string): Reservoir {
    const reservoir = this.reservoirs.get(id);
    if (!reservoir) throw new RangeError(`there is no reservoir chamber "${id}" in this layout`);
    return reservoir;
  }

  private buildChains(layout: Layout): void {
    const segments = lineSegments(layout);
    const cavities = new Map<string, ChainPart>();
    const add = (part: ChainPart): ChainPart => {
      this.parts.push(part);
      return part;
    };
    for (const n of layout.nodes) {
      const held = nodeVolumeMl(n);
      if (held > 0)
        cavities.set(n.id, add({ kind: 'cavity', ids: [n.id], cavity: new MixedCavity(held) }));
    }
    const chambers = chambersOf(layout).map(({ chamber }) => chamber);
    for (const c of chambers) {
      const cavity = new MixedCavity(chamberVolumeMl(c));
      cavities.set(c.port, add({ kind: 'cavity', ids: [c.id], cavity }));
    }
    const feeding = new Map(segments.map((s) => [s.to, s]));
    const lines = new Map<string, ChainPart>();
    // A tee of the same bore passes the streams on as they come, unless it is assumed to mix; all else feeds the bore alike.
    const tees = new Set(layout.nodes.flatMap((n) => (n.kind === 'tee' ? [n.id] : [])));
    const { teesMix, boresMix, linesMix } = this.assumed;
    const alike = (s: (typeof segments)[number]) =>
      cavities.has(s.from) ||
      !feeding.has(s.from) ||
      (teesMix && tees.has(s.from)) ||
      (boresMix && feeding.get(s.from)!.insideMm !== s.insideMm);
    for (const s of segments) {
      const goesOn = segments.some((next) => next.from === s.to && !alike(next));
      const ends = layout.bleeders.some((b) => b.at === s.to);
      const asStreams = !cavities.has(s.to) && (goesOn || ends);
      if (linesMix) {
        const cavity = new MixedCavity(s.volumeMl);
        lines.set(s.key, add({ kind: 'cavity', ids: s.stretchIds, cavity }));
        continue;
      }
      lines.set(
        s.key,
        add({
          kind: 'line',
          ids: s.stretchIds,
          line: new LaminarSegment(s.volumeMl, TUBES, alike(s), asStreams || !alike(s)),
        }),
      );
    }
    for (const b of layout.bleeders) {
      const parts: ChainPart[] = [];
      let at = b.at;
      for (;;) {
        const cavity = cavities.get(at);
        if (cavity) parts.unshift(cavity);
        const segment = feeding.get(at);
        if (!segment) break;
        parts.unshift(lines.get(segment.key)!);
        at = segment.from;
      }
      const chamber = chambers.find((c) => c.port === at)!;
      this.chains.set(b.id, { reservoir: this.reservoir(chamber.fedBy), parts });
    }
  }
}

/** Push one step through a chain. @returns mean new share of what left the last part */
function passChain(parts: readonly ChainPart[], inShare: number, stepMl: number): number {
  let mean = inShare;
  let streams: Float64Array | null = null;
  for (const part of parts) {
    if (part.kind === 'cavity') {
      mean = part.cavity.pass(stepMl, mean);
      streams = null;
    } else {
      mean = part.line.pass(stepMl, part.line.fedAlike || !streams ? mean : streams);
      streams = part.line.outShares;
    }
  }
  return mean;
}

/** Pass a volume through a part as if it mixed. @returns mean new share of what left */
function passMixed(part: ChainPart, ml: number, inShare: number): number {
  if (part.kind === 'cavity') return part.cavity.pass(ml, inShare);
  const mixed = new MixedCavity(part.line.volumeMl);
  mixed.newShare = part.line.newMl() / part.line.volumeMl;
  const out = mixed.pass(ml, inShare);
  part.line.beginWith(mixed.newShare, 0);
  return out;
}

const volumeOf = (p: ChainPart): number => (p.kind === 'cavity' ? p.cavity : p.line).volumeMl;
const newMl = (p: ChainPart): number => (p.kind === 'cavity' ? p.cavity : p.line).newMl();
const emptyIn = (p: ChainPart): number => (p.kind === 'cavity' ? p.cavity : p.line).emptyMl;
const oldMl = (p: ChainPart): number => volumeOf(p) - emptyIn(p) - newMl(p);
const fillPart = (p: ChainPart, ml: number, inShare: number): void =>
  (p.kind === 'cavity' ? p.cavity : p.line).fill(ml, inShare);

/** Begin with what is inside of the elements of a part. */
function beginWith(part: ChainPart, start: Inside): void {
  const of = part.ids.flatMap((id) => start[id] ?? []);
  const sum = (ml: (c: Content) => number) => of.reduce((all, c) => all + ml(c), 0);
  const emptyMl = Math.min(sum(toFillMl), volumeOf(part));
  const heldMl = volumeOf(part) - emptyMl;
  const newShare = heldMl > 1e-9 ? Math.min(1, sum((c) => c.newMl) / heldMl) : 0;
  if (part.kind === 'line') part.line.beginWith(newShare, heldMl > 1e-9 ? emptyMl : volumeOf(part));
  else {
    part.cavity.newShare = newShare;
    part.cavity.emptyMl = heldMl > 1e-9 ? emptyMl : volumeOf(part);
  }
}
