import { ENTRY, figure, MODEL, type Figure, type Unit } from '../../base/figure';
import type { HowKnown, Layout, MayBeKnown } from './layout';

/** How one size is known; null for a guess. */
export const howKnown = ({ known }: MayBeKnown, size: string): HowKnown | null =>
  known?.[size] ?? null;

/** How several sizes are known together: the least that is known of any. */
export function knownTogether(hows: readonly (HowKnown | null)[]): HowKnown | null {
  if (hows.length === 0 || hows.includes(null)) return null;
  return hows.includes('measured') ? 'measured' : 'by the maker';
}

/** An element with a size marked as known, or as a guess again. */
export function marked<T extends MayBeKnown>(
  element: T,
  sizes: readonly string[],
  how: HowKnown | null,
): T {
  const { known, ...bare } = element;
  const rest = Object.entries(known ?? {}).filter(([size]) => !sizes.includes(size));
  const marks = [...rest, ...(how ? sizes.map((s) => [s, how] as const) : [])];
  return (marks.length > 0 ? { ...bare, known: Object.fromEntries(marks) } : bare) as T;
}

/** A copy of an element: nobody has measured it. */
export const asGuess = <T extends MayBeKnown>(element: T): T =>
  marked(element, Object.keys(element.known ?? {}), null);

/** A layout in which some sizes of one element are known in a way, or are guesses again. */
export function withKnown(
  layout: Layout,
  elementId: string,
  sizes: readonly string[],
  how: HowKnown | null,
): Layout {
  const put = <T extends MayBeKnown & { readonly id: string }>(list: readonly T[]): T[] =>
    list.map((e) => (e.id === elementId ? marked(e, sizes, how) : e));
  return {
    ...layout,
    reservoirs: put(layout.reservoirs),
    masters: put(layout.masters).map((m) => ({ ...m, chambers: put(m.chambers) })),
    nodes: put(layout.nodes),
    stretches: put(layout.stretches),
  };
}

const RULES: Readonly<Record<HowKnown, string>> = {
  measured: 'in the layout, measured on this vehicle',
  'by the maker': 'in the layout, by the maker',
};

/** A size as a figure: a guess says that it is one. */
export function sizeFigure(label: string, value: number, unit: Unit, how: HowKnown | null): Figure {
  return figure({
    label,
    value,
    unit,
    rule: how ? RULES[how] : 'in the layout: a guess until somebody measured it',
    source: how ? ENTRY : MODEL,
  });
}
