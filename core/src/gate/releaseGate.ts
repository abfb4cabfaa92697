import type { VehicleKind } from '../circuit';
import { pedalPasses } from '../pedal';
import { nextStep, type RunState } from '../run';
import { PROOF_ITEMS, type CheckItem, type DriveResult, type Proof } from './proof';

/** One reason why the gate is shut, with what it is about. */
export type GateReason =
  | { readonly code: 'run not finished' }
  | { readonly code: 'run ended' }
  | { readonly code: 'strokes asked' }
  | { readonly code: 'bleeder left'; readonly place: string }
  | { readonly code: 'pedal not judged' }
  | { readonly code: 'pedal does not pass'; readonly result: string }
  | { readonly code: 'not checked'; readonly item: CheckItem }
  | { readonly code: 'check failed'; readonly item: CheckItem }
  | { readonly code: 'fluid not put down' }
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

/**
 * Whether a vehicle may be driven or released, with every reason why not. All
 * reasons of this gate are safety-critical: nobody overrides them.
 */
export function releaseGate(run: RunState, proof: Proof, drive: DriveResult | null): GateAnswer {
  const reasons = [...runReasons(run), ...proofReasons(run.plan.layout.vehicleKind, proof)];
  if (reasons.length > 0) return { verdict: 'shut', reasons };
  if (drive === 'bad') return { verdict: 'shut', reasons: [{ code: 'drive failed' }] };
  if (drive === null) return { verdict: 'test drive', reasons: [{ code: 'no test drive' }] };
  return { verdict: 'release', reasons: [] };
}

function runReasons(run: RunState): GateReason[] {
  if (run.ended) return [{ code: 'run ended' }];
  const reasons = run.plan.layout.bleeders
    .filter((b) => run.leftShut.has(b.id))
    .map((b): GateReason => ({ code: 'bleeder left', place: b.place }));
  // Whether they were made decides how full the bowl is.
  if (run.asked.length > 0) reasons.push({ code: 'strokes asked' });
  if (nextStep(run).kind !== 'finished') reasons.push({ code: 'run not finished' });
  return reasons;
}

function proofReasons(kind: VehicleKind, proof: Proof): GateReason[] {
  const reasons: GateReason[] = [];
  if (proof.pedal === null) reasons.push({ code: 'pedal not judged' });
  else if (!pedalPasses(proof.pedal))
    reasons.push({ code: 'pedal does not pass', result: proof.pedal });
  for (const item of PROOF_ITEMS[kind]) {
    if (proof.checks[item] === undefined) reasons.push({ code: 'not checked', item });
    else if (!proof.checks[item]) reasons.push({ code: 'check failed', item });
  }
  if (!proof.fluidPutDown) reasons.push({ code: 'fluid not put down' });
  return reasons;
}
