import type { VehicleKind } from '../../vehicle/circuit';
import type { ControlAnswers, ControlCheck } from './controls';

/** Things that are looked at on the whole vehicle, each answered yes or no by a person. */
export const CHECK_ITEMS = [
  'joints dry',
  'bleeder caps',
  'level',
  'reservoir cap',
  'wiped dry',
  'lamps out',
  'wheels',
] as const;
export type CheckItem = (typeof CHECK_ITEMS)[number];

const EVERY_VEHICLE: readonly CheckItem[] = [
  'joints dry',
  'bleeder caps',
  'level',
  'reservoir cap',
  'wiped dry',
];

/** The list by kind of vehicle, in the order of the proof: joints before the wheels go back on [C]. */
export const PROOF_ITEMS: Readonly<Record<VehicleKind, readonly CheckItem[]>> = {
  car: [...EVERY_VEHICLE, 'lamps out', 'wheels'],
  motorcycle: [...EVERY_VEHICLE, 'lamps out'],
  'three-wheeler': [...EVERY_VEHICLE, 'lamps out', 'wheels'],
  quad: [...EVERY_VEHICLE, 'lamps out', 'wheels'],
  // Without an engine of its own there is no lamp that an engine must run for.
  trailer: [...EVERY_VEHICLE, 'wheels'],
};

/** One thing that the proof asks for: at the control of a master, or on the whole vehicle. */
export type ProofItem =
  | { readonly masterId: string; readonly item: 'result' | ControlCheck }
  | { readonly masterId: null; readonly item: CheckItem };

/** What was answered so far. Absent means that nobody has looked. */
export interface Proof {
  /** By master: each control is proved by itself. */
  readonly controls: Readonly<Record<string, ControlAnswers>>;
  readonly checks: Readonly<Partial<Record<CheckItem, boolean>>>;
  /** What was answered once and is to be answered again: also where nobody asks for it. */
  readonly again: readonly ProofItem[];
  /** What of the whole vehicle a photo shows. */
  readonly photos: ReadonlySet<CheckItem>;
  /** Whether it was put down what was poured out of which container, bled, removed and spilled. */
  readonly fluidPutDown: boolean;
}

/** The drive's result, after "test drive only" was set by a named person. */
export type DriveResult = 'good' | 'bad';
