/**
 * A hydraulic layout: a rooted graph from the reservoir through the master to
 * every bleeder. Lengths in mm, volumes in mL, heights above the ground in mm,
 * the vehicle standing level. Left and right are the vehicle's, as seen from its seat.
 */
export interface Layout {
  readonly version: 1;
  readonly name: string;
  readonly vehicleKind: VehicleKind;
  /** Side on which the driver sits; 'middle' on a motorcycle. */
  readonly driverSide: DriverSide;
  readonly reservoir: Reservoir;
  readonly master: Master;
  readonly nodes: readonly LayoutNode[];
  readonly stretches: readonly Stretch[];
  readonly bleeders: readonly Bleeder[];
}

export type VehicleKind = 'car' | 'motorcycle';
export type DriverSide = 'left' | 'right' | 'middle';
/** What the technician or helper works. */
export type Control = 'brake pedal' | 'brake lever';

export interface Reservoir {
  /** Height of the MAX mark. */
  readonly heightMm: number;
  readonly chambers: readonly ReservoirChamber[];
}

/** One bowl of the reservoir, with its own outlet and marks. */
export interface ReservoirChamber {
  readonly id: string;
  readonly name: string;
  readonly maxMl: number;
  readonly minMl: number;
  /** Volume at which the outlet draws air; also what a syringe cannot reach. */
  readonly airDrawnMl: number;
}

export interface Master {
  readonly name: string;
  readonly control: Control;
  readonly heightMm: number;
  /** Pedal or lever ratio. */
  readonly ratio: number;
  readonly chambers: readonly MasterChamber[];
}

/** One pressure chamber of the master: one circuit. */
export interface MasterChamber {
  readonly id: string;
  readonly name: string;
  readonly boreMm: number;
  readonly fullStrokeMm: number;
  /** Piston travel used for one bleeding stroke. */
  readonly bleedStrokeMm: number;
  /** Reservoir chamber that feeds it. */
  readonly fedBy: string;
  /** The `port` node at which its circuit begins. */
  readonly port: string;
}

interface NodeBase {
  readonly id: string;
  readonly name: string;
  readonly heightMm: number;
}

export type LayoutNode =
  /** Outlet of a master chamber: root of a circuit. */
  | (NodeBase & { readonly kind: 'port' })
  /** A joint, bend or hump in one line: does not mix the fluid. */
  | (NodeBase & { readonly kind: 'joint' })
  /** Parts the flow; passes the fluid on unmixed. */
  | (NodeBase & { readonly kind: 'tee' })
  /** One circuit's passage through an ABS modulator; mixes. */
  | (NodeBase & { readonly kind: 'modulator'; readonly openPathMl: number; readonly pocketsMl: number })
  /** Caliper or wheel cylinder; mixes. */
  | (NodeBase & { readonly kind: 'caliper' | 'wheel cylinder'; readonly cavityMl: number });

export interface Stretch {
  readonly id: string;
  readonly name: string;
  readonly kind: 'line' | 'hose';
  readonly from: string;
  readonly to: string;
  readonly lengthMm: number;
  readonly insideMm: number;
}

export type Place = 'left front' | 'right front' | 'left rear' | 'right rear' | 'front' | 'rear' | 'modulator';

export interface Bleeder {
  readonly id: string;
  readonly at: string;
  readonly place: Place;
  readonly wrenchMm: number;
  readonly type: 'screw' | 'quarter turn';
}
