import type { Bleeder, Control } from '../../vehicle/circuit';
import type { Figure } from '../../base/figure';
import type { Method } from '../../hydraulics/flow';
import type { OrderReason, Visit } from '../../hydraulics/order';

/** The shape of a stroke, where strokes are made [C]. */
export type StrokeShape = 'fast push, slow return' | 'slow push' | 'steady';

/** A call to top up a reservoir before the stroke that follows. */
export interface PlannedTopUp {
  readonly reservoirId: string;
  /** Strokes made at this stop before the call. */
  readonly afterStrokes: number;
  readonly pouredMl: number;
}

/**
 * One opening of one bleeder. Where the flow is steady a "stroke" is one mark
 * of the jar, or of the syringe: `counted` says which.
 */
export interface PlanOpening {
  /** Means one opening for the whole job, whatever plan is in force. */
  readonly id: string;
  readonly stageId: string;
  readonly bleeder: Bleeder;
  readonly chamberId: string;
  readonly reservoirId: string;
  readonly control: Control;
  readonly method: Method;
  readonly counted: 'strokes' | 'marks';
  /** Time of one, s. */
  readonly secondsPerStroke: number;
  /** Whether what is counted comes out of the reservoir; from below it comes out of the syringe. */
  readonly fromReservoir: boolean;
  /** Whether a pot or a self-refilling bottle keeps the reservoir full meanwhile: then nobody tops it up. */
  readonly selfFed?: boolean;
  readonly until: Visit['until'];
  readonly shape: StrokeShape;
  readonly why: OrderReason;
  readonly pathLengthM: Figure;
  readonly pathVolumeMl: Figure;
  readonly strokeMl: Figure;
  /** What one may move at the most: the calls to top up reckon with it. */
  readonly mostStrokeMl: Figure;
  /** Where the flow is steady, how fast the level may fall at the most, mL/s; null where strokes are counted. */
  readonly mostMlS: Figure | null;
  /** What the way swallows before fluid comes at the bleeder. */
  readonly fillMl: Figure;
  /** Fluid until the end of this opening is reached. */
  readonly neededMl: Figure;
  readonly strokes: Figure;
  /** Of the fluid in the whole strokes, what leaves at the bleeder. */
  readonly bledMl: Figure;
  /** Where the jar stands after this opening, when it was not emptied. */
  readonly jarMl: Figure;
  /** What has come out of the bottles by the end of this opening; plans of version 3 do not say. */
  readonly outOfBottlesMl?: Figure;
  /** Old fluid that stays on this path when the plan is through. */
  readonly oldLeftMl: Figure;
  readonly topUps: readonly PlannedTopUp[];
  /** From below: where the reservoir is drawn off to half; left out where it never is. */
  readonly drawOffs?: readonly {
    readonly reservoirId: string;
    readonly afterStrokes: number;
    readonly removedMl: number;
  }[];
  /** Of a sweep that ends by its bubbles: what must have passed, its fill among it, and what is asked about beyond, mL. Left out where it ends by its count. */
  readonly band?: { readonly leastMl: number; readonly mostMl: number };
}

/** Fewest counts at every bleeder: three free of bubbles are its end sign. */
const LEAST = 3;

/** Counts after which an opening may end. */
export const leastCounts = ({ band, strokes, strokeMl }: PlanOpening): number =>
  band ? Math.max(LEAST, Math.ceil(band.leastMl / strokeMl.value - 1e-9)) : strokes.value;

/** Counts beyond which bubbles are no matter of patience any more; none where it ends by its count. */
export const mostCounts = ({ band, strokeMl }: PlanOpening): number =>
  band ? Math.max(LEAST, Math.ceil(band.mostMl / strokeMl.value - 1e-9)) : Infinity;

/** The opening with the longest way of some; null of none. */
export const longestOpening = (openings: readonly PlanOpening[]): PlanOpening | null =>
  openings.reduce<PlanOpening | null>(
    (a, b) => (a === null || b.pathLengthM.value > a.pathLengthM.value ? b : a),
    null,
  );
