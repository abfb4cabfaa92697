import { chambersOf, highestOutletMl, nodeVolumeMl, type Layout } from '../circuit';
import { LaminarSegment, type LaminarSnapshot } from './laminarSegment';
import { MixedCavity } from './mixedCavity';
import { lineSegments } from './segments';
import { streamtubes, type Streamtubes } from './streamtubes';

/** A part of the chain that fluid passes, with the ids of the elements that it stands for. */
type ChainPart =
  | { readonly kind: 'cavity'; readonly ids: readonly string[]; readonly cavity: MixedCavity }
  | { readonly kind: 'line'; readonly ids: readonly string[]; readonly line: LaminarSegment };

interface Bowl {
  levelMl: number;
  newShare: number;
  readonly maxMl: number;
  readonly airDrawnMl: number;
}

/** A moment of the fluid, for going back to it. */
export interface CircuitSnapshot {
  readonly bledNewMl: number;
  readonly bowls: readonly (readonly [levelMl: number, newShare: number])[];
  readonly parts: readonly (number | LaminarSnapshot)[];
}

const TUBES: Streamtubes = streamtubes();
const STEP_ML = 3;

/**
 * The fluid in one layout, old everywhere at the start, as it is drawn bleeder
 * by bleeder: the reservoir in batches, master chamber, modulator and caliper
 * mixed, lines laminar, shared stretches as the earlier bleeders left them.
 * It changes as it is used; make a new one for each calculation.
 *
 * Model [M]: bends and pulsed strokes mix, so the line figures are an upper
 * bound; the reservoir mixes at once when it is topped up.
 */
export class CircuitFluid {
  private readonly bowls = new Map<string, Bowl>();
  private readonly chains = new Map<string, { bowl: Bowl; parts: ChainPart[] }>();
  private readonly parts: ChainPart[] = [];
  private bled = 0;

  /** @param layout a layout without faults */
  constructor(private readonly layout: Layout) {
    for (const b of layout.bowls)
      this.bowls.set(b.id, {
        levelMl: b.maxMl,
        newShare: 0,
        maxMl: b.maxMl,
        airDrawnMl: highestOutletMl(layout, b.id),
      });
    this.buildChains(layout);
  }

  /** Draw the old fluid off a bowl with a syringe, down to what cannot be drawn. @returns mL removed */
  emptyBowl(bowlId: string): number {
    const bowl = this.bowl(bowlId);
    const removed = bowl.levelMl - bowl.airDrawnMl;
    bowl.levelMl = bowl.airDrawnMl;
    return removed;
  }

  /** Pour new fluid into a bowl up to a level. @returns mL poured, never below 0 */
  fillBowl(bowlId: string, toMl: number): number {
    const bowl = this.bowl(bowlId);
    const pouredMl = Math.max(0, toMl - bowl.levelMl);
    if (pouredMl > 0) {
      bowl.newShare = (bowl.newShare * bowl.levelMl + pouredMl) / (bowl.levelMl + pouredMl);
      bowl.levelMl += pouredMl;
    }
    return pouredMl;
  }

  levelMl(bowlId: string): number {
    return this.bowl(bowlId).levelMl;
  }

  /**
   * Bleed a volume at one bleeder.
   *
   * @returns new share at the outlet at the end, 0 to 1
   * @throws RangeError for an unknown bleeder or when the bowl would run below the level at which air is drawn
   */
  bleed(bleederId: string, volumeMl: number): number {
    const chain = this.chains.get(bleederId);
    if (!chain) throw new RangeError(`there is no bleeder "${bleederId}" in this layout`);
    const { bowl, parts } = chain;
    if (!(volumeMl <= bowl.levelMl - bowl.airDrawnMl + 1e-9)) {
      throw new RangeError(`${volumeMl} mL is more than the reservoir can give; top up first`);
    }
    this.push(parts, bowl.newShare, volumeMl);
    bowl.levelMl -= volumeMl;
    return this.outletNewShare(bleederId);
  }

  /** Bleed a volume at one bleeder as if the bowl held nothing but new fluid and never fell. @returns new share at the outlet at the end, 0 to 1 */
  bleedNew(bleederId: string, volumeMl: number): number {
    this.push(this.chains.get(bleederId)!.parts, 1, volumeMl);
    return this.outletNewShare(bleederId);
  }

  /** New share of what would leave the bleeder now, 0 to 1. */
  outletNewShare(bleederId: string): number {
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

  /** New fluid between reservoir and bleeders, in the bowls, and bled so far, mL: for the balance. */
  newFluidMl(): { lines: number; bowls: number; bled: number } {
    let bowls = 0;
    for (const b of this.bowls.values()) bowls += b.newShare * b.levelMl;
    return { lines: this.parts.reduce((sum, p) => sum + newMl(p), 0), bowls, bled: this.bled };
  }

  /** New share by element id: stretches, modulators, calipers, master chambers and bowls, 0 to 1. */
  newShares(): Map<string, number> {
    const shares = new Map<string, number>();
    for (const [id, b] of this.bowls) shares.set(id, b.newShare);
    for (const p of this.parts) for (const id of p.ids) shares.set(id, newMl(p) / volumeOf(p));
    return shares;
  }

  /** What it takes to come back to this moment. */
  snapshot(): CircuitSnapshot {
    return {
      bledNewMl: this.bled,
      bowls: [...this.bowls.values()].map((b) => [b.levelMl, b.newShare] as const),
      parts: this.parts.map((p) => (p.kind === 'cavity' ? p.cavity.newShare : p.line.snapshot())),
    };
  }

  /** Go back to an earlier moment of this same fluid. */
  rollback(to: CircuitSnapshot): void {
    this.bled = to.bledNewMl;
    [...this.bowls.values()].forEach((b, i) => ([b.levelMl, b.newShare] = to.bowls[i]!));
    this.parts.forEach((p, i) => {
      const was = to.parts[i]!;
      if (p.kind === 'cavity') p.cavity.newShare = was as number;
      else p.line.rollback(was as LaminarSnapshot);
    });
  }

  /** The same fluid once more, to go on from here without changing this one. */
  copy(): CircuitFluid {
    const copy = new CircuitFluid(this.layout);
    copy.rollback(this.snapshot());
    copy.parts.forEach((part, i) => {
      const was = this.parts[i]!;
      if (part.kind === 'line' && was.kind === 'line') part.line.become(was.line);
    });
    return copy;
  }

  /** How many parts the ways to two bleeders share; 0 when only the bowl is common, null when not even that. */
  sharedParts(bleederId: string, otherId: string): number | null {
    const [a, b] = [this.chains.get(bleederId)!, this.chains.get(otherId)!];
    if (a.bowl !== b.bowl) return null;
    let shared = 0;
    while (shared < a.parts.length && a.parts[shared] === b.parts[shared]) shared++;
    return shared;
  }

  private push(parts: readonly ChainPart[], inShare: number, volumeMl: number): void {
    const steps = Math.max(1, Math.ceil(volumeMl / STEP_ML));
    const stepMl = volumeMl / steps;
    for (let step = 0; step < steps; step++)
      this.bled += stepMl * passChain(parts, inShare, stepMl);
  }

  private bowl(id: string): Bowl {
    const bowl = this.bowls.get(id);
    if (!bowl) throw new RangeError(`there is no reservoir chamber "${id}" in this layout`);
    return bowl;
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
      const heldMl = (Math.PI * c.boreMm * c.boreMm * c.fullStrokeMm) / 4 / 1000;
      cavities.set(c.port, add({ kind: 'cavity', ids: [c.id], cavity: new MixedCavity(heldMl) }));
    }
    const feeding = new Map(segments.map((s) => [s.to, s]));
    const lines = new Map<string, ChainPart>();
    for (const s of segments) {
      // A tee of the same bore passes the streams on as they come; all else feeds the bore alike.
      const fedAlike = cavities.has(s.from) || feeding.get(s.from)?.insideMm !== s.insideMm;
      lines.set(
        s.key,
        add({
          kind: 'line',
          ids: s.stretchIds,
          line: new LaminarSegment(s.volumeMl, TUBES, fedAlike),
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
      this.chains.set(b.id, { bowl: this.bowl(chamber.fedBy), parts });
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

const volumeOf = (p: ChainPart): number => (p.kind === 'cavity' ? p.cavity : p.line).volumeMl;
const newMl = (p: ChainPart): number => (p.kind === 'cavity' ? p.cavity : p.line).newMl();
const oldMl = (p: ChainPart): number => volumeOf(p) - newMl(p);
