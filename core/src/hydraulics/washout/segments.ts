import { tubeVolumeMl, type Layout, type Stretch } from '../../vehicle/circuit';

/** Stretches of one bore that follow each other without a branch or a part that mixes: one length of line. */
export interface LineSegment {
  readonly key: string;
  readonly stretchIds: readonly string[];
  readonly insideMm: number;
  readonly volumeMl: number;
  /** Node that feeds it and node that it ends at. */
  readonly from: string;
  readonly to: string;
}

/**
 * Join the stretches of a layout into line segments. Joints, clips, humps
 * and valves in one line do not part it, so the arithmetic does not depend on how finely
 * the line was drawn; a tee, a part that mixes and a change of bore do.
 */
export function lineSegments(layout: Layout): LineSegment[] {
  const leaving = new Map<string, Stretch[]>();
  for (const s of layout.stretches) leaving.set(s.from, [...(leaving.get(s.from) ?? []), s]);
  const feeding = new Map(layout.stretches.map((s) => [s.to, s]));
  const kinds = new Map(layout.nodes.map((n) => [n.id, n.kind]));
  const bleederAt = new Set(layout.bleeders.map((b) => b.at));
  const goesOn = (nodeId: string): boolean => {
    const next = leaving.get(nodeId) ?? [];
    const kind = kinds.get(nodeId);
    return (
      (kind === 'joint' || kind === 'tee' || kind === 'valve') &&
      !bleederAt.has(nodeId) &&
      next.length === 1 &&
      next[0]!.insideMm === feeding.get(nodeId)?.insideMm
    );
  };
  return layout.stretches
    .filter((s) => !goesOn(s.from))
    .map((first) => {
      const run = [first];
      while (goesOn(run[run.length - 1]!.to)) run.push(leaving.get(run[run.length - 1]!.to)![0]!);
      const lengthMm = run.reduce((sum, s) => sum + s.lengthMm, 0);
      return {
        key: first.id,
        stretchIds: run.map((s) => s.id),
        insideMm: first.insideMm,
        volumeMl: tubeVolumeMl(first.insideMm, lengthMm),
        from: first.from,
        to: run[run.length - 1]!.to,
      };
    });
}
