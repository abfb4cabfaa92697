import { leastCounts, type PlanOpening } from '@brook/core/bleed/stages';
import { callOf, hoseCue, SHAPE_WORDS } from '@brook/core/bleed/call';
import { emptyOnWayMl, wayTo } from '@brook/core/fluid/inside';
import type { Plan } from '@brook/core/bleed/plan';
import { capital, lowerFirst } from '@brook/core/base/text';
import {
  calledAt,
  MISSING_WORDS,
  MORE_STROKES,
  type NextStep,
  type RunState,
} from '@brook/core/job/run';
import { MOST_MADE } from '@brook/core/job/events';

/** What the large area of a run shows. */
export interface PadLook {
  /** The one number, or none. */
  readonly number: string | null;
  readonly under: string | null;
  /** The one call, in the imperative. */
  readonly call: string;
  readonly next: string | null;
  /** Whether a tap on it counts a stroke. */
  readonly counts: boolean;
  /** How many a long press counts at once: never past the next call. Below two there is none. */
  readonly atOnce: number;
  /** Whether it must be seen from across the bay. */
  readonly loud: boolean;
}

/** Work out what the large area shows from the next step; plain, so that it can be tested without drawing. */
export function padLook(plan: Plan, state: RunState, step: NextStep): PadLook {
  const quiet = { number: null, under: null, next: null, counts: false, atOnce: 0, loud: false };
  switch (step.kind) {
    case 'stroke':
      return {
        number: String(step.strokesLeft),
        under: `${counts(step.opening, step.strokesLeft)} to go of ${step.opening.band ? `${leastCounts(step.opening)} at least` : step.opening.strokes.value}`,
        call: byJar(state)
          ? jarWords(state, step.opening, step.strokesUntilTopUp)
          : step.opening.counted === 'strokes'
            ? 'Tap for each stroke'
            : step.opening.fromReservoir
              ? `Tap at each mark, every ${step.opening.strokeMl.value} mL`
              : `Push to the next mark, ${step.opening.strokeMl.value} mL, and tap`,
        next: [
          ...beginWords(state, step.opening),
          ...shapeWords(state, step.opening),
          ...fillWords(plan, state, step.opening),
          step.opening.fromReservoir
            ? topUpWords(step.strokesUntilTopUp, step.strokesLeft)
            : 'Slow and steady; shut before the plunger comes back',
        ].join(' · '),
        counts: true,
        atOnce: byJar(state) ? 0 : Math.min(MOST_MADE, step.strokesLeft, step.strokesUntilTopUp),
        loud: false,
      };
    case 'more strokes': {
      const made = state.bleeders.find((b) => b.openingId === step.opening.id)!.strokes;
      const over = made - step.opening.strokes.value;
      return {
        number: over < 0 ? String(-over) : `+${over}`,
        under:
          over < 0
            ? `${counts(step.opening, -over)} to the count that is usual`
            : `${counts(step.opening, 2)} over the plan`,
        call: MISSING_WORDS[
          MORE_STROKES.find((m) => step.missing.includes(m)) ?? 'bubbles in the last three'
        ],
        next: byJar(state)
          ? jarWords(state, step.opening, step.strokesUntilTopUp)
          : `Top-up in ${step.strokesUntilTopUp}`,
        counts: true,
        // Each is looked at now: what is counted unseen ends nothing.
        atOnce: 0,
        loud: false,
      };
    }
    case 'pressure':
      return {
        ...quiet,
        call: step.on ? 'Pressure on' : 'Pressure off',
        next: step.on
          ? 'New fluid in the pot, cap sealed. Begin at the lowest that flows, 0.7 to 1.4 bar at the most on a car; a thin or motorcycle reservoir bears none without the maker’s word. The cap stays dry.'
          : 'Let it off at the pot and see the gauge at zero before the cap is touched: fluid under pressure squirts metres.',
        loud: true,
      };
    case 'ready syringe':
      return {
        ...quiet,
        call: step.again ? 'Shut, then refill the syringe' : 'Ready the syringe',
        next: `${step.again ? 'Bleeder shut before the plunger comes back. ' : ''}Fill syringe and tube. Hold the tube up and push until no air is left in it. Join it to the bleeder, tie it; only then open.`,
        loud: true,
      };
    case 'fill way':
      return {
        ...quiet,
        number: String(step.lookAfterS),
        under: `${step.lookAfterS === 1 ? 'second' : 'seconds'} at the most, then stop`,
        call: 'Let it draw, stop, look into the reservoir',
        next: `About ${Math.ceil(step.leftMl)} mL to swallow before fluid comes; the jar shows nothing until then.`,
      };
    case 'flow':
      return { ...quiet, call: step.running ? 'Let it run' : 'Read the jar' };
    case 'read':
      return {
        ...quiet,
        call: MISSING_WORDS[step.missing[0]!],
        next:
          step.opening.method === 'vacuum'
            ? 'Under vacuum threads and gas look like air: what you see here judges nothing, the strokes that follow do.'
            : null,
        loud: true,
      };
    case 'top up':
      return {
        ...quiet,
        number: String(Math.round(step.pourMl)),
        under: `mL into the ${step.reservoir.name.toLowerCase()}, up to MAX`,
        call: 'Top up now',
        next: 'Before the next stroke. Look at the real level: the model can be wrong.',
        loud: true,
      };
    case 'draw off':
      return {
        ...quiet,
        number: String(Math.round(step.drawMl)),
        under: `mL out of the ${step.reservoir.name.toLowerCase()}, down to half`,
        call: step.first ? 'Draw it down before you push' : 'Draw off now',
        next: step.first
          ? 'What is pushed in below comes up here. Cap on loosely, a rag round it, eyes protected.'
          : 'Before the next push: it would rise above MAX. Shut the bleeder before the plunger comes back.',
        loud: true,
      };
    case 'shut':
      return {
        ...quiet,
        call: 'Shut it, hose off, cap on',
        next: `${shutWords(state, step.opening)}${
          plan.preferences.jointTightness === 'by feel'
            ? 'By feel; bleeders are hollow and snap. The manual’s torque wins.'
            : 'By the manual’s torque; bleeders are hollow and snap. Where none was looked up: by feel.'
        }`,
        loud: true,
      };
    case 'shut early':
      return {
        ...quiet,
        call: 'Shut, and not done',
        next: step.missing.map((m) => MISSING_WORDS[m]).join(' '),
        loud: true,
      };
    case 'last fill':
      return {
        ...quiet,
        number: String(Math.round(step.pourMl)),
        under: `mL into the ${step.reservoir.name.toLowerCase()}`,
        call:
          step.reservoir.finalLevelMl >= step.reservoir.maxMl ? 'Fill to MAX' : 'Fill to midway',
        next: 'Never above MAX: brakes drag when the fluid has no room.',
        loud: true,
      };
    case 'finished':
      return {
        ...quiet,
        call: 'Every bleeder is through',
        next: 'Now prove it: pedal, joints, level, cap.',
      };
    case 'prepare':
    case 'fit part':
    case 'master joined':
    case 'stage':
    case 'decide':
    case 'ended':
      return { ...quiet, call: '' };
  }
}

/** Into a bottle it is open all the while: it ends with pedal or lever held down [C]. */
const shutWords = (state: RunState, opening: PlanOpening): string =>
  callOf(opening.method) === 'open hose'
    ? `${capital(opening.control)} held down until it is shut. ${hoseCue('through', calledAt(state, opening)).say}. `
    : '';

const byJar = ({ counting }: RunState): boolean => counting?.way === 'jar';

/** A look at the level after every 5 to 10 strokes [C]: by the jar nobody counts how many. */
const JAR_AFTER = 10;

/** Where the jar is read at the latest: by then the reservoir could stand where it is topped up. */
function jarWords({ jar }: RunState, opening: PlanOpening, untilTopUp: number): string {
  const n = Math.min(JAR_AFTER, untilTopUp);
  return `Read the jar at ${Math.floor(jar.standsMl + n * opening.mostStrokeMl.value)} mL at the latest, after ${n} ${counts(opening, n)}`;
}

/** What is counted, in the singular where there is one left. */
const counts = (opening: PlanOpening, n: number): string =>
  n === 1 ? opening.counted.slice(0, -1) : opening.counted;

/** What the way still swallows before fluid comes at this bleeder. */
function fillWords(plan: Plan, { empties }: RunState, opening: PlanOpening): string[] {
  const leftMl = emptyOnWayMl(empties, wayTo(plan.layout, opening.bleeder.id));
  return leftMl > 0 ? [`the way swallows about ${Math.ceil(leftMl)} mL first`] : [];
}

/** Into a bottle it is opened once: how, until the first stroke is made. */
const beginWords = (state: RunState, opening: PlanOpening): string[] =>
  callOf(opening.method) === 'open hose' &&
  state.bleeders.find((b) => b.openingId === opening.id)!.strokes === 0
    ? [hoseCue('shut', calledAt(state, opening)).say]
    : [];

/** How the stroke goes and why, until the first one is made. */
function shapeWords({ bleeders }: RunState, { id, counted, shape }: PlanOpening): string[] {
  const begun = bleeders.find((b) => b.openingId === id)!.strokes > 0;
  const { down, back, why } = SHAPE_WORDS[shape];
  return begun || counted !== 'strokes'
    ? []
    : [
        `${capital(down)} in, ${down === back ? 'the same' : back} back: ${lowerFirst(why.replace(/\.$/, ''))}`,
      ];
}

function topUpWords(untilTopUp: number, strokesLeft: number): string {
  return untilTopUp < strokesLeft
    ? `next top-up in ${untilTopUp}`
    : 'no top-up before this one is through';
}
