import { VEHICLE_TRAITS } from './kinds';
import { asGuess, howKnown, knownTogether, marked } from './known';
import type {
  Bleeder,
  Fitting,
  FittingSizes,
  HowKnown,
  Layout,
  LayoutNode,
  Master,
  MasterChamber,
  MayBeKnown,
  Stretch,
} from './layout';
import { chambersOf, isActuator } from './names';
import {
  bleeder,
  reservoir,
  caliper,
  chamber,
  cylinder,
  joint,
  line,
  LINE_6_35_INSIDE_MM,
  master,
  modulator,
  port,
  slave,
  tee,
  valve,
} from './usualParts';
import type { SizedKind } from './fields';

/** Kinds of point that can be put into a line, and those that can end one. */
export const INSERTS = ['joint', 'tee', 'valve', 'modulator'] as const;
export type Insert = (typeof INSERTS)[number];
export const ENDS = ['caliper', 'wheel cylinder', 'slave'] as const;
export type End = (typeof ENDS)[number];

/** A layout after one change, and the element that it was about. */
export interface Edited {
  readonly layout: Layout;
  readonly element: string;
}

/** Starting length of a line that is drawn anew, mm [M]. */
const NEW_LINE_MM = 500;

/**
 * Set one size of an element. Sizes of a fitting are what was found on this vehicle.
 *
 * @param of which kind of thing, and the id of its element
 * @param how how it is known; another value is a guess until somebody says
 */
export function setSize(
  layout: Layout,
  of: { readonly kind: SizedKind; readonly element: string },
  key: string,
  value: number | null,
  how: HowKnown | null = null,
): Layout {
  const put = <T extends MayBeKnown & { readonly id: string }>(list: readonly T[]): T[] =>
    list.map((e) => (e.id === of.element ? marked({ ...e, [key]: value }, [key], how) : e));
  switch (of.kind) {
    case 'reservoir':
      return { ...layout, reservoirs: put(layout.reservoirs) };
    case 'master':
      return { ...layout, masters: put(layout.masters) };
    case 'chamber':
      return {
        ...layout,
        masters: layout.masters.map((m) => ({ ...m, chambers: put(m.chambers) })),
      };
    case 'outlet':
      return {
        ...layout,
        masters: layout.masters.map((m) => ({
          ...m,
          chambers: m.chambers.map(
            (c): MasterChamber =>
              c.id === of.element
                ? marked({ ...c, outlet: { ...c.outlet, [key]: value } }, [key], how)
                : c,
          ),
        })),
      };
    case 'line':
    case 'hose':
      return { ...layout, stretches: put(layout.stretches) };
    case 'fitting':
      return {
        ...layout,
        bleeders: layout.bleeders.map(
          (b): Bleeder =>
            b.id === of.element ? { ...b, fitting: found(b.fitting, { [key]: value }) } : b,
        ),
        stretches: layout.stretches.map(
          (s): Stretch =>
            s.id === of.element ? { ...s, nut: found(s.nut ?? UNKNOWN, { [key]: value }) } : s,
        ),
      };
    default:
      return { ...layout, nodes: put(layout.nodes) };
  }
}

const NO_SIZES: FittingSizes = { wrenchMm: null, thread: null, torqueNm: null };
const UNKNOWN: Fitting = { listed: NO_SIZES, found: null };
const found = (fitting: Fitting, more: Partial<FittingSizes>): Fitting => ({
  ...fitting,
  found: { ...(fitting.found ?? NO_SIZES), ...more },
});

/** Put down the thread of a fitting as found on this vehicle: of a bleeder, or of the nut at the end of a stretch. */
export function setThread(layout: Layout, element: string, thread: string | null): Layout {
  return {
    ...layout,
    bleeders: layout.bleeders.map(
      (b): Bleeder => (b.id === element ? { ...b, fitting: found(b.fitting, { thread }) } : b),
    ),
    stretches: layout.stretches.map(
      (s): Stretch => (s.id === element ? { ...s, nut: found(s.nut ?? UNKNOWN, { thread }) } : s),
    ),
  };
}

/** Change what is not a size: a name, which valve, which bleeder, how a master lies. */
export function setOption(
  layout: Layout,
  element: string,
  more: Readonly<Record<string, string | boolean | null>>,
): Layout {
  const put = <T extends { readonly id: string }>(list: readonly T[]): T[] =>
    list.map((e) => (e.id === element ? { ...e, ...more } : e));
  return {
    ...layout,
    reservoirs: put(layout.reservoirs),
    nodes: put(layout.nodes),
    stretches: put(layout.stretches),
    bleeders: put(layout.bleeders),
    masters: put(layout.masters).map((m) => ({ ...m, chambers: put(m.chambers) })),
  };
}

/** Put a point into a line: the line is cut in the middle, at the height between its ends. */
export function insertInto(layout: Layout, stretchId: string, kind: Insert): Edited {
  const stretch = layout.stretches.find((s) => s.id === stretchId)!;
  const heightMm = Math.round((heightOf(layout, stretch.from) + heightOf(layout, stretch.to)) / 2);
  const id = freeId(layout, kind);
  const half = Math.round(stretch.lengthMm / 2);
  const node: LayoutNode = {
    joint: () => joint(id, 'New joint', heightMm),
    tee: () => tee(id, 'New tee', heightMm),
    valve: () => valve(id, 'New valve', heightMm, 'load'),
    modulator: () => modulator(id, 'New modulator', heightMm, 8, 3),
  }[kind]();
  return {
    element: id,
    layout: {
      ...layout,
      abs: kind === 'modulator' && layout.abs === 'none' ? 'in the open path' : layout.abs,
      nodes: [...layout.nodes, node],
      stretches: layout.stretches.flatMap((s) =>
        s === stretch
          ? [
              { ...marked(s, ['lengthMm'], null), to: id, lengthMm: half },
              {
                ...marked(s, ['lengthMm'], null),
                id: freeId(layout, 'line'),
                name: `${s.name}, behind it`,
                from: id,
                lengthMm: s.lengthMm - half,
              },
            ]
          : [s],
      ),
    },
  };
}

/** A new line from a point to a new part with a bleeder at its top. */
export function addEnd(layout: Layout, nodeId: string, kind: End): Edited {
  const id = freeId(layout, kind.replace(' ', '-'));
  const heightMm = Math.max(200, heightOf(layout, nodeId) - 200);
  const node: LayoutNode = {
    caliper: () => caliper(id, 'New caliper', heightMm, 30, 48),
    'wheel cylinder': () => cylinder(id, 'New wheel cylinder', heightMm, 6),
    slave: () => slave(id, 'New slave', heightMm, 10, 20, { inGearbox: false, holdable: true }),
  }[kind]();
  const stretch = line(
    freeId(layout, 'line'),
    `Line to ${node.name.toLowerCase()}`,
    nodeId,
    id,
    NEW_LINE_MM + Math.abs(heightMm - heightOf(layout, nodeId)),
    kind === 'slave' ? LINE_6_35_INSIDE_MM : undefined,
  );
  return addBleeder(
    { ...layout, nodes: [...layout.nodes, node], stretches: [...layout.stretches, stretch] },
    id,
    kind === 'slave' ? 'slave' : undefined,
  );
}

/** A bleeder on a point. Its place is the first that no other has, until a person says which it is. */
export function addBleeder(layout: Layout, nodeId: string, place?: Bleeder['place']): Edited {
  const node = layout.nodes.find((n) => n.id === nodeId)!;
  const usual: Bleeder['place'] =
    place ??
    (node.kind === 'port'
      ? 'master'
      : node.kind === 'modulator'
        ? 'modulator'
        : ((
            [
              'left front',
              'right front',
              'left rear',
              'right rear',
              'front',
              'rear',
              'sidecar',
              'slave',
            ] as const
          ).find((p) => !layout.bleeders.some((b) => b.place === p)) ?? 'front'));
  const which = layout.bleeders.some((b) => b.place === usual && b.which === null)
    ? (['outer', 'inner', 'upper', 'lower', 'left', 'right'] as const).find(
        (w) => !layout.bleeders.some((b) => b.place === usual && b.which === w),
      )!
    : null;
  return {
    element: nodeId,
    layout: {
      ...layout,
      bleeders: [
        ...layout.bleeders,
        bleeder(freeId(layout, 'bleeder'), nodeId, usual, 10, { which }),
      ],
    },
  };
}

/** A layout to begin a drawing with: one master, one line, one part with its bleeder. */
export function blankLayout({
  name,
  vehicleKind,
  driverSide,
}: Pick<Layout, 'name' | 'vehicleKind' | 'driverSide'>): Layout {
  return addMaster(
    {
      version: 2,
      name,
      vehicleKind,
      driverSide,
      abs: 'none',
      reservoirs: [],
      masters: [],
      nodes: [],
      stretches: [],
      bleeders: [],
    },
    'brakes',
  ).layout;
}

/** Let another reservoir feed a chamber; one that feeds nothing any more goes. */
export function setFeed(layout: Layout, chamberId: string, reservoirId: string): Layout {
  return withoutIdleReservoirs(setOption(layout, chamberId, { fedBy: reservoirId }));
}

/** A reservoir of its own for a chamber that shared one. Sizes are those of the one it shared, until somebody measures. */
export function addReservoir(layout: Layout, chamberId: string): Edited {
  const shared = layout.reservoirs.find(
    (b) => b.id === chambersOf(layout).find(({ chamber: c }) => c.id === chamberId)?.chamber.fedBy,
  )!;
  const id = freeId(layout, 'reservoir');
  return {
    element: id,
    layout: setOption(
      {
        ...layout,
        reservoirs: [
          ...layout.reservoirs,
          { ...asGuess(shared), id, name: 'New reservoir chamber' },
        ],
      },
      chamberId,
      { fedBy: id },
    ),
  };
}

/** A second chamber in a master, with a line and a part of its own; its sizes are those of the first. */
export function addChamber(layout: Layout, masterId: string): Edited {
  const first = layout.masters.find((m) => m.id === masterId)!.chambers[0]!;
  const [id, portId] = [freeId(layout, 'chamber'), freeId(layout, 'port')];
  const more: MasterChamber = { ...asGuess(first), id, name: 'New chamber', port: portId };
  const base: Layout = {
    ...layout,
    masters: layout.masters.map((m) =>
      m.id === masterId ? { ...m, chambers: [...m.chambers, more] } : m,
    ),
    nodes: [
      ...layout.nodes,
      port(portId, 'Outlet of the new chamber', heightOf(layout, first.port)),
    ],
  };
  return {
    element: id,
    layout: addEnd(
      base,
      portId,
      layout.masters.find((m) => m.id === masterId)!.system === 'clutch' ? 'slave' : 'caliper',
    ).layout,
  };
}

/** A new master with a reservoir, one chamber, a line and a part of its own. */
export function addMaster(layout: Layout, system: Master['system']): Edited {
  const car = !VEHICLE_TRAITS[layout.vehicleKind].bar;
  const [id, reservoirId, portId] = [
    freeId(layout, 'master'),
    freeId(layout, 'reservoir'),
    freeId(layout, 'port'),
  ];
  const control =
    system === 'clutch'
      ? car
        ? 'clutch pedal'
        : 'clutch lever'
      : car
        ? 'brake pedal'
        : 'brake lever';
  const base: Layout = {
    ...layout,
    reservoirs: [
      ...layout.reservoirs,
      car
        ? reservoir(reservoirId, 'New reservoir', 900, 180, 70)
        : reservoir(reservoirId, 'New reservoir', 1050, 32, 12),
    ],
    masters: [
      ...layout.masters,
      master(id, 'New master', control, car ? 820 : 1020, car ? 4.5 : 6, [
        chamber(
          freeId(layout, 'chamber'),
          'New chamber',
          car ? 20.6 : 14,
          car ? { full: 32, bleed: 22 } : { full: 14, bleed: 10 },
          reservoirId,
          portId,
          { airDrawnMl: car ? 20 : 5, belowMaxMm: car ? 45 : 18 },
        ),
      ]),
    ],
    nodes: [...layout.nodes, port(portId, 'Outlet of the new master', car ? 800 : 1010)],
  };
  return {
    element: id,
    layout: addEnd(base, portId, system === 'clutch' ? 'slave' : 'caliper').layout,
  };
}

/**
 * Take an element out. A point with one line in and one out leaves one line;
 * anything else takes with it what it alone feeds.
 */
export function removeElement(layout: Layout, id: string): Layout {
  if (layout.bleeders.some((b) => b.id === id))
    return { ...layout, bleeders: layout.bleeders.filter((b) => b.id !== id) };
  const node = layout.nodes.find((n) => n.id === id);
  const [into, out] = [
    layout.stretches.filter((s) => s.to === id),
    layout.stretches.filter((s) => s.from === id),
  ];
  if (node && !isActuator(node) && into.length === 1 && out.length === 1) {
    const lengthKnown = knownTogether([...into, ...out].map((s) => howKnown(s, 'lengthMm')));
    const joined: Stretch = {
      ...marked(into[0]!, ['lengthMm'], lengthKnown),
      to: out[0]!.to,
      lengthMm: into[0]!.lengthMm + out[0]!.lengthMm,
    };
    return tidy({
      ...layout,
      nodes: layout.nodes.filter((n) => n.id !== id),
      bleeders: layout.bleeders.filter((b) => b.at !== id),
      stretches: layout.stretches.flatMap((s) =>
        s === into[0] ? [joined] : s === out[0] ? [] : [s],
      ),
    });
  }
  const taken = layout.masters.find((m) => m.id === id);
  if (taken) {
    const rest = taken.chambers.reduce<Layout>((l, c) => withoutSubtree(l, c.port), {
      ...layout,
      masters: layout.masters.filter((m) => m !== taken),
    });
    return tidy(withoutIdleReservoirs(rest));
  }
  const owner = layout.masters.find((m) => m.chambers.some((c) => c.id === id));
  if (owner) {
    const rest = withoutSubtree(layout, owner.chambers.find((c) => c.id === id)!.port);
    return tidy(
      withoutIdleReservoirs({
        ...rest,
        masters: rest.masters.map((m) =>
          m.id === owner.id ? { ...m, chambers: m.chambers.filter((c) => c.id !== id) } : m,
        ),
      }),
    );
  }
  const stretch = layout.stretches.find((s) => s.id === id);
  return tidy(withoutSubtree(layout, stretch ? stretch.to : id));
}

/** Take a modulator, valve or joint out of its line and put it into another. */
export function moveInto(layout: Layout, nodeId: string, stretchId: string): Edited {
  const node = layout.nodes.find((n) => n.id === nodeId)!;
  const bleeders = layout.bleeders.filter((b) => b.at === nodeId);
  const without = removeElement(layout, nodeId);
  // The line that it was cut from may have taken over the one that is meant.
  const target =
    without.stretches.find((s) => s.id === stretchId) ??
    without.stretches.find((s) => s.id === layout.stretches.find((x) => x.to === nodeId)?.id)!;
  const made = insertInto(without, target.id, 'joint');
  const rename = (id: string) => (id === made.element ? nodeId : id);
  return {
    element: nodeId,
    layout: {
      ...made.layout,
      abs: layout.abs,
      nodes: made.layout.nodes.map((n) =>
        n.id === made.element ? { ...marked(node, ['heightMm'], null), heightMm: n.heightMm } : n,
      ),
      stretches: made.layout.stretches.map((s) => ({
        ...s,
        from: rename(s.from),
        to: rename(s.to),
      })),
      bleeders: [...made.layout.bleeders, ...bleeders],
    },
  };
}

/** The same layout with left and right exchanged, for the driver on the other side. */
export function mirrored(layout: Layout): Layout {
  const swap = (words: string): string =>
    words.replace(
      /\b(left|right)\b/gi,
      (side) => ({ left: 'right', right: 'left', Left: 'Right', Right: 'Left' })[side] ?? side,
    );
  const named = <T extends { readonly name: string }>(list: readonly T[]): T[] =>
    list.map((e) => ({ ...e, name: swap(e.name) }));
  return {
    ...layout,
    driverSide: swap(layout.driverSide) as Layout['driverSide'],
    nodes: named(layout.nodes),
    stretches: named(layout.stretches),
    bleeders: layout.bleeders.map((b) => ({
      ...b,
      place: swap(b.place) as Bleeder['place'],
      which: b.which && (swap(b.which) as Bleeder['which']),
    })),
  };
}

function withoutSubtree(layout: Layout, nodeId: string): Layout {
  const gone = new Set<string>([nodeId]);
  for (let before = 0; before < gone.size; ) {
    before = gone.size;
    for (const s of layout.stretches) if (gone.has(s.from)) gone.add(s.to);
  }
  return {
    ...layout,
    nodes: layout.nodes.filter((n) => !gone.has(n.id)),
    stretches: layout.stretches.filter((s) => !gone.has(s.to) && !gone.has(s.from)),
    bleeders: layout.bleeders.filter((b) => !gone.has(b.at)),
  };
}

/** Reservoirs that feed nothing any more go. */
function withoutIdleReservoirs(layout: Layout): Layout {
  return {
    ...layout,
    reservoirs: layout.reservoirs.filter((b) =>
      chambersOf(layout).some(({ chamber: c }) => c.fedBy === b.id),
    ),
  };
}

/** Without a modulator there is no ABS to speak of. */
function tidy(layout: Layout): Layout {
  return layout.nodes.some((n) => n.kind === 'modulator') ? layout : { ...layout, abs: 'none' };
}

const heightOf = (layout: Layout, nodeId: string): number =>
  layout.nodes.find((n) => n.id === nodeId)!.heightMm;

/** An id that nothing in the layout has, by counting up; the same layout gives the same id. */
function freeId(layout: Layout, kind: string): string {
  const taken = new Set(
    [
      ...layout.reservoirs,
      ...layout.masters,
      ...chambersOf(layout).map(({ chamber: c }) => c),
      ...layout.nodes,
      ...layout.stretches,
      ...layout.bleeders,
    ].map((e) => e.id),
  );
  let n = 1;
  while (taken.has(`${kind}-${n}`)) n++;
  return `${kind}-${n}`;
}
