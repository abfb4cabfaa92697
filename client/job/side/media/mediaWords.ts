import type { Layout } from '@brook/core/vehicle/circuit';
import { MEDIUM_WORDS, type HappeningOf } from '@brook/core/job/events';
import { nameOf } from '@brook/core/bleed/scope';
import { lowerFirst } from '@brook/core/base/text';

/** What it is and of what. @example "Photo, left rear", or "Photo, brake pedal: servo gives" */
export function mediaTitle(
  layout: Layout,
  { medium, elementId, proof }: Pick<HappeningOf<'media note'>, 'medium' | 'elementId' | 'proof'>,
): string {
  const at = elementId === null ? null : lowerFirst(nameOf(layout, elementId));
  const control = layout.masters.find((m) => m.id === proof?.masterId)?.control;
  const shows = proof && [control, proof.item].filter(Boolean).join(': ');
  return [MEDIUM_WORDS[medium], at, shows].filter(Boolean).join(', ');
}
