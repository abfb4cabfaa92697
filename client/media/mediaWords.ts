import type { Layout } from '@brook/core/circuit';
import type { Medium } from '@brook/core/log';
import { nameOf } from '@brook/core/scope';
import { lowerFirst } from '@brook/core/text';

export const MEDIUM_WORDS: Readonly<Record<Medium, string>> = {
  photo: 'Photo',
  voice: 'Voice note',
};

/** What it is and of what. @example "Photo, left rear" */
export function mediaTitle(layout: Layout, medium: Medium, elementId: string | null): string {
  const at = elementId === null ? null : lowerFirst(nameOf(layout, elementId));
  return [MEDIUM_WORDS[medium], at].filter(Boolean).join(', ');
}
