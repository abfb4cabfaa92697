import { bleederName, type Layout } from '@brook/core/vehicle/circuit';
import { toFillMl, volumeMl, type Inside } from '@brook/core/fluid/inside';
import { nameOf } from '@brook/core/bleed/scope';
import { lowerFirst } from '@brook/core/base/text';
/** What is told of a picture; as for the picture itself. */
interface BrookShown {
  readonly layout: Layout;
  readonly order: readonly string[];
  readonly inside?: Inside;
  readonly current?: string | null;
  readonly done?: readonly string[];
  readonly marked?: string | null;
  readonly markedAs?: 'decides' | 'here';
  readonly noted?: readonly string[];
}

/** More of an element than this is air before it is told as empty: a bubble is not. */
const EMPTY_FROM_SHARE = 0.5;

/** What the picture shows, in words: the order, how far it is, how much of it is new, what is empty and what decides. */
export function brookWords({
  layout,
  order,
  inside,
  current,
  done = [],
  marked,
  markedAs,
  noted = [],
}: BrookShown): string {
  const called = new Map(layout.bleeders.map((b) => [b.id, bleederName(b)]));
  const names = (ids: readonly string[]) => ids.flatMap((id) => called.get(id) ?? []).join(', ');
  const held = Object.entries(inside ?? {}).filter(([, c]) => volumeMl(c) > 0);
  const allMl = held.reduce((sum, [, c]) => sum + volumeMl(c), 0);
  const newMl = held.reduce((sum, [, c]) => sum + c.newMl, 0);
  const empty = held.flatMap(([id, c]) =>
    toFillMl(c) / volumeMl(c) > EMPTY_FROM_SHARE ? [lowerFirst(nameOf(layout, id))] : [],
  );
  return [
    `The brook of ${layout.name}: bleeders in order ${names(order)}`,
    done.length > 0 ? `through: ${names(done)}` : null,
    current ? `now at ${names([current])}` : null,
    newMl > 0.5 ? `${Math.round((newMl / allMl) * 100)} % of it is new` : null,
    empty.length === 0
      ? null
      : empty.length > 3
        ? `${empty.length} parts are empty`
        : `empty: ${empty.join(', ')}`,
    marked
      ? `${lowerFirst(nameOf(layout, marked))} ${markedAs === 'here' ? 'is open' : 'decides'}`
      : null,
    noted.length > 0
      ? `noted at: ${[...new Set(noted)].map((id) => lowerFirst(nameOf(layout, id))).join(', ')}`
      : null,
  ]
    .filter(Boolean)
    .join('; ');
}
