import { bleederName, type Master, type VehicleKind } from '../../vehicle/circuit';
import { pedalPasses, type MissingMeasure } from '../../control/pedal';
import { doneAt, nextStep, skippedStages, type DoneAt, type RunState } from '../run';
import {
  controlProof,
  NOTHING_TRIED,
  takeUpPasses,
  type ControlAnswers,
  type ControlCheck,
  PROOF_ITEMS,
  type CheckItem,
  type DriveResult,
  type Proof,
} from '../items';

/** One reason why the gate is shut, with what it is about. */
export type GateReason =
  | { readonly code: 'run not finished' }
  | { readonly code: 'run ended' }
  | { readonly code: 'strokes asked' }
  | { readonly code: 'bleeder left'; readonly place: string }
  /** Shut before it was clear, with or without a reason. */
  | { readonly code: 'bleeder not clear'; readonly place: string }
  /** Left out or only practised, and danger may have stayed behind. */
  | { readonly code: 'stage owed'; readonly title: string }
  | {
      readonly code: 'control not judged';
      readonly control: string;
      /** What of the measure is still to be read, where it was begun. */
      readonly missing?: readonly MissingMeasure[];
    }
  | { readonly code: 'control does not pass'; readonly control: string; readonly result: string }
  | {
      readonly code: 'control not tried' | 'control failed';
      readonly control: string;
      readonly item: ControlCheck;
    }
  | { readonly code: 'not checked'; readonly item: CheckItem }
  | { readonly code: 'check failed'; readonly item: CheckItem }
  | { readonly code: 'fluid not put down' }
  /** The workshop tightens by the manual, and this joint's torque stands nowhere. */
  | { readonly code: 'torque not written'; readonly elementId: string; readonly place: string }
  /** The workshop asks for a photo of it. */
  | { readonly code: 'photo asked for'; readonly item: CheckItem }
  /** What the vehicle owes from before or beside this job, and what settles it. */
  | { readonly code: 'open item'; readonly what: string; readonly clearsWhen: string }
  | { readonly code: 'no test drive' }
  | { readonly code: 'drive failed' };

export type GateVerdict =
  /** Something is missing or failed: do not drive. */
  | 'shut'
  /** All but the drive has passed: a named person may set "test drive only". */
  | 'test drive'
  /** The drive was good as well: a named person may release. */
  | 'release';

export interface GateAnswer {
  readonly verdict: GateVerdict;
  /** Everything that is missing or failed; empty only when the vehicle may be released. */
  readonly reasons: readonly GateReason[];
}

/** What the gate asks besides the run itself. */
export interface GateInput {
  readonly run: RunState;
  readonly proof: Proof;
  /** The masters whose controls are proved, each by itself. */
  readonly controls: readonly Master[];
  /** Bleeders that were left shut and may stay so: seized ones of a circuit that was never opened. */
  readonly mayStayShut: ReadonlySet<string>;
  /** Open items that hold the vehicle and that the release of this job would not settle. */
  readonly openItems: readonly { readonly what: string; readonly clearsWhen: string }[];
  readonly drive: DriveResult | null;
  /** Paper that this workshop asks for by its house rules. */
  readonly paper: {
    readonly photosOf: readonly CheckItem[];
    /** Joints of this job whose torque nobody wrote down. */
    readonly torques: readonly { readonly elementId: string; readonly place: string }[];
    /** What a lead let go, by its code and what of it. */
    readonly letGo: readonly { readonly code: Overridable; readonly of: string }[];
  };
}

/** Reasons that are paper, not brakes. */
export type Overridable = 'torque not written' | 'photo asked for';

/** Who may override what: a lead, signed in as themself, with a reason that stays, or nobody. What leaves danger, nobody. */
export const MAY_OVERRIDE: Readonly<
  Record<Overridable, 'lead'> & Record<Exclude<GateReason['code'], Overridable>, 'nobody'>
> = {
  'run not finished': 'nobody',
  'run ended': 'nobody',
  'strokes asked': 'nobody',
  'bleeder left': 'nobody',
  'bleeder not clear': 'nobody',
  'stage owed': 'nobody',
  'control not judged': 'nobody',
  'control does not pass': 'nobody',
  'control not tried': 'nobody',
  'control failed': 'nobody',
  'not checked': 'nobody',
  'check failed': 'nobody',
  'fluid not put down': 'nobody',
  'torque not written': 'lead',
  'photo asked for': 'lead',
  'open item': 'nobody',
  'no test drive': 'nobody',
  'drive failed': 'nobody',
};

/**
 * Whether a vehicle may be driven or released, with every reason why not: the
 * run through by its own events, every control concerned proved by itself,
 * nothing open that holds the vehicle.
 */
export function releaseGate(given: GateInput): GateAnswer {
  const { run, proof, controls, openItems, drive } = given;
  const { vehicleKind } = run.plan.layout;
  const reasons: GateReason[] = [
    ...runReasons(given),
    ...controls.flatMap((m) => controlReasons(m, vehicleKind, proof)),
    ...checkReasons(vehicleKind, proof),
    ...paperReasons(given),
    ...openItems.map((m): GateReason => ({ code: 'open item', ...m })),
  ];
  if (reasons.length > 0) return { verdict: 'shut', reasons };
  if (drive === 'bad') return { verdict: 'shut', reasons: [{ code: 'drive failed' }] };
  if (drive === null) return { verdict: 'test drive', reasons: [{ code: 'no test drive' }] };
  return { verdict: 'release', reasons: [] };
}

/** The paper that is asked for, not there and not let go. */
function paperReasons({ proof, paper, run }: GateInput): GateReason[] {
  const asked = PROOF_ITEMS[run.plan.layout.vehicleKind];
  const reasons: (GateReason & { readonly code: Overridable })[] = [
    ...paper.torques.map((t) => ({ code: 'torque not written' as const, ...t })),
    ...paper.photosOf
      .filter((item) => asked.includes(item) && !proof.photos.has(item))
      .map((item) => ({ code: 'photo asked for' as const, item })),
  ];
  return reasons.filter((r) => !paper.letGo.some((l) => l.code === r.code && l.of === ofWhat(r)));
}

/** What a reason that is paper is about: what an override of it names. */
export const ofWhat = (reason: GateReason & { readonly code: Overridable }): string =>
  reason.code === 'photo asked for' ? reason.item : reason.elementId;

/** Whether a reason is one that a lead may let go. */
export function mayLetGo(
  reason: GateReason,
): reason is GateReason & { readonly code: Overridable } {
  return MAY_OVERRIDE[reason.code] === 'lead';
}

function runReasons({ run, mayStayShut }: GateInput): GateReason[] {
  if (run.ended) return [{ code: 'run ended' }];
  const { bleeders } = run.plan.layout;
  const left = bleeders.filter((b) => run.leftShut.has(b.id) && !mayStayShut.has(b.id));
  const done = doneAt(run);
  const reasons: GateReason[] = [
    ...left.map((b): GateReason => ({ code: 'bleeder left', place: b.place })),
    ...bleeders
      .filter((b) => !run.leftShut.has(b.id) && isShutUnclear(done.get(b.id)))
      .map((b): GateReason => ({ code: 'bleeder not clear', place: bleederName(b) })),
    ...skippedStages(run)
      .filter((s) => s.danger)
      .map((s): GateReason => ({ code: 'stage owed', title: s.title })),
  ];
  // Whether they were made decides how full the reservoir is.
  if (run.asked.length > 0) reasons.push({ code: 'strokes asked' });
  if (nextStep(run).kind !== 'finished') reasons.push({ code: 'run not finished' });
  return reasons;
}

const isShutUnclear = (done: DoneAt | undefined): boolean =>
  done !== undefined && done.shut && !done.clear;

function controlReasons(master: Master, kind: VehicleKind, proof: Proof): GateReason[] {
  const { control } = master;
  const answers = proof.controls[master.id] ?? NOTHING_TRIED;
  const again = proof.again.flatMap((i) =>
    i.masterId === master.id && i.item !== 'result' ? [i.item] : [],
  );
  const { result, checks } = controlProof(master, kind);
  return [
    ...resultReasons(control, result, answers),
    ...askedOrAnswered(checks, answers.checks, again).flatMap((item): GateReason[] => {
      const answer = answers.checks[item];
      if (answer === true) return [];
      return [{ code: answer === false ? 'control failed' : 'control not tried', control, item }];
    }),
  ];
}

/** What is asked, and what was answered though nobody asked, or is void: a bad answer counts wherever it comes from. */
const askedOrAnswered = <T extends string>(
  asked: readonly T[],
  answers: Readonly<Partial<Record<T, boolean>>>,
  again: readonly T[],
): readonly T[] => [...new Set([...asked, ...(Object.keys(answers) as T[]), ...again])];

function resultReasons(
  control: string,
  result: ReturnType<typeof controlProof>['result'],
  { pedal, takeUp, measured }: ControlAnswers,
): GateReason[] {
  if (result === 'none') return [];
  const said = result === 'pedal' ? pedal : takeUp;
  if (said === null) {
    const begun = measured && 'missing' in measured ? { missing: measured.missing } : {};
    return [{ code: 'control not judged', control, ...begun }];
  }
  const passes = result === 'pedal' ? pedalPasses(pedal!) : takeUpPasses(takeUp!);
  return passes ? [] : [{ code: 'control does not pass', control, result: said }];
}

function checkReasons(kind: VehicleKind, proof: Proof): GateReason[] {
  const reasons: GateReason[] = [];
  for (const item of askedOrAnswered(
    PROOF_ITEMS[kind],
    proof.checks,
    proof.again.flatMap((i) => (i.masterId === null ? [i.item] : [])),
  )) {
    if (proof.checks[item] === undefined) reasons.push({ code: 'not checked', item });
    else if (!proof.checks[item]) reasons.push({ code: 'check failed', item });
  }
  if (!proof.fluidPutDown) reasons.push({ code: 'fluid not put down' });
  return reasons;
}
