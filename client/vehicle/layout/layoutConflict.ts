import { RANGES, type Layout } from '@brook/core/vehicle/circuit';

const LISTS = ['reservoirs', 'masters', 'nodes', 'stretches', 'bleeders'] as const;

/** A layout as a record of its elements, so that two versions of it can be held against each other. */
export type ByElement = Readonly<Record<string, unknown>>;

const HEAD = 'layout';

/** Every element under its list and id, and what is said of the whole. */
export function byElement(layout: Layout): ByElement {
  const { reservoirs, masters, nodes, stretches, bleeders, ...head } = layout;
  const lists = { reservoirs, masters, nodes, stretches, bleeders };
  return Object.fromEntries([
    [HEAD, head],
    ...LISTS.flatMap((list) => lists[list].map((e) => [`${list}:${e.id}`, e] as const)),
  ]);
}

/** The layout of a record of elements; those that one side took out are not in it. */
export function layoutOf(elements: ByElement): Layout {
  const of = (list: (typeof LISTS)[number]) =>
    Object.entries(elements).flatMap(([key, e]) =>
      key.startsWith(`${list}:`) && e !== undefined ? [e] : [],
    );
  return {
    ...(elements[HEAD] as object),
    ...Object.fromEntries(LISTS.map((list) => [list, of(list)])),
  } as unknown as Layout;
}

/** What an element is called. */
export function elementLabel(key: string, ...versions: readonly ByElement[]): string {
  const found = versions.map((v) => v[key]).find((e) => e !== undefined) as
    | { readonly name?: string; readonly place?: string }
    | undefined;
  return found?.name ?? (found?.place ? `Bleeder, ${found.place}` : key.split(':')[1]!);
}

/** What is different about an element on one side, field by field; that it is gone where it is. */
export function elementWords(element: unknown, other: unknown): string {
  if (element === undefined) return 'taken out';
  const mine = element as Readonly<Record<string, unknown>>;
  const theirs = (other ?? {}) as Readonly<Record<string, unknown>>;
  const differs = Object.keys(mine).filter(
    (k) => JSON.stringify(mine[k]) !== JSON.stringify(theirs[k]),
  );
  return differs.map((k) => `${called(k)}${plain(mine[k])}${unitOf(k)}`).join(', ') || 'as before';
}

/** A size in the words of the trade; what is no size speaks by its value. */
const sizeOf = (key: string) =>
  Object.hasOwn(RANGES, key) ? RANGES[key as keyof typeof RANGES] : null;
const called = (key: string): string => {
  const size = sizeOf(key);
  return size ? `${size.what} ` : '';
};
const unitOf = (key: string): string => {
  const unit = sizeOf(key)?.unit;
  return unit ? ` ${unit}` : '';
};

function plain(value: unknown): string {
  if (value === null || value === undefined) return 'not known';
  return typeof value === 'object' ? JSON.stringify(value) : String(value);
}
