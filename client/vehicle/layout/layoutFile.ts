import { layout as schema } from '@brook/contract';
import type { Layout } from '@brook/core/vehicle/circuit';

/** A layout as a file that can be kept, sent and read again. */
export function layoutFile(layout: Layout): { readonly name: string; readonly text: string } {
  return {
    name: `${layout.name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '')}.layout.json`,
    text: `${JSON.stringify(layout, null, 2)}\n`,
  };
}

/** What was read from a file: a layout, or sentences about what is wrong with it. */
export type ReadLayout =
  | { readonly kind: 'layout'; readonly layout: Layout }
  | { readonly kind: 'faults'; readonly sentences: readonly string[] };

/** Read a layout file by the published schema and the checks that go beyond it. */
export function readLayoutFile(text: string): ReadLayout {
  let given: unknown;
  try {
    given = JSON.parse(text);
  } catch {
    return {
      kind: 'faults',
      sentences: ['This file is no layout: it should be JSON as this app writes it.'],
    };
  }
  const read = schema.safeParse(given);
  if (read.success) return { kind: 'layout', layout: read.data as Layout };
  return {
    kind: 'faults',
    sentences: read.error.issues.map((i) =>
      i.path.length > 1 ? `${i.path.join(' › ')}: ${i.message}` : i.message,
    ),
  };
}
