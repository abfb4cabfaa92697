import { ARITHMETIC, ENTRY, figure, type Figure } from '../../base/figure';
import { bleederName } from '../../vehicle/circuit';
import type { Plan } from '../../bleed/plan';
import type { HaltReason } from '../events';
import type { RunState } from './state';
import type { BleederState, Tried } from '../standing';

/** One bleeder: what was planned and what was done. */
export interface ActualRow {
  readonly openingId: string;
  readonly bleederId: string;
  readonly place: string;
  readonly plannedStrokes: Figure;
  readonly strokes: Figure;
  readonly plannedMl: Figure;
  readonly bledMl: Figure;
  readonly bubbles: BleederState['bubbles'];
  /** Rounds whose order was broken. */
  readonly broken: number;
  /** What was done where bubbles stayed the same. */
  readonly tried: readonly Tried[];
  readonly colour: BleederState['colour'];
  readonly shut: boolean;
  readonly tightened: BleederState['tightened'];
  readonly left: HaltReason | null;
}

/** One plan of a run and what was done by it. */
export interface ActualLeg {
  /** What brought the next plan; null for the plan in force. */
  readonly endedBy: HaltReason | null;
  readonly rows: readonly ActualRow[];
}

/** Plan against actual, opening by opening, plan by plan; of a plan that did not last only what was begun or left. */
export function planAgainstActual(state: RunState): ActualLeg[] {
  const begun = (row: ActualRow) => row.shut || row.left !== null || row.strokes.value > 0;
  return [
    ...state.past.map(
      (leg): ActualLeg => ({
        endedBy: leg.because,
        rows: rowsOf(leg.plan, leg.bleeders, state.leftShut).filter(begun),
      }),
    ),
    { endedBy: null, rows: rowsOf(state.plan, state.bleeders, state.leftShut) },
  ];
}

function rowsOf(
  plan: Plan,
  bleeders: readonly BleederState[],
  leftShut: RunState['leftShut'],
): ActualRow[] {
  return plan.openings.map((opening) => {
    const b = bleeders.find((x) => x.openingId === opening.id)!;
    const strokes = figure({
      label: 'Strokes made',
      value: b.strokes,
      unit: 'strokes',
      rule: b.byJar
        ? 'fluid out of this opening by the jar, and what its way swallowed, in whole strokes'
        : 'counted on a phone, by taps or by the app’s beat',
      source: ENTRY,
    });
    return {
      openingId: opening.id,
      bleederId: opening.bleeder.id,
      place: bleederName(opening.bleeder),
      plannedStrokes: opening.strokes,
      strokes,
      plannedMl: opening.bledMl,
      bledMl: figure({
        label: 'Bled',
        value: b.bledMl,
        unit: 'mL',
        ...(b.byJar
          ? {
              rule: 'read off the jar, to 5 mL; what full strokes of an earlier opening may have given is laid to that one',
              source: ENTRY,
            }
          : {
              rule: 'strokes made × fluid in one stroke; not measured in a jar',
              source: ARITHMETIC,
              from: [strokes, opening.strokeMl],
            }),
      }),
      bubbles: b.bubbles,
      broken: b.broken,
      tried: b.tried.filter((t) => t.done),
      colour: b.colour,
      shut: b.shut,
      tightened: b.tightened,
      left: b.shut ? null : (leftShut.get(opening.bleeder.id) ?? null),
    };
  });
}
