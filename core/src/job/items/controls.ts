import {
  CONTROL_TRAITS,
  VEHICLE_TRAITS,
  type VehicleKind,
  hasServo,
  type Worked,
} from '../../vehicle/circuit';
import type { TakeUp } from '../../control/clutch';
import type { Judged, MissingMeasure, PedalResult } from '../../control/pedal';

/** Things that are tried at one control, each answered yes or no by a person. */
export const CONTROL_CHECKS = [
  'wheels held and free',
  'servo gives',
  'held pushed in',
  'comes out and frees',
  'reversing and breakaway',
  'engages and releases',
  'reverse silent',
  'first and back',
  'no creep',
  'no slip',
  'free play',
  'rolls in gear',
  'first without lurch',
  'neutral found',
  'comes back',
  'slave and master dry',
] as const;
export type ControlCheck = (typeof CONTROL_CHECKS)[number];

/** What a control is judged by: a brake by its pedal or lever, a clutch by where it takes up, a coupling by what it does alone. */
export type ResultOf = 'pedal' | 'take-up' | 'none';

/** The proof of one control. */
export interface ControlProof {
  readonly result: ResultOf;
  readonly checks: readonly ControlCheck[];
}

/**
 * What proves a control on a kind of vehicle [C]: a brake at every wheel that
 * it works, a clutch as a clutch, and nothing asked that the vehicle has not.
 */
export function controlProof(master: Worked, kind: VehicleKind): ControlProof {
  const { control } = master;
  const traits = VEHICLE_TRAITS[kind];
  if (control === 'overrun coupling')
    return {
      result: 'none',
      checks: ['held pushed in', 'comes out and frees', 'reversing and breakaway'],
    };
  if (CONTROL_TRAITS[control].system === 'brakes')
    return {
      result: 'pedal',
      checks: [
        'wheels held and free',
        ...(hasServo(master, kind) ? (['servo gives'] as const) : []),
      ],
    };
  if (traits.bar)
    return {
      result: 'take-up',
      checks: [
        'rolls in gear',
        'first without lurch',
        'neutral found',
        'no slip',
        'comes back',
        'slave and master dry',
      ],
    };
  return {
    result: 'take-up',
    checks: [
      'engages and releases',
      ...(traits.reverseGear ? (['reverse silent'] as const) : []),
      'first and back',
      'no creep',
      'no slip',
      'free play',
      'slave and master dry',
    ],
  };
}

/** Whether a clutch may take up there: near the floor or the bar means air or lost stroke [C]. */
export function takeUpPasses(takeUp: TakeUp): boolean {
  return takeUp !== 'near the end';
}

/** What was answered at one control so far. Absent means that nobody has looked. */
export interface ControlAnswers {
  /** The worse of what was felt and what was measured. */
  readonly pedal: PedalResult | null;
  /** The word of a named person. */
  readonly byFeel?: PedalResult | null;
  /** The word that the readings amount to, or what of them is missing; null where nothing was measured. */
  readonly measured?: Judged | { readonly missing: readonly MissingMeasure[] } | null;
  /** The lower of what was said and what was measured. */
  readonly takeUp: TakeUp | null;
  /** The word of a named person. */
  readonly takeUpByFeel?: TakeUp | null;
  readonly checks: Readonly<Partial<Record<ControlCheck, boolean>>>;
}

export const NOTHING_TRIED: ControlAnswers = { pedal: null, takeUp: null, checks: {} };

/** Seconds for which a thing that is tried is watched, where its words ask for a time [C]. */
export const WATCHED_S: Readonly<Partial<Record<ControlCheck, number>>> = {
  'reverse silent': 5,
  'no creep': 60,
  'first without lurch': 30,
};
