import {
  highestOutletMl,
  paths,
  type Reservoir,
  type Layout,
  type Path,
} from '../../vehicle/circuit';
import type { Figure } from '../../base/figure';
import type { Method } from '../flow';
import type { Inside } from '../../fluid/inside';
import type { Assumptions, CircuitFluid } from '../washout';
import { topUpLevel, type ReservoirLevels } from './topUp';

/** What one count moves, a stroke or a mark of the jar, and how long it takes. */
export interface Count {
  /** mL */
  readonly countMl: Figure;
  /** What it may be at the most, mL: the calls to top up reckon with it. */
  readonly mostMl: Figure;
  /** Of a steady flow out of the reservoir, how fast the level may fall at the most, mL/s; null where strokes or the marks of a syringe are counted. */
  readonly mostMlS: Figure | null;
  /** Whether the reservoir is kept full meanwhile, by a pot or a self-refilling bottle. */
  readonly selfFed: boolean;
  readonly secondsPerCount: number;
}

/** One bleeder as an order is priced. */
export interface BleederSetup {
  readonly path: Path;
  readonly countBy: (method: Method) => Count;
}

export interface ReservoirSetup extends Reservoir, ReservoirLevels {
  readonly topUpLevelMl: Figure;
}

/** The fluid as a run has moved it so far. */
export interface Reached {
  /** Priced on copies; never changed. */
  readonly fluid: CircuitFluid;
  /** Whether the old fluid is still to be drawn off the reservoirs, because it was planned and the run did not come to it. */
  readonly emptyFirst: boolean;
  /** Whether every reservoir is filled to MAX before the next count. */
  readonly fillFirst: boolean;
}

/** What is inside when the first count is made. */
export interface Beginning {
  readonly inside: Inside;
  /** What comes off later, before one of the visits of an order, by its place in it: elements that are empty from then on. */
  readonly offBefore: ReadonlyMap<number, readonly string[]>;
}

/** New fluid poured into one reservoir, stirred and drawn off again, some times over. */
export interface ReservoirRinse {
  readonly reservoirId: string;
  readonly ml: number;
  readonly times: number;
}

/** Everything that is the same for all orders of one job. */
export interface OrderSetup {
  readonly layout: Layout;
  readonly reservoirs: readonly ReservoirSetup[];
  /** By bleeder id, those in question only. */
  readonly bleeders: ReadonlyMap<string, BleederSetup>;
  /** New share wanted at every outlet, 0.5 to 0.999. */
  readonly target: number;
  /** Whether the reservoirs are emptied and refilled with new fluid before the first count. */
  readonly emptyFirst: boolean;
  /** Left out: they are filled to MAX before the first count; not where the first push comes from below. */
  readonly fillFirst?: boolean;
  /** What is poured in and drawn off once more, where they are emptied first. */
  readonly rinses: readonly ReservoirRinse[];
  /** What is inside; old fluid everywhere and every reservoir at MAX when null. */
  readonly beginning: Beginning | null;
  /** Where a run stands from which the rest is priced; null at the beginning. */
  readonly reached: Reached | null;
  readonly minutesPerBleeder: number;
  readonly minutesPerTopUp: number;
  /** What the model takes for granted; the usual where it is left out. */
  readonly assumed?: Assumptions;
}

/** Which bleeders are in question, and how a count of each is made. */
export interface OrderQuestion
  extends Pick<
    OrderSetup,
    | 'layout'
    | 'target'
    | 'emptyFirst'
    | 'beginning'
    | 'reached'
    | 'minutesPerBleeder'
    | 'minutesPerTopUp'
  > {
  readonly bleederIds: readonly string[];
  /** Reservoirs that are drawn off and filled besides those of the bleeders: of a master that was changed though no wheel is opened. */
  readonly reservoirIds?: readonly string[];
  readonly countOf: (path: Path, method: Method) => Count;
}

/**
 * Prepare a job for pricing its orders.
 *
 * @param asked a layout without faults, and the bleeders in question
 */
export function orderSetup({
  bleederIds,
  reservoirIds = [],
  countOf,
  ...rest
}: OrderQuestion): OrderSetup {
  const inQuestion = paths(rest.layout).filter((p) => bleederIds.includes(p.bleeder.id));
  return {
    ...rest,
    rinses: [],
    reservoirs: reservoirSetups(rest.layout).filter(
      (b) => reservoirIds.includes(b.id) || inQuestion.some((p) => p.chamber.fedBy === b.id),
    ),
    bleeders: new Map(
      inQuestion.map((path) => [
        path.bleeder.id,
        { path, countBy: remembered((method: Method) => countOf(path, method)) },
      ]),
    ),
  };
}

/** A count at one bleeder by one method. @throws RangeError for a bleeder that is not in question */
export function countAt(
  setup: OrderSetup,
  { bleederId, method }: { readonly bleederId: string; readonly method: Method },
): Count {
  const bleeder = setup.bleeders.get(bleederId);
  if (!bleeder) throw new RangeError(`${bleederId} is not in question`);
  return bleeder.countBy(method);
}

/** The same answer for the same question, worked out once. */
function remembered<Q, A>(work: (question: Q) => A): (question: Q) => A {
  const known = new Map<Q, A>();
  return (question) => {
    const before = known.get(question);
    if (before !== undefined) return before;
    const answer = work(question);
    known.set(question, answer);
    return answer;
  };
}

/** Every reservoir of a layout with the level at which the call to top up comes. */
export function reservoirSetups(layout: Layout): ReservoirSetup[] {
  return layout.reservoirs.map((b) => {
    const levels = { ...b, airDrawnMl: highestOutletMl(layout, b.id) };
    return { ...levels, topUpLevelMl: topUpLevel(levels) };
  });
}
