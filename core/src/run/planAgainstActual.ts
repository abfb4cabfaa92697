import { ARITHMETIC, ENTRY, figure, type Figure } from '../figure';
import { bleederName } from '../circuit';
import type { Plan } from '../plan';
import type { HaltReason } from './event';
import type { BleederState, RunState } from './state';

/** One bleeder: what was planned and what was done. */
export interface ActualRow {
  readonly stopId: string;
  readonly place: string;
  readonly plannedStrokes: Figure;
  readonly strokes: Figure;
  readonly plannedMl: Figure;
  readonly bledMl: Figure;
  readonly bubbles: BleederState['bubbles'];
  readonly colour: BleederState['colour'];
  readonly shut: boolean;
  readonly left: HaltReason | null;
}

/** Plan against actual, bleeder by bleeder, in the order of the plan; strokes of earlier rounds are counted in. */
export function planAgainstActual(plan: Plan, state: RunState): ActualRow[] {
  return plan.stops.map((stop) => {
    const b = state.bleeders.find((x) => x.stopId === stop.id)!;
    const strokes = figure({
      label: 'Strokes made', value: b.strokes + b.earlierStrokes, unit: 'strokes',
      rule: b.earlierStrokes > 0 ? `counted by taps; ${b.earlierStrokes} of them before the run was started again` : 'counted by taps', source: ENTRY,
    });
    return {
      stopId: stop.id,
      place: bleederName(stop.bleeder),
      plannedStrokes: stop.strokes,
      strokes,
      plannedMl: stop.bledMl,
      bledMl: figure({
        label: 'Bled', value: b.bledMl + b.earlierBledMl, unit: 'mL', rule: 'strokes made × fluid in one stroke; not measured in a jar', source: ARITHMETIC, from: [strokes, stop.strokeMl],
      }),
      bubbles: b.bubbles,
      colour: b.colour,
      shut: b.shut,
      left: b.left,
    };
  });
}
