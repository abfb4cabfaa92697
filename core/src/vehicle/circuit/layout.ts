import type { Control, VehicleKind } from './kinds';

/**
 * The hydraulic layout of one vehicle: rooted graphs that begin at the ports
 * of the masters' chambers. Lengths in mm, volumes in mL, heights in mm above
 * the ground with the vehicle level. Left and right are the vehicle's, as seen
 * from its seat.
 */
export interface Layout {
  readonly version: 2;
  readonly name: string;
  readonly vehicleKind: VehicleKind;
  /** Side on which the driver sits; 'middle' on a motorcycle. */
  readonly driverSide: DriverSide;
  readonly abs: AbsKind;
  /** Chambers of the reservoirs. One may feed brakes and clutch, each at its own outlet. */
  readonly reservoirs: readonly Reservoir[];
  readonly masters: readonly Master[];
  readonly nodes: readonly LayoutNode[];
  readonly stretches: readonly Stretch[];
  readonly bleeders: readonly Bleeder[];
}

export type DriverSide = 'left' | 'right' | 'middle';
export type System = 'brakes' | 'clutch';
/** What stands between master and wheels, and so what air inside it needs. */
export const ABS_KINDS = [
  'none',
  'in the open path',
  'rear only, own bleeder',
  'four-channel',
  'motorcycle, two circuits',
  'high pressure',
] as const;
export type AbsKind = (typeof ABS_KINDS)[number];

/** How a size of a layout came to be known; one that is in neither way is a guess. */
export const WAYS_KNOWN = ['measured', 'by the maker'] as const;
export type HowKnown = (typeof WAYS_KNOWN)[number];

/** Sizes of one element that somebody measured or looked up, by the size's key. */
export type KnownSizes = Readonly<Record<string, HowKnown>>;

/** Whatever may carry marks of what is known of it. */
export interface MayBeKnown {
  readonly known?: KnownSizes | undefined;
}

/** One chamber of a reservoir, with its own marks. */
export interface Reservoir extends MayBeKnown {
  readonly id: string;
  readonly name: string;
  /** Height of the MAX mark. */
  readonly heightMm: number;
  readonly maxMl: number;
  readonly minMl: number;
  /** Gauge pressure that the maker allows on it, kPa; null without the maker's word. */
  readonly makerPressureKpa: number | null;
  /** Whether a screen or baffles stand in the way of wiping it out; left out where nobody looked. */
  readonly screen?: boolean | undefined;
}

export interface Master extends MayBeKnown {
  readonly id: string;
  readonly name: string;
  readonly system: System;
  readonly control: Control;
  readonly heightMm: number;
  /** Pedal or lever ratio. */
  readonly ratio: number;
  /** How it lies as fitted. */
  readonly attitude: 'level' | 'nose up' | 'nose down';
  /** Whether a servo helps its pedal; left out where nobody said: then as usual on this kind of vehicle. */
  readonly servo?: boolean | undefined;
  readonly chambers: readonly MasterChamber[];
}

/** One pressure chamber of a master: one circuit. */
export interface MasterChamber extends MayBeKnown {
  readonly id: string;
  readonly name: string;
  readonly boreMm: number;
  readonly fullStrokeMm: number;
  /** Piston travel used for one bleeding stroke. */
  readonly bleedStrokeMm: number;
  /** Reservoir that feeds it. */
  readonly fedBy: string;
  /** Where its outlet lies: volume in the reservoir at which it draws air, and how far that level is below MAX. */
  readonly outlet: Outlet;
  /** The `port` node at which its circuit begins. */
  readonly port: string;
}

export interface Outlet {
  readonly airDrawnMl: number;
  readonly belowMaxMm: number;
}

interface NodeBase extends MayBeKnown {
  readonly id: string;
  readonly name: string;
  readonly heightMm: number;
}

/** Pistons of an actuator and how far the seals draw them back. */
interface ActuatorBase extends NodeBase {
  readonly cavityMl: number;
  readonly pistonMm: number;
  readonly pistons: number;
  readonly retractionMm: number;
}

export type Actuator =
  | (ActuatorBase & { readonly kind: 'caliper' | 'wheel cylinder' })
  /** Clutch slave. Holdable: its piston can be held without touching the bore. */
  | (ActuatorBase & {
      readonly kind: 'slave';
      readonly inGearbox: boolean;
      readonly holdable: boolean;
    });

export const VALVE_KINDS = ['load', 'metering', 'residual', 'differential', 'delay'] as const;
export type ValveKind = (typeof VALVE_KINDS)[number];

export type LayoutNode =
  /** Outlet of a master chamber: root of a circuit. */
  | (NodeBase & { readonly kind: 'port' })
  /** A joint, bend or hump in one line: does not mix the fluid. */
  | (NodeBase & { readonly kind: 'joint' })
  /** Parts the flow; passes the fluid on unmixed. */
  | (NodeBase & { readonly kind: 'tee' })
  /** One circuit's passage through a valve. Of a differential valve each half names its end, and whether a button pushes the piston back from there. */
  | (NodeBase & {
      readonly kind: 'valve';
      readonly valve: ValveKind;
      readonly end: 'front' | 'rear' | null;
      readonly button: boolean;
    })
  /** One circuit's passage through an ABS modulator; mixes. */
  | (NodeBase & {
      readonly kind: 'modulator';
      readonly openPathMl: number;
      readonly pocketsMl: number;
    })
  | Actuator;

export interface Stretch extends MayBeKnown {
  readonly id: string;
  readonly name: string;
  readonly kind: 'line' | 'hose';
  readonly from: string;
  readonly to: string;
  readonly lengthMm: number;
  readonly insideMm: number;
  /** Volume by which a hose widens, mL per metre at 6.9 MPa (1000 psi); null for a line. */
  readonly wideningMlPerM: number | null;
  /** The nut at its downstream end; null where it was not looked at. */
  readonly nut: Fitting | null;
}

export const PLACES = [
  'left front',
  'right front',
  'left rear',
  'right rear',
  // Of a trailer with one axle.
  'left wheel',
  'right wheel',
  'front',
  'rear',
  'sidecar',
  'master',
  'modulator',
  'slave',
] as const;
export type Place = (typeof PLACES)[number];

/** On which side of the vehicle a place lies; null where it lies on none. */
export const SIDE_OF_PLACE: Readonly<Record<Place, 'left' | 'right' | null>> = {
  'left front': 'left',
  'right front': 'right',
  'left rear': 'left',
  'right rear': 'right',
  'left wheel': 'left',
  'right wheel': 'right',
  front: null,
  rear: null,
  sidecar: null,
  master: null,
  modulator: null,
  slave: null,
};

/** The place at the other end of the same axle; null where there is none. */
export const ACROSS_THE_AXLE: Readonly<Record<Place, Place | null>> = {
  'left front': 'right front',
  'right front': 'left front',
  'left rear': 'right rear',
  'right rear': 'left rear',
  'left wheel': 'right wheel',
  'right wheel': 'left wheel',
  front: null,
  rear: null,
  sidecar: null,
  master: null,
  modulator: null,
  slave: null,
};

/** Which of several bleeders on one part. */
export const WHICH = ['upper', 'lower', 'inner', 'outer', 'left', 'right'] as const;
export const SEATS = ['not tried', 'free', 'stiff', 'seized'] as const;

export interface Bleeder {
  readonly id: string;
  readonly at: string;
  readonly place: Place;
  readonly which: (typeof WHICH)[number] | null;
  readonly type: 'screw' | 'quarter turn';
  /** Whether it sits at the top of its part; if not, the part must be turned to be bled. */
  readonly atTop: boolean;
  readonly seat: (typeof SEATS)[number];
  readonly fitting: Fitting;
}

/** Sizes of a fitting; null where nobody knows. The torque is the manual's, never a guess. */
export interface FittingSizes {
  readonly wrenchMm: number | null;
  readonly thread: string | null;
  readonly torqueNm: number | null;
}

/** As listed, and as found on this vehicle. What was found wins. */
export interface Fitting {
  readonly listed: FittingSizes;
  readonly found: FittingSizes | null;
}
