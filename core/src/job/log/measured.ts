import type { Master } from '../../vehicle/circuit';
import {
  heldAs,
  isSamePlace,
  judgeControl,
  pedalSetup,
  wholeForces,
  workedBy,
  type Forces,
  type Judged,
  type ControlMeasured,
  type MeasuredWhen,
  type MissingMeasure,
  type PedalSetup,
} from '../../control/pedal';
import type { Plan } from '../../bleed/plan';
import { nextStep, type RunState } from '../run';
import { type Logged, type JobEvent } from '../events';

type MeasuringEvent = Extract<Logged<JobEvent>, { readonly kind: 'pedal read' | 'sink watched' }>;

/** Where a clutch took up when somebody measured it. */
export interface TakeUpRead {
  readonly masterId: string;
  readonly restMm: number;
  readonly takeUpMm: number;
  readonly pumpedMm: number | null;
  readonly playMm: number | null;
  /** Null where the slave was not blocked. */
  readonly blockedMm: number | null;
  /** Null where nobody read where its travel ends. */
  readonly endOfTravelMm: number | null;
  readonly eventId: string;
  readonly person: string;
  readonly atMs: number;
}

/** What was read, as it is kept. */
export const takeUpRead = ({
  id,
  person,
  atMs,
  masterId,
  restMm,
  takeUpMm,
  pumpedMm,
  playMm,
  blockedMm = null,
  endOfTravelMm = null,
}: Extract<Logged<JobEvent>, { readonly kind: 'take-up read' }>): TakeUpRead => ({
  masterId,
  restMm,
  takeUpMm,
  pumpedMm,
  playMm,
  blockedMm,
  endOfTravelMm,
  eventId: id,
  person,
  atMs,
});

/** What was measured, with one more reading: of each place the last one counts. */
export function withMeasured(
  measured: readonly ControlMeasured[],
  event: MeasuringEvent,
): readonly ControlMeasured[] {
  const { masterId, when } = event;
  const isHere = (m: ControlMeasured) => m.masterId === masterId && m.when === when;
  const known = measured.find(isHere) ?? { masterId, when, readings: [], sink: null };
  const by = { eventId: event.id, person: event.person, atMs: event.atMs };
  const here: ControlMeasured =
    event.kind === 'sink watched'
      ? {
          ...known,
          [event.engine === 'running' ? 'sinkRunning' : 'sink']: {
            ...by,
            mm: event.mm,
            seconds: event.seconds,
          },
        }
      : {
          ...known,
          readings: [
            ...known.readings.filter((r) => !isSamePlace(r, event)),
            { ...by, at: event.at, pumped: event.pumped, heightMm: event.heightMm },
          ],
        };
  return [...measured.filter((m) => !isHere(m)), here];
}

/** What was measured at a control in a state; null where nobody has. */
export const measuredAt = (
  measured: readonly ControlMeasured[],
  masterId: string,
  when: MeasuredWhen,
): ControlMeasured | null =>
  measured.find((m) => m.masterId === masterId && m.when === when) ?? null;

/**
 * In which state a pedal or lever stands that is measured now.
 *
 * @returns null while the bleed is under way: what is read then is neither before nor after
 */
export function measuredNow(run: RunState): MeasuredWhen | null {
  if (nextStep(run).kind === 'finished') return 'after';
  if (run.openedAtMs !== null) return null;
  return run.prepared.includes('empty servo') ? 'servo emptied' : 'before';
}

/** What a control is measured with. */
export interface Measuring {
  readonly held: 'pedal' | 'lever';
  readonly setup: PedalSetup;
  readonly forces: Forces;
}

/** What a control of a plan is measured with. */
export function measuringOf(
  { layout, preferences }: Pick<Plan, 'layout' | 'preferences'>,
  master: Master,
): Measuring {
  const held = heldAs(master.control);
  const setup = pedalSetup(layout, master.id, preferences.altitudeM);
  return { held, setup, forces: wholeForces(workedBy(master.control, layout.vehicleKind), setup) };
}

/** The word for what was measured at the end, or what of it is missing; null where nothing was measured. */
export function judgedByMeasure(
  plan: Pick<Plan, 'layout' | 'preferences'>,
  measured: readonly ControlMeasured[],
  masterId: string,
): Judged | { readonly missing: readonly MissingMeasure[] } | null {
  const here = measuredAt(measured, masterId, 'after');
  const master = plan.layout.masters.find((m) => m.id === masterId);
  if (!here || !master) return null;
  const { held, forces } = measuringOf(plan, master);
  return judgeControl(held, here, forces);
}
