import type { Layout } from '@brook/core/circuit';
import { bleederName } from '@brook/core/circuit';
import type { Medium } from '@brook/core/log';
import { nameOf } from '@brook/core/scope';
import { lowerFirst } from '@brook/core/text';

export const MEDIUM_WORDS: Readonly<Record<Medium, string>> = {
  photo: 'Photo',
  voice: 'Voice note',
};

/** What it is and of what. @example "Photo, left rear" */
export function mediaTitle(layout: Layout, medium: Medium, elementId: string | null): string {
  const at = elementId === null ? null : lowerFirst(elementWords(layout, elementId));
  return [MEDIUM_WORDS[medium], at].filter(Boolean).join(', ');
}

function elementWords(layout: Layout, id: string): string {
  const bleeder = layout.bleeders.find((b) => b.id === id);
  return bleeder ? bleederName(bleeder) : nameOf(layout, id);
}
