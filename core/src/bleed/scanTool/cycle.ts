import { paths, type Layout } from '../../vehicle/circuit';
import { figure, MODEL, type Figure } from '../../base/figure';
import type { Range } from '../../base/units';

/** One step of a tool-driven cycle: the valves of one wheel are opened, or the pump empties its pocket. */
export interface ToolStep {
  readonly id: string;
  /** Wheel, by its bleeder. */
  readonly bleederId: string;
  readonly act: 'valves' | 'pump';
}

/** What the tool says of the vehicle before it does anything, and once more at the end. */
export interface ToolCheck {
  /** Battery under the load of the ignition, V. */
  readonly batteryV: number;
  readonly ignition: 'off' | 'on' | 'engine running';
  /** Fault codes as the tool words them; empty when there is none. */
  readonly codes: readonly string[];
}

/** A precondition that does not hold. */
export type ToolUnmet = 'battery low' | 'ignition not on' | 'fault codes';

/** What was said and done in one tool stage so far, in order. */
export type ToolEntry =
  | { readonly kind: 'checked'; readonly check: ToolCheck }
  | {
      readonly kind: 'step';
      readonly stepId: string;
      readonly done: boolean;
      readonly atMs: number;
    };

/** The one thing to do next with the tool. */
export type ToolNext =
  | { readonly kind: 'check'; readonly when: 'before' | 'after' }
  /** `notBeforeMs`: moment until which the pump cools, by the clock of the phone that ran it. */
  | {
      readonly kind: 'step';
      readonly step: ToolStep;
      readonly number: number;
      readonly of: number;
      readonly notBeforeMs: number | null;
    }
  | { readonly kind: 'through' };

/** Least battery voltage at which a cycle is begun, V: below it pump and valves do less than they say [M]. */
export const LEAST_BATTERY_V = 12;
/** What a meter at the battery may show, V [M]. */
export const BATTERY_V: Range = { what: 'Battery', unit: 'V', least: 0, most: 30 };
const VALVES_S = 20;
const PUMP_S = 5;
const COOL_S = 60;

/** How long each part of a cycle takes, s. Starting values; the limits that the tool itself states win. */
export function cycleTimes(): {
  readonly valvesS: Figure;
  readonly pumpS: Figure;
  readonly coolS: Figure;
} {
  const time = (label: string, value: number, rule: string) =>
    figure({ label, value, unit: 's', rule, source: MODEL });
  return {
    valvesS: time(
      'Valves of one wheel',
      VALVES_S,
      'opened and shut in turn while the pedal or lever is held',
    ),
    pumpS: time(
      'Pump run of one wheel',
      PUMP_S,
      'short, because the pump is made for stops and not for running on',
    ),
    coolS: time('Pump cools', COOL_S, 'after every run; the limit that the tool states wins'),
  };
}

/**
 * The steps of a cycle: wheel by wheel, valves first, then the pump.
 *
 * @param order bleeders in the order of the bleed that follows; those whose way does not pass a modulator, or that sit on it, are passed over
 */
export function toolSteps(layout: Layout, order: readonly string[]): ToolStep[] {
  const behind = new Set(
    paths(layout).flatMap(({ bleeder, points }) =>
      points.some((p) => p.node.kind === 'modulator' && p.node.id !== bleeder.at)
        ? [bleeder.id]
        : [],
    ),
  );
  return [...new Set(order)]
    .filter((id) => behind.has(id))
    .flatMap((bleederId): ToolStep[] => [
      { id: `${bleederId}:valves`, bleederId, act: 'valves' },
      { id: `${bleederId}:pump`, bleederId, act: 'pump' },
    ]);
}

/** Preconditions that do not hold; codes alone stand in the way after the cycle too. */
export function toolUnmet(check: ToolCheck): ToolUnmet[] {
  return [
    ...(check.batteryV < LEAST_BATTERY_V ? (['battery low'] as const) : []),
    ...(check.ignition !== 'on' ? (['ignition not on'] as const) : []),
    ...(check.codes.length > 0 ? (['fault codes'] as const) : []),
  ];
}

/**
 * Where a cycle stands. It begins with a check that finds everything met, does
 * each step until it is done, and ends with a check without fault codes; a step
 * that was aborted asks for the check again before it is repeated.
 */
export function nextInCycle(steps: readonly ToolStep[], entries: readonly ToolEntry[]): ToolNext {
  const done = new Set(entries.flatMap((e) => (e.kind === 'step' && e.done ? [e.stepId] : [])));
  const waiting = steps.find((s) => !done.has(s.id));
  const last = entries.at(-1);
  const lastCheck = entries.flatMap((e) => (e.kind === 'checked' ? [e.check] : [])).at(-1);
  const checked = lastCheck !== undefined && toolUnmet(lastCheck).length === 0;
  if (!waiting)
    return last?.kind === 'checked' && checked
      ? { kind: 'through' }
      : { kind: 'check', when: 'after' };
  if (!checked || (last?.kind === 'step' && !last.done)) return { kind: 'check', when: 'before' };
  return {
    kind: 'step',
    step: waiting,
    number: steps.indexOf(waiting) + 1,
    of: steps.length,
    notBeforeMs: cooledAt(steps, entries),
  };
}

/** Whether a step of a cycle runs the pump, by its id. */
export const isPumpStep = (stepId: string): boolean => stepId.endsWith(':pump');

/** When the pump has cooled after its last run, aborted ones included; null before the first. */
function cooledAt(steps: readonly ToolStep[], entries: readonly ToolEntry[]): number | null {
  const pump = new Set(steps.filter((s) => s.act === 'pump').map((s) => s.id));
  const ranAtMs = entries
    .flatMap((e) => (e.kind === 'step' && pump.has(e.stepId) ? [e.atMs] : []))
    .at(-1);
  return ranAtMs === undefined ? null : ranAtMs + COOL_S * 1000;
}

/** Hands-on minutes of a whole cycle: every wheel's valves and pump run, and the pauses between. */
export function cycleMinutes(steps: readonly ToolStep[]): Figure {
  const { valvesS, pumpS, coolS } = cycleTimes();
  const wheels = steps.length / 2;
  const setUp = figure({
    label: 'Connecting and checking',
    value: 10,
    unit: 'min',
    rule: 'session, battery, codes before and after',
    source: MODEL,
  });
  return figure({
    label: 'Hands on',
    value:
      setUp.value +
      (wheels * (valvesS.value + pumpS.value) + Math.max(0, wheels - 1) * coolS.value) / 60,
    unit: 'min',
    rule: `${wheels} wheels × (valves + pump), a pause to cool between them`,
    source: MODEL,
    from: [setUp, valvesS, pumpS, coolS],
  });
}
