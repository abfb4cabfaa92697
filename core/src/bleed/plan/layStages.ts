import type { Path } from '../../vehicle/circuit';
import { METHOD_TRAITS } from '../../hydraulics/flow';
import {
  bledMl,
  countAt,
  movedMl,
  SWEEP_PASSES,
  type OrderSetup,
  type VisitPrice,
} from '../../hydraulics/order';
import {
  bleedMinutes,
  bleedWaiting,
  ownStage,
  type PlanStage,
  type PlanOpening,
  type StageDraft,
  type StrokeShape,
} from '../stages';
import { openingFigures } from './planFigures';
import { FIRST_PLAN, type FullPlanRequest } from './request';

/** What the stages are laid out from. */
interface Laid {
  readonly asked: FullPlanRequest;
  readonly setup: OrderSetup;
  readonly drafts: readonly StageDraft[];
  readonly priced: readonly VisitPrice[];
  /** Poured before the first count. */
  readonly firstFillMl: number;
  readonly oldOnPathMl: Readonly<Record<string, number>>;
  readonly all: readonly Path[];
  readonly air: ReadonlySet<string>;
}

/** Give every stage and every opening its id and its figures. The ids of a later plan carry its own, so that each means one thing for the whole job. */
export function layStages({
  asked,
  setup,
  drafts,
  priced,
  firstFillMl,
  oldOnPathMl,
  all,
  air,
}: Laid): { stages: PlanStage[]; openings: PlanOpening[] } {
  const openings: PlanOpening[] = [];
  const ofPlan = asked.planId === FIRST_PLAN ? '' : `@${asked.planId}`;
  const opened = new Map<string, number>();
  let next = 0;
  let inJarMl = 0;
  let outOfBottlesMl = firstFillMl;
  const stages = drafts.map((draft, i): PlanStage => {
    const id = `stage-${i + 1}${ofPlan}`;
    if (draft.kind !== 'bleed') return ownStage(id, draft, asked.layout, asked.preferences);
    const of = draft.visits.map((ordered): PlanOpening => {
      const price = priced[next++]!;
      const traits = METHOD_TRAITS[draft.method];
      // What went up is not in the jar.
      if (!traits.reverse) inJarMl += bledMl(setup, price);
      outOfBottlesMl += topUpsMl(price) + (traits.reverse ? movedMl(setup, price) : 0);
      const path = all.find((p) => p.bleeder.id === ordered.visit.bleederId)!;
      const times = (opened.get(path.bleeder.id) ?? 0) + 1;
      opened.set(path.bleeder.id, times);
      return {
        id: `${path.bleeder.id}${times === 1 ? '' : `#${times}`}${ofPlan}`,
        stageId: id,
        bleeder: path.bleeder,
        chamberId: path.chamber.id,
        reservoirId: path.chamber.fedBy,
        control: path.master.control,
        method: draft.method,
        counted: traits.kind === 'strokes' ? 'strokes' : 'marks',
        secondsPerStroke: countAt(setup, ordered.visit).secondsPerCount,
        fromReservoir: !traits.reverse,
        ...(countAt(setup, ordered.visit).selfFed ? { selfFed: true } : {}),
        ...bandOf(setup, path, price),
        until: price.visit.until,
        shape: shapeOf(asked, path, air),
        why: ordered.why,
        ...openingFigures({
          setup,
          path,
          price,
          inJarMl,
          outOfBottlesMl,
          preferences: asked.preferences,
          oldLeftMl: oldOnPathMl[path.bleeder.id]!,
        }),
        topUps: price.topUps.map((t) => ({
          reservoirId: t.reservoirId,
          afterStrokes: t.afterCounts,
          pouredMl: t.pouredMl,
        })),
        ...(price.drawOffs.length > 0
          ? {
              drawOffs: price.drawOffs.map(({ reservoirId, afterCounts, removedMl }) => ({
                reservoirId,
                afterStrokes: afterCounts,
                removedMl,
              })),
            }
          : {}),
      };
    });
    openings.push(...of);
    return {
      id,
      kind: 'bleed',
      purpose: draft.purpose,
      method: draft.method,
      openingIds: of.map((s) => s.id),
      minutes: bleedMinutes(asked.preferences, of),
      waitingMinutes: bleedWaiting(of),
    };
  });
  return { stages, openings };
}

/** Between what a sweep may end and where it asks what is wrong; the marks of a jar show nothing of the fill. */
function bandOf(
  setup: OrderSetup,
  path: Path,
  { visit, fillMl }: VisitPrice,
): Pick<PlanOpening, 'band'> {
  if (visit.until !== 'sweep' || (visit.passes ?? 1) === 1) return {};
  const first = countAt(setup, visit).mostMlS ? 0 : fillMl;
  const ml = (passes: number) => first + passes * path.volumeMl.value;
  return { band: { leastMl: ml(SWEEP_PASSES.least), mostMl: ml(SWEEP_PASSES.most) } };
}

/** What is poured in during a visit, by hand or by what feeds the reservoir, mL. */
export const topUpsMl = (v: VisitPrice): number =>
  v.fedMl + v.topUps.reduce((sum, t) => sum + t.pouredMl, 0);

/** Fast push and slow return where a stretch falls towards the bleeder, slow where a port is open, steady otherwise [C]. */
function shapeOf(
  { preferences, work }: FullPlanRequest,
  path: Path,
  air: ReadonlySet<string>,
): StrokeShape {
  if (work.master !== null) return 'slow push';
  if (preferences.strokeShape === 'steady') return 'steady';
  const falls = path.stretches.some(
    (s, i) =>
      air.has(s.id) &&
      path.points[i + 1]!.node.heightMm < path.points[i]!.node.heightMm - s.lengthMm / 4,
  );
  return falls ? 'fast push, slow return' : 'steady';
}
