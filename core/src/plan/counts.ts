import type { Path } from '../circuit';
import { figure, MODEL, type Figure } from '../figure';
import { METHOD_TRAITS, type Method } from '../flow';
import { strokeVolume, type Count } from '../order';
import type { PlanAsked } from './request';

/**
 * What is counted at a bleeder by a method: strokes, or marks of the jar or
 * syringe where the flow is steady.
 *
 * @param flowMlS flow by the layout; null where it cannot be computed, then the usual one is taken for the time
 */
export function countFor(
  { preferences, layout }: PlanAsked,
  path: Path,
  method: Method,
  flowMlS: Figure | null,
): Count {
  const traits = METHOD_TRAITS[method];
  if (traits.kind === 'strokes') {
    const seconds =
      {
        'two people': preferences.secondsPerStrokeTwoPeople,
        'alone at the lever': preferences.secondsPerStrokeLever,
      }[method as 'two people' | 'alone at the lever'] ?? traits.strokeS!.whole;
    return { countMl: strokeVolume(path.chamber), secondsPerCount: seconds };
  }
  const markMl = preferences.markMl[layout.vehicleKind];
  const mlS = flowMlS && flowMlS.value > 0 ? flowMlS.value : (traits.usualMlS ?? traits.handMlS!);
  return {
    countMl: figure({
      label: traits.reverse ? 'One mark of the syringe' : 'One mark of the jar',
      value: markMl,
      unit: 'mL',
      rule: 'house rule',
      source: MODEL,
    }),
    secondsPerCount: markMl / mlS,
  };
}
