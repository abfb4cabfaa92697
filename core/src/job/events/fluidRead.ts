import type {
  Colour,
  DemandSource,
  Dye,
  FluidRequest,
  FluidVerdict,
  Grade,
  IsoClass,
} from '../../fluid/verdict';
import type { HouseRules } from '../../bleed/rules';
import { PROVES_NOTHING, nothing, deskEvent } from './kind';

/** Version of the shape in which a reading of the fluid and its verdict are stored. */
export const FLUID_READ_VERSION = 3;

/** What was read on the cap and seen at the sample points, what is to go in, and the verdict with the rules that were in force. */
export interface FluidRead extends Omit<FluidRequest, 'follow' | 'fill'> {
  /** Of the shape in which it is stored. */
  readonly version: number;
  readonly follow: {
    readonly source: DemandSource;
    readonly why: string;
  } | null;
  readonly fill: {
    readonly grade: Grade;
    readonly isoClass: IsoClass | null;
    /** What a second look at the label read, where the name is a trap. */
    readonly labelRead: Grade | null;
  } | null;
  readonly newColour: Colour | null;
  readonly newDye: Dye | null;
  readonly verdict: FluidVerdict;
  readonly rules: HouseRules;
}

export interface FluidReadHappening {
  readonly kind: 'fluid read';
  readonly read: FluidRead;
}

export const fluidRead = deskEvent<FluidReadHappening>({
  kind: 'fluid read',
  voids: nothing('it is only seen'),
  opens: nothing('what it decides is read from its verdict'),
  settles: ['stop verdict'],
  proves: PROVES_NOTHING,
  keeps: 'fluid',
});
