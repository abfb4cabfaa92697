import {
  bleederName,
  chambersOf,
  paths,
  type Layout,
  type LayoutNode,
  type Stretch,
} from '../circuit';

export interface Point {
  readonly x: number;
  readonly y: number;
}

/** One stretch as it is drawn, from its upstream end. */
export interface DrawnStretch {
  readonly stretch: Stretch;
  readonly from: Point;
  readonly to: Point;
  /** Index of the master chamber whose circuit it belongs to. */
  readonly circuit: number;
}

export interface DrawnBleeder {
  readonly id: string;
  readonly name: string;
  /** Where the fluid leaves. */
  readonly at: Point;
  /** Where the number stands, moved aside when two would touch. */
  readonly mark: Point;
  /** Place in the order; null for one that is not opened. */
  readonly number: number | null;
}

export interface BrookGeometry {
  readonly width: number;
  readonly height: number;
  readonly stretches: readonly DrawnStretch[];
  readonly nodes: readonly { readonly node: LayoutNode; readonly at: Point }[];
  readonly bleeders: readonly DrawnBleeder[];
  /** One for each height at which reservoirs stand; side by side where several do. */
  readonly reservoirGroups: readonly {
    readonly at: Point;
    readonly reservoirs: number;
    /** Where its lowest master stands. */ readonly feedsDownTo: number;
  }[];
  readonly ground: number;
  readonly metres: readonly { readonly metre: number; readonly x: number }[];
}

const EDGE = { left: 24, right: 24, top: 40, bottom: 58 };
/** Radius of a bleeder's number and the least distance between two, px. */
export const MARK_RADIUS = 12;
const MARK_APART = MARK_RADIUS * 2 + 3;

/**
 * Lay a layout out as a long profile: along, metres that the fluid runs from
 * the master's port; up, height above the ground, to scale of its own.
 *
 * @param order bleeder ids in the order of the plan; others have no number
 */
export function brookGeometry(
  layout: Layout,
  order: readonly string[],
  width: number,
  height: number,
): BrookGeometry {
  const all = paths(layout);
  const along = new Map<string, number>();
  const circuitOf = new Map<string, number>();
  for (const path of all) {
    const circuit = chambersOf(layout).findIndex((c) => c.chamber.id === path.chamber.id);
    for (const p of path.points) along.set(p.node.id, p.alongM);
    for (const s of path.stretches) circuitOf.set(s.id, circuit);
  }
  const longest = Math.max(...along.values(), 0.1);
  const x = (metres: number) => EDGE.left + (metres / longest) * (width - EDGE.left - EDGE.right);
  const heights = [...layout.nodes, ...layout.reservoirs].map((n) => n.heightMm);
  const low = Math.min(...heights);
  const high = Math.max(...heights, low + 1);
  const y = (mm: number) =>
    height - EDGE.bottom - ((mm - low) / (high - low)) * (height - EDGE.top - EDGE.bottom);
  const at = new Map(
    layout.nodes.map((n) => [n.id, { x: x(along.get(n.id) ?? 0), y: y(n.heightMm) }]),
  );
  const step = longest > 3 ? 1 : longest > 1.2 ? 0.5 : 0.25;
  return {
    width,
    height,
    stretches: layout.stretches.map((stretch) => ({
      stretch,
      from: at.get(stretch.from)!,
      to: at.get(stretch.to)!,
      circuit: circuitOf.get(stretch.id) ?? 0,
    })),
    nodes: layout.nodes.map((node) => ({ node, at: at.get(node.id)! })),
    bleeders: placeMarks(
      all.map(({ bleeder }) => ({
        id: bleeder.id,
        name: bleederName(bleeder),
        at: at.get(bleeder.at)!,
        number: numberOf(order, bleeder.id),
      })),
      height,
    ),
    reservoirGroups: [...new Set(layout.reservoirs.map((b) => b.heightMm))].map((mm) => {
      const reservoirs = layout.reservoirs.filter((b) => b.heightMm === mm);
      const ports = chambersOf(layout)
        .filter(({ chamber }) => reservoirs.some((b) => b.id === chamber.fedBy))
        .map(({ chamber }) => at.get(chamber.port)!.y);
      return {
        at: { x: x(0), y: y(mm) },
        reservoirs: reservoirs.length,
        feedsDownTo: Math.max(y(mm) + 12, ...ports),
      };
    }),
    ground: height - 22,
    metres: Array.from({ length: Math.floor(longest / step) + 1 }, (_, i) => ({
      metre: i * step,
      x: x(i * step),
    })),
  };
}

/** The points of one path as an SVG path. */
export function pathData(points: readonly Point[]): string {
  return points.map((p, i) => `${i === 0 ? 'M' : 'L'}${p.x.toFixed(1)} ${p.y.toFixed(1)}`).join('');
}

/** Put the numbers in one row below the lines, each as near under its bleeder as the others allow. */
function placeMarks(
  bleeders: readonly Omit<DrawnBleeder, 'mark'>[],
  height: number,
): DrawnBleeder[] {
  const row = height - EDGE.bottom + MARK_RADIUS + 6;
  const sorted = [...bleeders].sort(
    (a, b) => a.at.x - b.at.x || (a.number ?? Infinity) - (b.number ?? Infinity),
  );
  const xs = sorted.map((b) => b.at.x);
  for (let pass = 0; pass < 20; pass++) {
    for (let i = 1; i < xs.length; i++) {
      const lacking = MARK_APART - (xs[i]! - xs[i - 1]!);
      if (lacking > 0.01) {
        xs[i - 1] = xs[i - 1]! - lacking / 2;
        xs[i] = xs[i]! + lacking / 2;
      }
    }
  }
  return sorted.map((b, i) => ({ ...b, mark: { x: xs[i]!, y: row } }));
}

function numberOf(order: readonly string[], id: string): number | null {
  const place = order.indexOf(id);
  return place >= 0 ? place + 1 : null;
}
