import { SIDE_OF_PLACE, type Layout, type Path } from '../../vehicle/circuit';
import type { Method } from '../flow';
import type { OrderSetup } from './setup';
import type { Visit } from './visit';

/** Schools of order in the trade [C], the maker's and the computed one beside them. */
export const ORDER_SCHOOLS = [
  'farthest first',
  'by circuit',
  'nearest, then inwards',
  'nearest first',
] as const;
export type OrderSchool = (typeof ORDER_SCHOOLS)[number];
export type OrderId = OrderSchool | 'maker' | 'least fluid';

/** Why a bleeder stands where it does in the order. */
export type OrderReason =
  | { readonly code: 'only' }
  | { readonly code: 'farthest' | 'nearest'; readonly lengthM: number }
  | {
      readonly code: 'next farthest' | 'next nearest';
      readonly lengthM: number;
      readonly before: number;
    }
  | { readonly code: 'equal, away from the driver'; readonly lengthM: number }
  | { readonly code: 'same part'; readonly setting: 'upper last' | 'inner first' | 'outer first' }
  | { readonly code: 'first of a circuit'; readonly circuit: string; readonly lengthM: number }
  | {
      readonly code:
        | 'primes'
        | 'closes the round'
        | 'master first'
        | 'behind the modulator'
        | 'modulator'
        | 'after the modulator'
        | 'second pass'
        | 'maker'
        | 'least fluid';
    };

export interface OrderedVisit {
  readonly visit: Visit;
  readonly why: OrderReason;
}

/** What the workshop and the scope say about the order. */
export interface OrderSettings {
  /** Of two bleeders on one part, side by side [C]. */
  readonly pairs: 'inner first' | 'outer first';
  /** Whether a bleeder on the master primes it before all else, because the master is new or dry. */
  readonly primeMaster: boolean;
  readonly method: Method;
}

/**
 * The visits of one school, each with its reason. A bleeder on the master comes
 * where its short path puts it, and first as well where the master must be
 * primed. Rear-only ABS with a bleeder of its own is bled in two passes [C]
 * whatever the school.
 *
 * @returns null where the school has nothing to say for this job: one bleeder, or one circuit
 */
export function schoolOrder(
  setup: OrderSetup,
  school: OrderSchool,
  settings: OrderSettings,
): OrderedVisit[] | null {
  const all = [...setup.bleeders.values()].map((b) => b.path);
  const { layout } = setup;
  const far = farthestFirst(layout, all, settings);
  if (far.length === 1)
    return school === 'farthest first'
      ? withMaster(setup, [ordered(far[0]!, { code: 'only' }, settings)], settings)
      : null;
  switch (school) {
    case 'farthest first':
      return inPasses(setup, withMaster(setup, reasoned(layout, far, settings), settings));
    case 'nearest first':
      return inPasses(
        setup,
        withMaster(setup, reasonedNear(layout, [...far].reverse(), settings), settings),
      );
    case 'by circuit': {
      const circuits = [...new Set(far.map((p) => p.chamber))];
      if (circuits.length < 2) return null;
      const visits = circuits.flatMap((chamber) =>
        far
          .filter((p) => p.chamber === chamber)
          .map((p, i, same) =>
            ordered(
              p,
              i === 0
                ? { code: 'first of a circuit', circuit: chamber.name, lengthM: p.lengthM.value }
                : nextTo(layout, p, same[i - 1]!, settings),
              settings,
            ),
          ),
      );
      return inPasses(setup, withMaster(setup, visits, settings));
    }
    case 'nearest, then inwards': {
      const nearest = far.at(-1)!;
      const rest = reasoned(layout, far.slice(0, -1), settings);
      return inPasses(
        setup,
        withMaster(
          setup,
          [
            ordered(nearest, { code: 'primes' }, settings, 'sweep'),
            ...rest,
            ordered(nearest, { code: 'closes the round' }, settings),
          ],
          settings,
        ),
      );
    }
  }
}

/** An order that a person or a search gives, as visits. */
export function givenOrder(
  bleederIds: readonly string[],
  code: 'maker' | 'least fluid',
  method: Method,
): OrderedVisit[] {
  return bleederIds.map((bleederId) => ({
    visit: { bleederId, method, until: 'new' },
    why: { code },
  }));
}

/**
 * Farthest first: descending hydraulic path length from the master's port, by
 * the layout [C]. Paths that agree to the centimetre count as equal; of those
 * the side away from the driver comes first [M]. Of several bleeders on one
 * part the upper comes last, inner or outer first by setting [C].
 */
export function farthestFirst(
  layout: Layout,
  all: readonly Path[],
  settings: Pick<OrderSettings, 'pairs'>,
): Path[] {
  const rank = (p: Path): number =>
    [
      'lower',
      ...(settings.pairs === 'inner first' ? ['inner', 'outer'] : ['outer', 'inner']),
      null,
      'left',
      'right',
      'upper',
    ].indexOf(p.bleeder.which);
  return [...all].sort(
    (a, b) =>
      centimetres(b) - centimetres(a) ||
      nearDriver(layout, a) - nearDriver(layout, b) ||
      a.bleeder.at.localeCompare(b.bleeder.at) ||
      rank(a) - rank(b) ||
      a.bleeder.id.localeCompare(b.bleeder.id),
  );
}

const ordered = (
  path: Path,
  why: OrderReason,
  { method }: OrderSettings,
  until: Visit['until'] = 'new',
): OrderedVisit => ({ visit: { bleederId: path.bleeder.id, method, until }, why });

function reasoned(layout: Layout, far: readonly Path[], settings: OrderSettings): OrderedVisit[] {
  return far.map((path, i) => {
    const [before, after] = [far[i - 1], far[i + 1]];
    if (!before && !after)
      return ordered(path, { code: 'farthest', lengthM: path.lengthM.value }, settings);
    if (after && after.bleeder.at !== path.bleeder.at && centimetres(after) === centimetres(path))
      return ordered(
        path,
        { code: 'equal, away from the driver', lengthM: path.lengthM.value },
        settings,
      );
    return ordered(
      path,
      before
        ? nextTo(layout, path, before, settings)
        : { code: 'farthest', lengthM: path.lengthM.value },
      settings,
    );
  });
}

function nextTo(layout: Layout, path: Path, before: Path, settings: OrderSettings): OrderReason {
  if (before.bleeder.at === path.bleeder.at)
    return {
      code: 'same part',
      setting: path.bleeder.which === 'upper' ? 'upper last' : settings.pairs,
    };
  return { code: 'next farthest', lengthM: path.lengthM.value, before: before.lengthM.value };
}

function reasonedNear(
  layout: Layout,
  near: readonly Path[],
  settings: OrderSettings,
): OrderedVisit[] {
  // Reversing the whole order also turned round what belongs to one part; there the setting counts.
  const parts = [...new Set(near.map((p) => p.bleeder.at))];
  const sorted = parts.flatMap((at) =>
    farthestFirst(
      layout,
      near.filter((p) => p.bleeder.at === at),
      settings,
    ),
  );
  return sorted.map((path, i) => {
    const before = sorted[i - 1];
    if (!before) return ordered(path, { code: 'nearest', lengthM: path.lengthM.value }, settings);
    if (before.bleeder.at === path.bleeder.at)
      return ordered(path, nextTo(layout, path, before, settings), settings);
    return ordered(
      path,
      { code: 'next nearest', lengthM: path.lengthM.value, before: before.lengthM.value },
      settings,
    );
  });
}

/** A new or dry master is primed at its own bleeder, so that it can make pressure; it is bled once more where its path puts it. */
function withMaster(
  setup: OrderSetup,
  visits: OrderedVisit[],
  settings: OrderSettings,
): OrderedVisit[] {
  if (!settings.primeMaster) return visits;
  const own = [...setup.bleeders.values()].filter(({ path }) => path.stretches.length === 0);
  return [
    ...own.map(({ path }) => ordered(path, { code: 'master first' }, settings, 'sweep')),
    ...visits,
  ];
}

/**
 * Rear-only ABS with a bleeder on its modulator: first what lies behind the
 * modulator, then the modulator, then the rest; a second pass without the
 * modulator [C]. Other layouts are left as they are.
 */
function inPasses(setup: OrderSetup, visits: OrderedVisit[]): OrderedVisit[] {
  const own = ownBleeders(setup);
  if (own.size === 0) return visits;
  const modulators = new Set([...own].map((id) => setup.bleeders.get(id)!.path.bleeder.at));
  const behind = (v: OrderedVisit) =>
    !own.has(v.visit.bleederId) &&
    setup.bleeders.get(v.visit.bleederId)!.path.points.some((p) => modulators.has(p.node.id));
  const first = [
    ...visits
      .filter(behind)
      .map((v): OrderedVisit => ({ ...v, why: { code: 'behind the modulator' } })),
    ...visits
      .filter((v) => own.has(v.visit.bleederId))
      .map((v): OrderedVisit => ({ ...v, why: { code: 'modulator' } })),
    ...visits
      .filter((v) => !behind(v) && !own.has(v.visit.bleederId))
      .map((v): OrderedVisit => ({ ...v, why: { code: 'after the modulator' } })),
  ];
  const second = visits
    .filter((v) => !own.has(v.visit.bleederId) && v.visit.until === 'new')
    .map(
      (v): OrderedVisit => ({
        visit: { ...v.visit, until: 'sweep' },
        why: { code: 'second pass' },
      }),
    );
  return [...first, ...second];
}

/** Bleeders that sit on a modulator of rear-only ABS and are in question together with something behind it. */
function ownBleeders({ layout, bleeders }: OrderSetup): ReadonlySet<string> {
  if (layout.abs !== 'rear only, own bleeder') return new Set();
  const modulators = new Set(layout.nodes.filter((n) => n.kind === 'modulator').map((n) => n.id));
  return new Set(
    [...bleeders.values()].flatMap(({ path }) =>
      modulators.has(path.bleeder.at) ? [path.bleeder.id] : [],
    ),
  );
}

const centimetres = (path: Path): number => Math.round(path.lengthM.value * 100);

function nearDriver(layout: Layout, path: Path): number {
  return SIDE_OF_PLACE[path.bleeder.place] === layout.driverSide ? 1 : 0;
}

/** Whether every order of these visits may be tried: each bleeder once, in any order. */
export function isFree(visits: readonly OrderedVisit[]): boolean {
  return (
    visits.every((v) => v.visit.until === 'new') &&
    new Set(visits.map((v) => v.visit.bleederId)).size === visits.length
  );
}
