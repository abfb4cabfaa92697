import type { CircuitFluid, CircuitSnapshot } from '../washout';
import { freshFluid, movedMl, priceOrder, visitMinutes } from './price';
import type { Method } from '../flow';
import { countAt, type OrderSetup } from './setup';
import {
  beginVisit,
  bleedVisit,
  LEAST_COUNTS,
  makeCount,
  MOST_COUNTS,
  type Visit,
  type VisitPrice,
} from './visit';

/** Bleeders up to which every order is decided, 8! = 40 320 of them. */
export const MOST_SEARCHED = 8;

/** How far a search is. */
export interface SearchState {
  readonly finished: boolean;
  /** Orders decided, tried or proven no better, and orders in all. */
  readonly decided: number;
  readonly inAll: number;
  readonly order: readonly string[];
  readonly bledMl: number;
  readonly minutes: number;
  /** No order can save more than this on the best so far, mL; 0 when finished. */
  readonly gapMl: number;
}

interface Frame {
  /** Still to be visited from here on. */
  readonly rest: readonly string[];
  next: number;
  readonly movedMl: number;
  readonly minutes: number;
}

const SAME_ML = 1e-9;
/** Nearer to the least than this nobody can tell two orders apart [M]. */
export const NEAR_ENOUGH = 0.03;

/** Whether the best so far is proven to lie so near to the least that going on buys nothing. */
export const isNearEnough = ({ gapMl, bledMl }: Pick<SearchState, 'gapMl' | 'bledMl'>): boolean =>
  gapMl <= NEAR_ENOUGH * bledMl;

/**
 * Search for the order that needs the least fluid at an equal outlet target at
 * every bleeder, then the fewest minutes, one visit to each. Certain: every
 * order is tried, or belongs to a beginning that is proven to end no better.
 *
 * Work is shared between orders: what a bleeder needs depends on the volumes
 * that ran before through each part of its own way, not on whose they were, so
 * it is simulated once for each such history. The bound is the sum of what each
 * remaining bleeder needs at the very least: when every part that it shares has
 * passed as much new fluid as the best order bleeds in all. More and newer fluid
 * through a part never leaves it older, so no order can need less.
 *
 * It goes in steps, because core has no clock: the caller decides how long to go on.
 */
export class OrderSearch {
  private readonly fluid: CircuitFluid;
  private readonly shared = new Map<string, Map<string, number | null>>();
  private readonly countClass: ReadonlyMap<string, number>;
  private readonly known = new Map<string, VisitPrice>();
  private readonly atLeast = new Map<string, { movedMl: number; minutes: number }>();
  private readonly path: VisitPrice[] = [];
  private readonly applied: VisitPrice[] = [];
  private readonly snapshots: CircuitSnapshot[] = [];
  private readonly stack: Frame[] = [];
  private readonly inAll: number;
  private decided = 0;
  private best: { order: readonly string[]; movedMl: number; minutes: number };
  /** What fills empty ways, the same in every order, mL. */
  private readonly filledMl: number;

  /**
   * @param start an order of all bleeders to begin with, as a school gives it
   * @throws RangeError when that order cannot be carried out, or there are more bleeders than can be decided
   */
  constructor(
    private readonly setup: OrderSetup,
    start: readonly string[],
    private readonly method: Method,
  ) {
    if (start.length > MOST_SEARCHED)
      throw new RangeError(
        `${start.length} bleeders are too many to decide every order; up to ${MOST_SEARCHED} can be`,
      );
    const priced = priceOrder(
      setup,
      start.map((id) => this.once(id)),
    );
    if (priced.verdict === 'refused')
      throw new RangeError(`${priced.reason.name}: ${priced.reason.code}`);
    const { movedMl: first, bledMl, minutes } = priced.price;
    this.best = { order: start, movedMl: first, minutes };
    this.filledMl = first - bledMl;
    this.inAll = factorial(start.length);
    this.fluid = freshFluid(setup).fluid;
    const volumeOf = (bleederId: string) => {
      const { countMl, mostMl } = countAt(setup, { bleederId, method });
      return `${countMl.value}/${mostMl.value}`;
    };
    const volumes = [...new Set(start.map(volumeOf))];
    this.countClass = new Map(start.map((id) => [id, volumes.indexOf(volumeOf(id))]));
    for (const id of start)
      this.shared.set(
        id,
        new Map(start.filter((o) => o !== id).map((o) => [o, this.fluid.sharedParts(id, o)])),
      );
    for (const id of start) this.atLeast.set(id, this.leastAt(id));
    this.stack.push({ rest: start, next: 0, movedMl: 0, minutes: 0 });
  }

  /** Go on for a number of visits, counted whether simulated or known. */
  step(visits: number): SearchState {
    for (let n = 0; n < visits && this.stack.length > 0; n++) this.advance();
    return this.state();
  }

  state(): SearchState {
    const { order, movedMl: least, minutes } = this.best;
    return {
      finished: this.stack.length === 0,
      decided: this.decided,
      inAll: this.inAll,
      order,
      bledMl: least - this.filledMl,
      minutes,
      gapMl: this.gapMl(),
    };
  }

  private advance(): void {
    const frame = this.stack.at(-1)!;
    if (frame.next === frame.rest.length) {
      this.stack.pop();
      this.path.pop();
      return;
    }
    const id = frame.rest[frame.next++]!;
    const rest = frame.rest.filter((o) => o !== id);
    const visit = this.visitNow(id);
    const so = {
      movedMl: frame.movedMl + movedMl(this.setup, visit),
      minutes: frame.minutes + visitMinutes(this.setup, visit),
    };
    if (rest.length > 0 && this.canBeBetter(so, rest)) {
      this.path.push(visit);
      this.stack.push({ rest, next: 0, ...so });
      return;
    }
    this.decided += factorial(rest.length);
    if (rest.length === 0 && isBetter(so, this.best))
      this.best = { order: [...this.path.map((p) => p.visit.bleederId), id], ...so };
  }

  /** Whether an order that begins like this may still beat the best. */
  private canBeBetter(so: { movedMl: number; minutes: number }, rest: readonly string[]): boolean {
    return isBetter(this.bound(so, rest), this.best);
  }

  private bound(
    so: { movedMl: number; minutes: number },
    rest: readonly string[],
  ): { movedMl: number; minutes: number } {
    let { movedMl: ml, minutes } = so;
    for (const id of rest) {
      const least = this.atLeast.get(id)!;
      ml += least.movedMl;
      minutes += least.minutes;
    }
    return { movedMl: ml, minutes };
  }

  private gapMl(): number {
    let lowest = this.best.movedMl;
    for (const frame of this.stack) {
      if (frame.next < frame.rest.length)
        lowest = Math.min(lowest, this.bound(frame, frame.rest).movedMl);
    }
    return this.best.movedMl - lowest;
  }

  /** What a bleeder needs after the visits on the path: known for this history, or simulated. */
  private visitNow(id: string): VisitPrice {
    const key = this.historyOf(id);
    const before = this.known.get(key);
    if (before) return before;
    this.catchUp();
    this.snapshots[this.applied.length] = this.fluid.snapshot();
    const priced = bleedVisit(this.fluid, this.setup, this.once(id));
    if ('code' in priced) throw new RangeError(`${priced.name}: ${priced.code}`);
    this.applied.push(priced);
    this.known.set(key, priced);
    return priced;
  }

  /** What ran through the parts of a bleeder's way, in order: how far down, by which volume, how often. */
  private historyOf(id: string): string {
    const shared = this.shared.get(id)!;
    let key = id;
    let last = '';
    let counts = 0;
    for (const { visit, counts: n } of this.path) {
      const parts = shared.get(visit.bleederId)!;
      if (parts === null) continue;
      const step = `${parts}.${this.countClass.get(visit.bleederId)!}`;
      if (step !== last) {
        if (counts > 0) key += `|${last}:${counts}`;
        last = step;
        counts = 0;
      }
      counts += n;
    }
    return counts > 0 ? `${key}|${last}:${counts}` : key;
  }

  /** Bring the fluid to where the path stands, going back as little as possible. */
  private catchUp(): void {
    let same = 0;
    while (
      same < this.applied.length &&
      same < this.path.length &&
      this.applied[same] === this.path[same]
    )
      same++;
    if (same < this.applied.length) {
      this.fluid.rollback(this.snapshots[same]!);
      this.applied.length = same;
    }
    for (const visit of this.path.slice(same)) {
      this.snapshots[this.applied.length] = this.fluid.snapshot();
      beginVisit(this.fluid, this.setup, visit.visit);
      for (let n = 0; n < visit.counts; n++) makeCount(this.fluid, this.setup, visit.visit);
      this.applied.push(visit);
    }
  }

  /** The least that a bleeder can need in any order that is better than the best known. */
  private leastAt(id: string): { movedMl: number; minutes: number } {
    const { fluid } = freshFluid(this.setup);
    const depths = [...this.shared.get(id)!].flatMap(([other, parts]) =>
      parts ? [{ other, parts }] : [],
    );
    for (const { other } of depths
      .sort((a, b) => a.parts - b.parts)
      .filter((d, i, all) => all[i - 1]?.parts !== d.parts))
      fluid.bleedNew(other, this.best.movedMl);
    const steady = countAt(this.setup, this.once(id)).mostMlS !== null;
    const fillMl = steady ? fluid.emptyOnWayMl(id) : 0;
    if (fillMl > 0) fluid.bleedNew(id, fillMl);
    let counts = 0;
    while (
      counts < LEAST_COUNTS ||
      (fluid.outletNewShare(id) < this.setup.target && counts < MOST_COUNTS)
    ) {
      fluid.bleedNew(id, countAt(this.setup, this.once(id)).countMl.value);
      counts++;
    }
    const least = {
      visit: this.once(id),
      neededMl: 0,
      fillMl,
      counts,
      topUps: [],
      fedMl: 0,
      drawOffs: [],
    };
    return { movedMl: movedMl(this.setup, least), minutes: visitMinutes(this.setup, least) };
  }

  private once(bleederId: string): Visit {
    return { bleederId, method: this.method, until: 'new' };
  }
}

/** Less fluid, or as much in fewer minutes. */
function isBetter(
  a: { movedMl: number; minutes: number },
  than: { movedMl: number; minutes: number },
): boolean {
  if (Math.abs(a.movedMl - than.movedMl) > SAME_ML) return a.movedMl < than.movedMl;
  return a.minutes < than.minutes - SAME_ML;
}

function factorial(n: number): number {
  return n <= 1 ? 1 : n * factorial(n - 1);
}
