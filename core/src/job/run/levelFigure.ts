import { howKnown, sizeFigure } from '../../vehicle/circuit';
import { ARITHMETIC, figure, MODEL, type Figure } from '../../base/figure';
import type { PlanReservoir } from '../../bleed/plan';
import type { PlanOpening } from '../../bleed/stages';

/**
 * Present level of one reservoir by the model, mL, for the gauge of a run.
 *
 * @param levelMl from the run's state
 * @param stop bleeder in hand, whose strokes draw from this reservoir; null between bleeders
 */
export function levelFigure(
  reservoir: PlanReservoir,
  levelMl: number,
  opening: PlanOpening | null,
): Figure {
  return figure({
    label: `${reservoir.name}, by the model`,
    value: levelMl,
    unit: 'mL',
    rule: 'at MAX after each fill, less the fluid of every stroke since. Look at the real level: the model can be wrong',
    source: MODEL,
    from: [
      sizeFigure('At MAX', reservoir.maxMl, 'mL', howKnown(reservoir, 'maxMl')),
      sizeFigure('At MIN', reservoir.minMl, 'mL', howKnown(reservoir, 'minMl')),
      reservoir.topUpLevelMl,
      ...(opening ? [opening.strokeMl] : []),
    ],
  });
}

/**
 * What a steady flow may have given by now, mL, by the flow of its layout.
 *
 * @param seconds since it was let run, 0 or more
 */
export function flowFigure(opening: PlanOpening, seconds: number): Figure {
  return figure({
    label: 'In the jar by now, by the model',
    value: (Math.max(0, seconds) / opening.secondsPerStroke) * opening.strokeMl.value,
    unit: 'mL',
    rule: `time since it was let run × flow, one mark in ${Math.round(opening.secondsPerStroke)} s. The jar itself wins`,
    source: MODEL,
    from: [opening.strokeMl],
  });
}

/** What a top-up or the last fill takes, mL: from the present level by the model up to where it should stand. */
export function pourFigure(reservoir: PlanReservoir, levelMl: number, toMl: number): Figure {
  return figure({
    label: 'To pour',
    value: toMl - levelMl,
    unit: 'mL',
    rule: 'level wanted less present level',
    source: ARITHMETIC,
    from: [
      figure({
        label: 'Level wanted',
        value: toMl,
        unit: 'mL',
        rule:
          toMl === reservoir.maxMl
            ? 'the MAX mark, in the layout'
            : 'midway between MIN and MAX, to leave room for heat',
        source: MODEL,
      }),
      levelFigure(reservoir, levelMl, null),
    ],
  });
}
