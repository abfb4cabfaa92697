/** Kinds of vehicle. */
export const VEHICLE_KINDS = ['car', 'motorcycle', 'three-wheeler', 'quad', 'trailer'] as const;
export type VehicleKind = (typeof VEHICLE_KINDS)[number];

/** What is worked by hand or foot, or by the vehicle itself. */
export const CONTROLS = [
  'brake pedal',
  'brake lever',
  'foot brake',
  'hydraulic parking brake',
  'overrun coupling',
  'clutch pedal',
  'clutch lever',
] as const;
export type Control = (typeof CONTROLS)[number];

/** What the brake or clutch of a kind of vehicle is like [C]. */
export interface VehicleTraits {
  /** What it is called in a list. */
  readonly title: string;
  /** Steered by a bar with the levers on it: one person reaches lever and bleeder. */
  readonly bar: boolean;
  /** Raised on stands, wheels chocked, to be worked on. */
  readonly onStands: boolean;
  /** The brakes usually have a servo, which is pumped empty first. */
  readonly servo: boolean;
  /** Whether its gearbox has a reverse, as a rule: a clutch is tried with it. */
  readonly reverseGear: boolean;
  /** An engine of its own: lamps and the servo are looked at with it running. */
  readonly engine: boolean;
  /** Which of the two intervals of the house rules it goes by. */
  readonly interval: 'car' | 'motorcycle';
}

export const VEHICLE_TRAITS: Readonly<Record<VehicleKind, VehicleTraits>> = {
  car: {
    title: 'Car or van',
    bar: false,
    onStands: true,
    servo: true,
    reverseGear: true,
    engine: true,
    interval: 'car',
  },
  motorcycle: {
    title: 'Motorcycle',
    bar: true,
    onStands: false,
    servo: false,
    reverseGear: false,
    engine: true,
    interval: 'motorcycle',
  },
  'three-wheeler': {
    title: 'Three-wheeler',
    bar: false,
    onStands: true,
    servo: false,
    reverseGear: true,
    engine: true,
    interval: 'car',
  },
  quad: {
    title: 'Quad',
    bar: true,
    onStands: true,
    servo: false,
    reverseGear: true,
    engine: true,
    interval: 'motorcycle',
  },
  trailer: {
    title: 'Trailer',
    bar: false,
    onStands: true,
    servo: false,
    reverseGear: false,
    engine: false,
    interval: 'car',
  },
};

/** What a control belongs to, and what it is called where one word must do. */
export interface ControlTraits {
  readonly system: 'brakes' | 'clutch';
  /** In the hand of whoever works it: "hold the lever". */
  readonly held: 'pedal' | 'lever' | 'coupling';
}

export const CONTROL_TRAITS: Readonly<Record<Control, ControlTraits>> = {
  'brake pedal': { system: 'brakes', held: 'pedal' },
  'brake lever': { system: 'brakes', held: 'lever' },
  'foot brake': { system: 'brakes', held: 'pedal' },
  'hydraulic parking brake': { system: 'brakes', held: 'lever' },
  'overrun coupling': { system: 'brakes', held: 'coupling' },
  'clutch pedal': { system: 'clutch', held: 'pedal' },
  'clutch lever': { system: 'clutch', held: 'lever' },
};

/** A control, and whether a servo helps at it where somebody said so. */
export interface Worked {
  readonly control: Control;
  readonly servo?: boolean | undefined;
}

/** What is worked on a vehicle, in the word that one says of it, and how it comes to rest again. */
export interface ControlWords {
  /** Without its article: "pedal", "lever", "pedal or lever" where it has both. */
  readonly word: string;
  readonly returns: string;
}

const RETURNS: Readonly<Record<ControlTraits['held'], string>> = {
  pedal: 'comes up',
  lever: 'comes back',
  coupling: 'comes out again',
};

/** What the masters of a layout are worked by. */
export function heldOf({
  masters,
}: {
  readonly masters: readonly { readonly control: Control }[];
}): ControlWords {
  const held = [...new Set(masters.map((m) => CONTROL_TRAITS[m.control].held))].sort().reverse();
  const [only] = held;
  return only && held.length === 1
    ? { word: only, returns: RETURNS[only] }
    : { word: held.join(' or ') || 'pedal or lever', returns: 'comes back' };
}

/** Whether a servo helps at a control: as the layout says, else as usual on this kind of vehicle [C]. */
export function hasServo({ control, servo }: Worked, kind: VehicleKind): boolean {
  return control === 'brake pedal' && (servo ?? VEHICLE_TRAITS[kind].servo);
}
