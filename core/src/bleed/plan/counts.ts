import type { Path } from '../../vehicle/circuit';
import { figure, MODEL, type Figure } from '../../base/figure';
import { METHOD_TRAITS, type Method } from '../../hydraulics/flow';
import { fullStrokeVolume, strokeVolume, type Count } from '../../hydraulics/order';
import type { FullPlanRequest } from './request';

/**
 * What is counted at a bleeder by a method: strokes, or marks of the jar or
 * syringe where the flow is steady.
 *
 * @param flowMlS flow by the layout; null where it cannot be computed, then the usual one is taken for the time
 */
export function countFor(
  { preferences, layout, means }: FullPlanRequest,
  path: Path,
  method: Method,
  flowMlS: Figure | null,
): Count {
  const traits = METHOD_TRAITS[method];
  const selfFed = !traits.reverse && (traits.brings === 'a pot' || means.selfRefilling);
  if (traits.kind === 'strokes') {
    const seconds =
      {
        'two people': preferences.secondsPerStrokeTwoPeople,
        'alone at the lever': preferences.secondsPerStrokeLever,
        'alone, bottle': preferences.secondsPerStrokeBottle,
      }[method as 'two people' | 'alone at the lever' | 'alone, bottle'] ?? traits.strokeS!.whole;
    return {
      countMl: strokeVolume(path.chamber),
      mostMl: fullStrokeVolume(path.chamber),
      mostMlS: null,
      selfFed,
      secondsPerCount: seconds,
    };
  }
  const markMl = preferences.markMl[layout.vehicleKind];
  const mlS = flowMlS && flowMlS.value > 0 ? flowMlS.value : (traits.usualMlS ?? traits.handMlS!);
  const mark = figure({
    label: traits.reverse ? 'One mark of the syringe' : 'One mark of the jar',
    value: markMl,
    unit: 'mL',
    rule: 'house rule',
    source: MODEL,
  });
  return {
    countMl: mark,
    mostMl: mark,
    mostMlS: traits.mostMlS ? mostFlow(mlS, traits.mostMlS) : null,
    selfFed,
    secondsPerCount: markMl / mlS,
  };
}

/**
 * How fast a level may fall at the most under a steady flow, mL/s: twice what
 * the layout gives, and never less than the method is known for [M]. An empty
 * line holds the flow back less than a full one.
 */
function mostFlow(mlS: number, knownMlS: number): Figure {
  const byLayout = figure({
    label: 'Flow by the layout',
    value: mlS,
    unit: 'mL/s',
    rule: 'head, pressure or suction against the lines and the bleeder; the usual one where it cannot be computed',
    source: MODEL,
  });
  return figure({
    label: 'Flow at the most',
    value: Math.max(2 * byLayout.value, knownMlS),
    unit: 'mL/s',
    rule: `twice the flow by the layout, ${knownMlS} mL/s at the least: an empty line holds it back less`,
    source: MODEL,
    from: [byLayout],
  });
}
