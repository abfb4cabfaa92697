import { setSize, setThread } from './edit';
import { withKnown } from './known';
import { SIZE_FIELDS, type SizedKind, type SizeField } from './fields';
import type { Fitting, HowKnown, KnownSizes, Layout } from './layout';
import { bleederName, chambersOf, isActuator } from './names';
import { rangeFault } from './ranges';

/** A size as it was found on this vehicle, in the unit of that size; a thread in words. */
export interface SizeFound {
  readonly elementId: string;
  readonly size: string;
  readonly value: number | string;
  /** How it is known: measured, unless it was looked up. */
  readonly how?: HowKnown | undefined;
}

/** A thread is read, not measured. */
export const THREAD = 'thread';

/** Sizes by which fluid and strokes are worked out; the others only say what a thing is held with. */
const IN_THE_SUMS: readonly string[] = [
  'boreMm',
  'fullStrokeMm',
  'bleedStrokeMm',
  'lengthMm',
  'insideMm',
  'cavityMl',
  'openPathMl',
];

/** A thing with the sizes that may be found at it while the vehicle is bled. */
export interface Findable {
  readonly elementId: string;
  readonly name: string;
  readonly fields: readonly (SizeField & { readonly of: SizedKind })[];
  /** Whether it is screwed, so that its thread can be read. */
  readonly screwed: boolean;
  /** What the layout has now, by size; null where nobody knows. */
  readonly has: Readonly<Record<string, number | string | null | undefined>>;
  /** How its sizes are known; one that is not in it is a guess, a fitting's is as listed or as found. */
  readonly known: KnownSizes;
}

/**
 * Everything at which callipers, a tape or a wrench may find another size, in
 * the layout's order. Heights, and what the reservoirs hold, belong to the layout.
 */
export function findables(layout: Layout): Findable[] {
  return [
    ...layout.bleeders.map((b) => ({
      elementId: b.id,
      name: `Bleeder ${bleederName(b)}`,
      fields: fieldsOf('fitting'),
      screwed: true,
      has: fittingHas(b.fitting),
      known: {},
    })),
    ...chambersOf(layout).map(({ chamber, master }) => ({
      elementId: chamber.id,
      name: master.chambers.length > 1 ? `${master.name}, ${chamber.name}` : master.name,
      fields: fieldsOf('chamber'),
      screwed: false,
      has: { ...chamber } as unknown as Findable['has'],
      known: chamber.known ?? {},
    })),
    ...layout.nodes
      .filter((n) => isActuator(n) || n.kind === 'modulator')
      .map((n) => ({
        elementId: n.id,
        name: n.name,
        fields: fieldsOf(n.kind),
        screwed: false,
        has: { ...n } as unknown as Findable['has'],
        known: n.known ?? {},
      })),
    ...layout.stretches.map((s) => ({
      elementId: s.id,
      name: s.name,
      fields: [...fieldsOf(s.kind), ...fieldsOf('fitting')],
      screwed: true,
      has: { ...(s as unknown as Findable['has']), ...fittingHas(s.nut) },
      known: s.known ?? {},
    })),
  ];
}

const NOT_WHILE_BLED: readonly string[] = ['heightMm', 'retractionMm', 'pocketsMl'];
const fieldsOf = (of: SizedKind): Findable['fields'] =>
  SIZE_FIELDS[of].filter((f) => !NOT_WHILE_BLED.includes(f.key)).map((f) => ({ ...f, of }));
const fittingHas = (fitting: Fitting | null): Findable['has'] => ({
  ...fitting?.listed,
  ...Object.fromEntries(Object.entries(fitting?.found ?? {}).filter(([, v]) => v !== null)),
});

/** The sentence for a size that cannot be as it was found, or null. */
export function sizeFault(layout: Layout, { elementId, size, value }: SizeFound): string | null {
  const at = findables(layout).find((f) => f.elementId === elementId);
  if (!at) return `There is nothing "${elementId}" in this layout that has sizes.`;
  if (size === THREAD && at.screwed)
    return typeof value === 'string' && value.trim() !== ''
      ? null
      : `${at.name}: give its thread as it is read, such as M10×1.`;
  const field = at.fields.find((f) => f.key === size);
  if (!field)
    return `${at.name} has no size "${size}"; it should be one of ${at.fields.map((f) => f.key).join(', ')}.`;
  if (typeof value !== 'number') return `${at.name}: ${field.range.what} should be a number.`;
  const wrong = rangeFault(field.range, value);
  return wrong && `${at.name}: ${wrong}.`;
}

/**
 * The layout with sizes as they were found, each marked as known from here on;
 * what cannot be so is left as it was. One that is as it was listed is no guess any more.
 */
export function withSizes(layout: Layout, sizes: readonly SizeFound[]): Layout {
  return sizes.reduce((before, found) => {
    const { elementId: element, size, value, how = 'measured' } = found;
    if (sizeFault(before, found) !== null) return before;
    const at = findables(before).find((f) => f.elementId === element)!;
    if (typeof value === 'string')
      return at.has[size] === value ? before : setThread(before, element, value);
    const { of: kind } = at.fields.find((f) => f.key === size)!;
    if (at.has[size] !== value) return setSize(before, { kind, element }, size, value, how);
    return kind === 'fitting' || at.known[size] === how
      ? before
      : withKnown(before, element, [size], how);
  }, layout);
}

/** A size as the layout has it; null where nobody knows it. */
export function sizeIn(
  layout: Layout,
  { elementId, size }: Omit<SizeFound, 'value'>,
): number | string | null {
  return findables(layout).find((f) => f.elementId === elementId)?.has[size] ?? null;
}

/** Whether sizes that were found change what fluid and strokes are worked out from. */
export function changesTheSums(layout: Layout, sizes: readonly SizeFound[]): boolean {
  return sizes.some(
    (s) =>
      IN_THE_SUMS.includes(s.size) &&
      sizeFault(layout, s) === null &&
      sizeIn(layout, s) !== s.value,
  );
}

/** A size in words. @example "Primary chamber: bore 22.2 mm" */
export function sizeWords(layout: Layout, found: SizeFound): string {
  const at = findables(layout).find((f) => f.elementId === found.elementId);
  const what = at?.fields.find((f) => f.key === found.size)?.range.what ?? found.size;
  return `${at?.name ?? found.elementId}: ${what} ${sizeValue(layout, found)}`;
}

/** Its value with its unit. */
export function sizeValue(layout: Layout, { elementId, size, value }: SizeFound): string {
  const at = findables(layout).find((f) => f.elementId === elementId);
  const unit = at?.fields.find((f) => f.key === size)?.range.unit;
  const shown = typeof value === 'number' ? String(Math.round(value * 100) / 100) : value;
  return unit ? `${shown} ${unit}` : shown;
}
