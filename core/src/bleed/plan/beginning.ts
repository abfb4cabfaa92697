import { partIdOf } from '../../vehicle/circuit';
import type { Beginning } from '../../hydraulics/order';
import { insideAtStart, newElements, type BenchEnd, type ScopeFinding } from '../scope';
import type { StageDraft } from '../stages';
import type { FullPlanRequest } from './request';
import type { Plan } from './shape';

/** Ends of a bench run that leave a master full. */
const BENCHED: readonly BenchEnd[] = ['clean', 'a few tiny bubbles'];

/** What is inside when the bleeding begins: benched masters full, the parts behind a hold point still on. */
export function beginningOf(
  asked: FullPlanRequest,
  { air }: ScopeFinding,
  drafts: readonly StageDraft[],
): Beginning {
  const { layout, work, inside, inSystem, reached } = asked;
  const offBefore = new Map<number, readonly string[]>();
  let visits = 0;
  for (const draft of drafts) {
    if (draft.kind === 'bleed') visits += draft.visits.length;
    if (draft.kind === 'hold point') offBefore.set(visits, heldBack(asked));
  }
  if (reached) {
    const now = reached.fluid.inside();
    return {
      inside: Object.fromEntries(
        Object.entries(now).map(([id, c]) => [id, { ...c, mayHoldAir: air.has(id) }]),
      ),
      offBefore,
    };
  }
  const benched = [
    ...drafts.flatMap((d) => (d.kind === 'bench' ? [d.masterId] : [])),
    ...(work.master && BENCHED.includes(work.master.bench) ? [work.master.masterId] : []),
  ];
  const held = offBefore.size > 0 ? heldBack(asked) : [];
  return {
    inside: insideAtStart({
      layout,
      work: { ...work, parts: work.parts.filter((p) => !held.includes(p.partId)) },
      air: new Set(air.keys()),
      before: inside,
      inSystem,
      benched,
      benchedSets: drafts.flatMap((d) => (d.kind === 'bench' && d.set ? [d.masterId] : [])),
    }),
    offBefore,
  };
}

/** Parts that come off only when the first of them was proved: empty from then on, where they are new. */
export function heldBack({ layout, work }: Pick<Plan, 'layout' | 'work'>): string[] {
  return newElements(layout, work.parts.slice(1));
}

/** What a plan of the rest takes off that the plan before it did not: new parts, empty from then on. */
export function cameOff(
  before: Pick<Plan, 'layout' | 'work'>,
  after: Pick<Plan, 'work'>,
): string[] {
  const { layout } = before;
  const named = before.work.parts.map((p) => partIdOf(layout, p.partId));
  return newElements(
    layout,
    after.work.parts.filter((p) => !named.includes(partIdOf(layout, p.partId))),
  );
}
