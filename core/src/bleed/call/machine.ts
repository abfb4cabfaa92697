/** What a call hears may bring about for the run. */
export type CallResult =
  /** One stroke was made as it should be. */
  | 'stroke'
  /** The order was broken: the round does not count and is made again. */
  | 'broken';

/** What can follow in one phase: where a signal leads, and what that tells the run. */
type Step<P extends string> = P | { readonly to: P; readonly tells: CallResult };

/** A call between pedal and wrench: its phases, and where each signal leads. A signal that a phase does not list changes nothing. */
export interface CallMachine<P extends string, S extends string> {
  readonly first: P;
  readonly phases: Readonly<Record<P, Readonly<Partial<Record<S, Step<P>>>>>>;
}

/** Where a call stands after a signal, and what to write down. */
export interface PhaseAfter<P extends string> {
  readonly phase: P;
  readonly told: CallResult | null;
}

/** @returns null where the signal means nothing now: a call is never talked into a phase */
export function hear<P extends string, S extends string>(
  machine: CallMachine<P, S>,
  phase: P,
  signal: S,
): PhaseAfter<P> | null {
  const step = machine.phases[phase][signal];
  if (step === undefined) return null;
  return typeof step === 'object'
    ? { phase: step.to, told: step.tells }
    : { phase: step as P, told: null };
}
