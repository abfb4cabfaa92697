import type { Layout } from '@brook/core/vehicle/circuit';
import type { MediaNote } from '@brook/core/job/log';
import { nameOf } from '@brook/core/bleed/scope';
import { lowerFirst } from '@brook/core/base/text';

export const MEDIUM_WORDS: Readonly<Record<MediaNote['medium'], string>> = {
  photo: 'Photo',
  voice: 'Voice note',
};

/** What it is and of what. @example "Photo, left rear", or "Photo, brake pedal: servo gives" */
export function mediaTitle(
  layout: Layout,
  { medium, elementId, proof }: Pick<MediaNote, 'medium' | 'elementId' | 'proof'>,
): string {
  const at = elementId === null ? null : lowerFirst(nameOf(layout, elementId));
  const control = layout.masters.find((m) => m.id === proof?.masterId)?.control;
  const shows = proof && [control, proof.item].filter(Boolean).join(': ');
  return [MEDIUM_WORDS[medium], at, shows].filter(Boolean).join(', ');
}
