import type {
  Bleeder,
  Fitting,
  FittingSizes,
  Layout,
  LayoutNode,
  Master,
  MasterChamber,
  Actuator,
} from './layout';

/**
 * A bleeder as a technician calls it.
 *
 * @example "left front", "left front, inner"
 */
export function bleederName(bleeder: Pick<Bleeder, 'place' | 'which'>): string {
  return bleeder.which === null ? bleeder.place : `${bleeder.place}, ${bleeder.which}`;
}

/** Sizes by what was found on this vehicle, else as listed. */
export function sizesOf(fitting: Fitting): FittingSizes {
  const { listed, found } = fitting;
  return {
    wrenchMm: found?.wrenchMm ?? listed.wrenchMm,
    thread: found?.thread ?? listed.thread,
    torqueNm: found?.torqueNm ?? listed.torqueNm,
  };
}

/** Every chamber with the master that it belongs to. */
export function chambersOf(
  layout: Pick<Layout, 'masters'>,
): { readonly master: Master; readonly chamber: MasterChamber }[] {
  return layout.masters.flatMap((master) =>
    master.chambers.map((chamber) => ({ master, chamber })),
  );
}

/** Whether a node is a part that the pressure works on, at the end of a line. */
export function isActuator(node: LayoutNode): node is Actuator {
  return node.kind === 'caliper' || node.kind === 'wheel cylinder' || node.kind === 'slave';
}

/** Volume in a reservoir at which the highest of its outlets draws air, mL: a syringe stops there too, whichever system is in hand. */
export function highestOutletMl(layout: Pick<Layout, 'masters'>, reservoirId: string): number {
  return Math.max(
    0,
    ...chambersOf(layout).flatMap(({ chamber }) =>
      chamber.fedBy === reservoirId ? [chamber.outlet.airDrawnMl] : [],
    ),
  );
}
